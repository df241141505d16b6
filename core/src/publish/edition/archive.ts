import { strToU8, zipSync, type Zippable } from 'fflate';

/** A file of an archive: its path, what is in it, and whether that is packed; pictures are packed already. */
export type ArchiveEntry = readonly [path: string, content: string | Uint8Array, how: 'packed' | 'stored'];

/** A ZIP archive of which the same book gives the same bytes: every entry bears the date of the book, as far as ZIP can say it (from 1980 on). */
export function archiveOf(entries: Iterable<ArchiveEntry>, modified: Date): Uint8Array {
  const mtime = new Date(Math.max(modified.getTime(), Date.UTC(1980, 0, 2)));
  const zipped: Zippable = {};
  for (const [path, content, how] of entries)
    zipped[path] = [
      typeof content === 'string' ? strToU8(content) : content,
      { level: how === 'packed' ? 6 : 0, mtime },
    ];
  return zipSync(zipped);
}

/** Texts by their paths, as entries. */
export const packedTexts = (texts: Record<string, string>, folder = ''): ArchiveEntry[] =>
  Object.entries(texts).map(([path, text]) => [folder + path, text, 'packed']);

/** Pictures by their paths, as entries. */
export const storedFiles = (files: ReadonlyMap<string, Uint8Array>, folder = ''): ArchiveEntry[] =>
  [...files].map(([path, bytes]) => [folder + path, bytes, 'stored']);
