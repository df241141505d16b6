import { del, entries, set } from 'idb-keyval';

/** Text that the server has not acknowledged yet, kept in this browser. */
export interface LocalCopy {
  doc: object;
  /** The version that it was written on. */
  version: number;
  /** ISO 8601. */
  at: string;
}

/** Where such text is kept, by chapter. */
export interface Copies {
  keep(chapter: string, copy: LocalCopy): Promise<void>;
  drop(chapter: string): Promise<void>;
  /** Copies of these chapters that still wait to be acknowledged; of two of one chapter, the later one. */
  of(chapters: readonly string[]): Promise<Map<string, LocalCopy>>;
}

const key = (chapter: string) => `chapter:${chapter}`;
const lastKey = (chapter: string) => `vennet.last:${chapter}`;

/** The copies of this browser: in IndexedDB, and the very last ones of older versions in its local storage. */
export const browserCopies: Copies = {
  keep: (chapter, copy) => set(key(chapter), copy),
  drop(chapter) {
    localStorage.removeItem(lastKey(chapter));
    return del(key(chapter));
  },
  async of(chapters) {
    const wanted = new Map(chapters.map((chapter) => [key(chapter), chapter]));
    const found = new Map<string, LocalCopy>();
    for (const [name, copy] of await entries<string, LocalCopy>().catch(() => [])) {
      const chapter = wanted.get(name);
      if (chapter) found.set(chapter, copy);
    }
    for (const chapter of chapters) {
      const last = localStorage.getItem(lastKey(chapter));
      const copy = last === null ? null : (JSON.parse(last) as LocalCopy);
      if (copy && copy.at >= (found.get(chapter)?.at ?? '')) found.set(chapter, copy);
    }
    return found;
  },
};
