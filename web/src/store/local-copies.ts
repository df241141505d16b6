import { del, entries, set } from 'idb-keyval';

/** Text that the server has not acknowledged yet, kept in this browser. */
export interface LocalCopy {
  doc: unknown;
  /** The version that it was written on. */
  version: number;
  /** ISO 8601. */
  at: string;
}

const key = (chapter: string) => `chapter:${chapter}`;

export const keepCopy = (chapter: string, copy: LocalCopy) => set(key(chapter), copy);
export const dropCopy = (chapter: string) => del(key(chapter));

/** Copies of these chapters that are still waiting to be acknowledged. */
export async function copiesOf(chapters: readonly string[]): Promise<Map<string, LocalCopy>> {
  const wanted = new Map(chapters.map((chapter) => [key(chapter), chapter]));
  const found = new Map<string, LocalCopy>();
  for (const [name, copy] of await entries<string, LocalCopy>()) {
    const chapter = wanted.get(name);
    if (chapter) found.set(chapter, copy);
  }
  return found;
}
