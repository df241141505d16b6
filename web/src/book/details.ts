import { UnreachableError, type Vennet } from '@vennet/client';
import { NO_PUBLICATION } from '@vennet/core/manuscript';
import type { BookChanges } from '@vennet/core/wire';
import { createStore, type StoreApi } from 'zustand';
import type { OpenBookStore } from './store.js';

/** What an author says of the book itself; how it looks and counts is chosen elsewhere. */
export type DetailChanges = Omit<BookChanges, 'look' | 'structure' | 'address'>;

export interface DetailsNeeds {
  store: OpenBookStore;
  api: Pick<Vennet, 'changeBook'>;
  /** Where changes wait that the server has not taken yet: they outlive a closed page. */
  kept: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
  fault(error: unknown): void;
}

/** How what is said of the book stands with the server. */
export type DetailsState = 'kept' | 'keeping' | 'unreachable';

/** What is said of the open book: shown at once, sent a moment after, and waiting in the browser until the server has it. */
export interface BookDetailChanges {
  state: StoreApi<{ state: DetailsState }>;
  change(changes: DetailChanges): void;
  /** Sends what an earlier page has left. */
  goOn(): void;
  /** Ends when nothing waits any more, or the server does not answer. */
  settled(): Promise<void>;
}

/** ms until changes are sent, so that they go together; and until a server that does not answer is asked again. */
const PAUSE = 300;
const AGAIN = 4_000;

const merged = (before: DetailChanges, after: DetailChanges): DetailChanges => ({
  ...before,
  ...after,
  ...(before.publication || after.publication
    ? { publication: { ...before.publication, ...after.publication } }
    : {}),
});

export function createDetails({ store, api, kept, fault }: DetailsNeeds): BookDetailChanges {
  const state = createStore<{ state: DetailsState }>(() => ({ state: 'kept' }));
  const waiting = new Map<string, DetailChanges>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<void> | null = null;

  const keepIn = (book: string, changes: DetailChanges | null) => {
    const key = `vennet.details:${book}`;
    if (changes) waiting.set(book, changes);
    else waiting.delete(book);
    try {
      if (changes) kept.setItem(key, JSON.stringify(changes));
      else kept.removeItem(key);
    } catch {
      // A browser that keeps nothing still sends.
    }
  };

  const show = (book: string, { publication, ...changes }: DetailChanges) => {
    const { book: open, setDetails } = store.getState();
    if (open?.id !== book) return;
    setDetails({
      ...changes,
      ...(publication ? { publication: { ...NO_PUBLICATION, ...open.publication, ...publication } } : {}),
    });
  };

  const send = async (): Promise<void> => {
    clearTimeout(timer);
    for (const [book, changes] of [...waiting]) {
      state.setState({ state: 'keeping' });
      try {
        await api.changeBook(book, changes);
        if (waiting.get(book) === changes) keepIn(book, null);
      } catch (error) {
        if (error instanceof UnreachableError) {
          state.setState({ state: 'unreachable' });
          timer = setTimeout(() => void settled(), AGAIN);
          return;
        }
        keepIn(book, null);
        fault(error);
      }
    }
    if (waiting.size > 0) return send();
    state.setState({ state: 'kept' });
  };
  const settled = (): Promise<void> =>
    (sending ??= send().finally(() => {
      sending = null;
    }));

  return {
    state,
    settled,
    change(changes) {
      const book = store.getState().book?.id;
      if (!book) return;
      show(book, changes);
      keepIn(book, merged(waiting.get(book) ?? {}, changes));
      state.setState({ state: 'keeping' });
      clearTimeout(timer);
      timer = setTimeout(() => void settled(), PAUSE);
    },
    goOn() {
      const book = store.getState().book?.id;
      const left = book && !waiting.has(book) ? kept.getItem(`vennet.details:${book}`) : null;
      if (!book || !left) return;
      const changes = JSON.parse(left) as DetailChanges;
      show(book, changes);
      keepIn(book, changes);
      void settled();
    },
  };
}
