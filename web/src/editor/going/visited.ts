import { create } from 'zustand';
import { linkAtSelection } from '../state/links.js';
import { useEditor } from '../state/store.js';
import { useBook } from '../../book/store.js';

/** A spot of a book where the author was: the chapter and the caret in it. */
export interface Visited {
  book: string;
  title: string;
  chapter: string;
  caret: number;
  /** The link at the caret: it is found again when the text before it has changed. */
  link: string | null;
}

/** The spots that were left by following links, and those that were left by going back. The nearest stand at the end. */
export const useVisited = create<{ past: Visited[]; future: Visited[] }>(() => ({ past: [], future: [] }));

let go: ((path: string) => void) | null = null;
/** The router's way to other rooms, for what is done outside of components. */
export const setGo = (navigate: (path: string) => void): void => void (go = navigate);
export const goTo = (path: string): void => go?.(path);

/** Most spots that are remembered. */
const DEEPEST = 200;

function here(): Visited | null {
  const { book } = useBook.getState();
  const { view, chapter } = useEditor.getState();
  if (!book || !view) return null;
  const link = linkAtSelection(view.state, chapter)?.id ?? null;
  return { book: book.id, title: book.title, chapter, caret: view.state.selection.from, link };
}

/** Remembers the spot that is about to be left, so that “back” leads to it. */
function leave(): void {
  const spot = here();
  if (spot) useVisited.setState(({ past }) => ({ past: [...past, spot].slice(-DEEPEST), future: [] }));
}

/** Goes to a place of the open book. The way back leads to where the author was. */
export function goToPlace(place: string): boolean {
  const { book, places } = useBook.getState();
  const spot = places.get(place);
  if (!book || !spot) return false;
  leave();
  go?.(`/books/${book.id}/write/${spot.chapter}?place=${encodeURIComponent(place)}`);
  return true;
}

/** Goes to a link of the open book. */
export function goToUse({ id, chapter }: { id: string; chapter: string }): void {
  const { book } = useBook.getState();
  if (!book) return;
  leave();
  go?.(`/books/${book.id}/write/${chapter}?link=${encodeURIComponent(id)}`);
}

/** Goes back to a link that is about to be made. */
export function goToDraft(chapter: string, draft: string): void {
  const { book } = useBook.getState();
  if (book) go?.(`/books/${book.id}/write/${chapter}?draft=${encodeURIComponent(draft)}`);
}

/** Goes to a position of a chapter of the open book. */
export function goToSpot(chapter: string, caret: number): void {
  const { book } = useBook.getState();
  if (!book) return;
  leave();
  go?.(`/books/${book.id}/write/${chapter}?at=${caret}`);
}

/** Goes to another book by a link. */
export function goToBook(id: string, place?: string): void {
  leave();
  // The caret comes there too, so that the keys that lead back are heard.
  go?.(`/books/${id}/write?${place ? `place=${encodeURIComponent(place)}` : 'at=0'}`);
}

/** Back to the spot from which the author came, or forward again. */
export function goBack(): boolean {
  return step('past', 'future');
}

export function goForward(): boolean {
  return step('future', 'past');
}

function step(from: 'past' | 'future', to: 'past' | 'future'): boolean {
  const visited = useVisited.getState();
  const next = visited[from].at(-1);
  if (!next) return false;
  const spot = here();
  const others = spot ? [...visited[to], spot] : visited[to];
  useVisited.setState({ [from]: visited[from].slice(0, -1), [to]: others });
  const link = next.link ? `&link=${encodeURIComponent(next.link)}` : '';
  go?.(`/books/${next.book}/write/${next.chapter}?at=${next.caret}${link}`);
  return true;
}
