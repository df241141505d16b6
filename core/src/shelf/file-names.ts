import type { ShelfFile } from './shelf-file.js';

/** A name that every system takes as the name of a file: no separators, control characters or reserved signs. */
export function safeFileName(name: string): string {
  const last = name.split(/[/\\]/).at(-1) ?? '';
  const plain = last
    .toWellFormed()
    .normalize('NFC')
    // eslint-disable-next-line no-control-regex -- the control characters are what is taken out
    .replace(/[\u0000-\u001f\u007f<>:"|?*\u200e\u200f\u202a-\u202e]/g, '')
    .replace(/\s+/g, ' ')
    .replace(/^[ .]+|[ .]+$/g, '');
  if (plain === '') return 'file';
  const dot = plain.lastIndexOf('.');
  if (plain.length <= 120) return plain;
  return dot > 0 && plain.length - dot <= 10
    ? plain.slice(0, 120 - (plain.length - dot)) + plain.slice(dot)
    : plain.slice(0, 120);
}

/**
 * The paths of files in the folder that travels with a book, each its own: `files/tide-table.pdf`. Letters and digits of
 * ASCII only, since archives and readers disagree on others (common practice).
 */
export function travellingPaths(files: Iterable<Pick<ShelfFile, 'id' | 'name'>>): Map<string, string> {
  const paths = new Map<string, string>();
  const taken = new Set<string>();
  for (const { id, name } of files) {
    const dot = name.lastIndexOf('.');
    const [stem, ending] = dot > 0 ? [name.slice(0, dot), name.slice(dot + 1)] : [name, ''];
    const plain = (text: string) =>
      text
        .normalize('NFKD')
        .replace(/\p{M}/gu, '')
        .replace(/[^A-Za-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .toLowerCase();
    const tail = plain(ending) === '' ? '' : `.${plain(ending)}`;
    let path = `files/${plain(stem) || 'file'}${tail}`;
    for (let count = 2; taken.has(path); count++) path = `files/${plain(stem) || 'file'}-${count}${tail}`;
    taken.add(path);
    paths.set(id, path);
  }
  return paths;
}
