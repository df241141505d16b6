import { surroundingsOf, type Manuscript, type VersionedChapter } from '@vennet/core/wire';
import type { Audit } from './audit.js';
import type { Copies } from './local-copies.js';
import type { Conflict, OpenBookStore } from './store.js';

export interface OpeningNeeds {
  store: OpenBookStore;
  audit: Pick<Audit, 'tell' | 'nextNews' | 'forget'>;
  copies: Copies;
  /** Reads a book with everything around it. */
  read(id: string): Promise<Manuscript>;
  /** Is told of text that was taken from this browser and is still to be saved. */
  unsent(chapter: VersionedChapter): void;
}

/** Opens a book, or takes it in anew after it was changed at the server. */
export type Opening = (id: string) => Promise<void>;

export function createOpening({ store, audit, copies, read, unsent }: OpeningNeeds): Opening {
  let last = 0;
  return async (id) => {
    const own = ++last;
    if (store.getState().book?.id !== id) {
      audit.forget();
      store.getState().leave();
    }
    const manuscript = await read(id);
    const merged = await withLocalCopies(manuscript.chapters, copies);
    if (own !== last) return;
    const book = { ...manuscript, chapters: merged.chapters };
    const surroundings = surroundingsOf(book);
    audit.tell(book, surroundings);
    if (!store.getState().book) await audit.nextNews();
    if (own !== last) return;
    store.getState().take(book, surroundings, merged.conflicts);
    for (const chapter of merged.unsent) unsent(chapter);
  };
}

/**
 * Text that was not acknowledged when this browser was closed goes on from where it was. Where the server has a newer
 * version in the meantime, both are kept and shown.
 */
async function withLocalCopies(chapters: readonly VersionedChapter[], copies: Copies) {
  const kept = await copies.of(chapters.map(({ id }) => id));
  const conflicts = new Map<string, Conflict>();
  const unsent: VersionedChapter[] = [];
  const merged = chapters.map((chapter) => {
    const copy = kept.get(chapter.id);
    if (!copy) return chapter;
    if (JSON.stringify(copy.doc) === JSON.stringify(chapter.doc)) {
      // It was stored, and only the answer was lost.
      void copies.drop(chapter.id);
      return chapter;
    }
    if (copy.version === chapter.version) {
      const own = { ...chapter, doc: copy.doc };
      unsent.push(own);
      return own;
    }
    conflicts.set(chapter.id, { mine: copy.doc, theirs: chapter });
    return chapter;
  });
  return { chapters: merged, conflicts, unsent };
}
