import type { Destination } from './destination.js';

/**
 * The file of a Shelf that is called by its name, as in `tides.pdf` or `tides.pdf#page=2`, whatever letters are capital; `null` where there
 * is none.
 */
export function fileNamed(typed: string, files: Iterable<{ id: string; name: string }>): Destination | null {
  const [, name = '', fragment = ''] = /^\s*([^#]*)(?:#(.*?))?\s*$/s.exec(typed) ?? [];
  const wanted = name.trim().toLowerCase();
  if (wanted === '') return null;
  for (const file of files)
    if (file.name.toLowerCase() === wanted)
      return { kind: 'file', enclosure: file.id, ...(fragment ? { fragment } : {}) };
  return null;
}
