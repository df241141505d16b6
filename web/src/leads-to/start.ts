import type { Destination } from '@vennet/core/destination';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { knowPlace } from '../book/known-place.js';
import { useEditor } from '../editor/state/store.js';
import { goToBook, goToPlace } from '../editor/going/visited.js';
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

/** Starts a chapter from a link to it, after the one that the link is in; it is written later. */
export async function startChapter(title: string, lead: (to: Destination) => void): Promise<void> {
  const id = await openBook().bulk.startChapter(title, useEditor.getState().chapter, (id) => {
    knowPlace({ id, kind: 'chapter', words: title, chapter: id }, 0);
    lead({ kind: 'place', place: id });
  });
  if (!id) return;
  useNotices.getState().tell(`“${title}” is in the outline, to be written, and your words lead there.`, {
    action: { label: 'Go there', run: () => void goToPlace(id) },
  });
}
