import { create } from 'zustand';
import { useEditor } from '../editor/store.js';
import { useBook } from '../store/book.js';

/** Where the author came from, by a link to another book: the way back leads to the same spot. */
export interface CameFrom {
  book: string;
  title: string;
  chapter: string;
}

/** The books that were left by following a link, the last one at the end. */
export const useWayBack = create<{ from: CameFrom[] }>(() => ({ from: [] }));

let go: ((path: string) => void) | null = null;
/** The router's way to other rooms, for what is done outside of components. */
export const setGo = (navigate: (path: string) => void): void => void (go = navigate);

/** Goes to another book by a link; the frame then shows the way back. */
export function goToBook(id: string, place?: string): void {
  const { book } = useBook.getState();
  const { chapter } = useEditor.getState();
  if (book)
    useWayBack.setState(({ from }) => ({ from: [...from, { book: book.id, title: book.title, chapter }] }));
  go?.(`/books/${id}/write${place ? `?place=${encodeURIComponent(place)}` : ''}`);
}

export function goBack(): void {
  const { from } = useWayBack.getState();
  const last = from.at(-1);
  if (!last) return;
  useWayBack.setState({ from: from.slice(0, -1) });
  go?.(`/books/${last.book}/write/${last.chapter}`);
}
