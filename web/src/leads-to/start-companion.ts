import type { Destination } from '@vennet/core/destination';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { goToBook } from '../editor/going/visited.js';
import { openBook } from '../book/open-book.js';

/** Starts a book from a link to it: made and linked in one step; the author stays, or goes there with the way back kept. */
export async function startCompanion(
  title: string,
  goThere: boolean,
  lead: (to: Destination) => void,
): Promise<void> {
  const { book, setDetails } = useBook.getState();
  if (!book) return;
  try {
    const { id } = await api.startBook({ title, author: book.author, language: book.language });
    const companion = { id, title, author: book.author, address: null, places: null };
    setDetails({ books: [...book.books, companion] });
    lead({ kind: 'book', book: id });
    if (goThere) {
      await openBook().texts.saveAll();
      goToBook(id);
    } else
      useNotices.getState().tell(`“${title}” is in the Library, and your words lead there.`, {
        action: { label: 'Go there', run: () => goToBook(id) },
      });
  } catch (error) {
    tellFault(error);
  }
}
