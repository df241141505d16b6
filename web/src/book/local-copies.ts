import { del, entries, set } from 'idb-keyval';

/** Text that the server has not acknowledged yet, kept in this browser. */
export interface LocalCopy {
  doc: object;
  /** The version that it was written on. */
  version: number;
  /** ISO 8601. */
  at: string;
}

const key = (chapter: string) => `chapter:${chapter}`;
const lastKey = (chapter: string) => `vennet.last:${chapter}`;

export const keepCopy = (chapter: string, copy: LocalCopy) => set(key(chapter), copy);

/** Keeps a copy at once: when a page goes away, only what is written synchronously is sure to be written. */
export function keepCopyNow(chapter: string, copy: LocalCopy): void {
  localStorage.setItem(lastKey(chapter), JSON.stringify(copy));
}

export function dropCopy(chapter: string): Promise<void> {
  localStorage.removeItem(lastKey(chapter));
  return del(key(chapter));
}

/** Copies of these chapters that are still waiting to be acknowledged; of two of one chapter, the later one. */
export async function copiesOf(chapters: readonly string[]): Promise<Map<string, LocalCopy>> {
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
}
