import { readChapter } from '@vennet/core/manuscript';
import { surroundingsOf, type Manuscript, type VersionedChapter } from '@vennet/core/wire';
import type { Audit } from './audit.js';
import type { StepsStore } from './kept-steps.js';
import type { Copies } from './local-copies.js';
import type { Conflict, OpenBookStore } from './store.js';
import type { Texts } from './texts.js';

export interface OpeningNeeds {
  store: OpenBookStore;
  audit: Pick<Audit, 'tell' | 'nextNews' | 'forget'>;
  texts: Pick<Texts, 'merged' | 'adopt' | 'replace'>;
  kept: Pick<StepsStore, 'takeLeft'>;
  /** Whole texts: those that an earlier Vennet kept, and those that the author has still to choose about. */
  copies: Pick<Copies, 'of' | 'keep' | 'drop'>;
  /** Reads a book with everything around it. */
  read(id: string): Promise<Manuscript>;
}

/** Opens a book, or takes it in anew after it was changed at the server. */
export type Opening = (id: string) => Promise<void>;

export function createOpening({ store, audit, texts, kept, copies, read }: OpeningNeeds): Opening {
  let last = 0;
  let newest: Promise<void> = Promise.resolve();
  /** Who asked first waits for the one that came later: only then the book is as it is at the server. */
  return (id) => (newest = openNow(id));

  async function openNow(id: string): Promise<void> {
    const own = ++last;
    const isNew = store.getState().book?.id !== id;
    if (isNew) {
      audit.forget();
      store.getState().leave();
    }
    const manuscript = await read(id);
    const chapters = await Promise.all(manuscript.chapters.map(texts.merged));
    if (own !== last) return newest;
    const book = { ...manuscript, chapters };
    const surroundings = surroundingsOf(book);
    audit.tell(book, surroundings);
    // Pages are seen before anything is known of their links.
    if (!store.getState().book && !book.ground) await audit.nextNews();
    if (own !== last) return newest;
    store.getState().take(book, surroundings, isNew ? new Map() : store.getState().conflicts);
    if (isNew) await goOn(chapters);
  }

  /** Goes on with what was not acknowledged when a window of this browser was closed. */
  async function goOn(chapters: readonly VersionedChapter[]): Promise<void> {
    const ids = chapters.map(({ id }) => id);
    try {
      // What can't be made any more is kept as a whole text, until the author has chosen.
      await kept.takeLeft(ids, async (steps) => {
        const { chapter, doc, version, at } = steps;
        if (!(await texts.adopt(steps))) await copies.keep(chapter, { doc, version, at });
      });
    } catch {
      // The server does not answer: they are kept, and gone on with the next time.
    }
    for (const [chapter, { doc, version }] of await copies.of(ids)) {
      const stored = chapters.find((one) => one.id === chapter);
      const theirs = store.getState().book?.chapters.find((one) => one.id === chapter);
      if (stored?.version === version) texts.replace(chapter, readChapter({ ...stored, doc }).doc);
      else if (theirs && !sameText(doc, theirs.doc)) {
        store.getState().setConflict(chapter, { mine: doc, theirs } satisfies Conflict);
        continue;
      }
      await copies.drop(chapter);
    }
  }
}

const sameText = (one: object, other: object): boolean => JSON.stringify(one) === JSON.stringify(other);
