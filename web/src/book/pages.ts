import type { OpenBookStore } from './store.js';
import type { Texts } from './texts.js';

export interface PagesNeeds {
  store: OpenBookStore;
  texts: Pick<Texts, 'state'>;
  /** On which page each place of a book stands. */
  setPages(book: string): Promise<[string, string][]>;
}

/** Has the pages of the open book set where a reference reads one, once the author pauses. */
export interface Pages {
  /** Asks for them although no reference reads one yet. */
  ask(): void;
}

/** Pause after a save before the pages are set anew, in ms. */
const SETTLED = 1_500;

export function createPages({ store, texts, setPages }: PagesNeeds): Pages {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let loaded = '';

  /** What the pages follow from: the stored text, and what is chosen for the book. */
  const version = (): string => {
    const { book } = store.getState();
    if (!book) return '';
    const chapters = book.chapters.map(({ id, version: saved, leftOutOf }) => [id, saved, leftOutOf]);
    return JSON.stringify([book.id, book.structure, chapters]);
  };

  const load = async () => {
    const { book } = store.getState();
    const wanted = version();
    if (!book || wanted === loaded) return;
    loaded = wanted;
    try {
      const pages = await setPages(book.id);
      if (store.getState().book?.id === book.id) store.setState({ pages: new Map(pages) });
    } catch {
      // Without pages, references read a sign in their place; the next save asks again.
      loaded = '';
    }
  };

  const ask = () => {
    clearTimeout(timer);
    timer = setTimeout(() => void load(), SETTLED);
  };

  const askWhereNeeded = () => {
    if (store.getState().readsPages && texts.state.getState().state === 'saved') ask();
  };
  texts.state.subscribe(askWhereNeeded);
  store.subscribe(({ readsPages, book }, before) => {
    if (book?.id !== before.book?.id) loaded = '';
    if (readsPages !== before.readsPages || book?.structure !== before.book?.structure) askWhereNeeded();
  });
  return { ask };
}
