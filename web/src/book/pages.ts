import { api } from '../api/client.js';
import { useBook } from './store.js';
import { useSaving } from './saver.js';

/** Pause after a save before the pages are set anew, in ms. */
const SETTLED = 1_500;

let timer = 0;
let loaded = '';

/** What the pages follow from: the stored text, and what is chosen for the book. */
function version(): string {
  const { book } = useBook.getState();
  if (!book) return '';
  const chapters = book.chapters.map(({ id, version: saved, leftOutOf }) => [id, saved, leftOutOf]);
  return JSON.stringify([book.id, book.structure, chapters]);
}

async function load(): Promise<void> {
  const { book } = useBook.getState();
  const wanted = version();
  if (!book || wanted === loaded) return;
  loaded = wanted;
  try {
    const pages = await api.pages(book.id);
    if (useBook.getState().book?.id === book.id) useBook.setState({ pages: new Map(pages) });
  } catch {
    // Without pages, references read a sign in their place; the next save asks again.
    loaded = '';
  }
}

/** Has the pages of the book set, once the author pauses. */
export function askForPages(): void {
  clearTimeout(timer);
  timer = window.setTimeout(() => void load(), SETTLED);
}

const askWhereNeeded = () => {
  if (useBook.getState().readsPages && useSaving.getState().state === 'saved') askForPages();
};
useSaving.subscribe(askWhereNeeded);
useBook.subscribe(({ readsPages, book }, before) => {
  if (book?.id !== before.book?.id) loaded = '';
  if (readsPages !== before.readsPages || book?.structure !== before.book?.structure) askWhereNeeded();
});
