import { PdfDict, PdfNumber, PdfRef, PdfString, type PdfObject } from '@libpdf/core';
import type { GroundFile } from './open.js';
import type { FileSpots, Target } from './spots.js';

/** An entry of the outline of a file (ISO 32000-1, 12.3.3). */
export interface FileEntry {
  from: string;
  dict: PdfDict;
  title: string;
  level: number;
  /** `null` for one that leads to no page of the file. */
  target: Target | null;
  isOpen: boolean;
}

/** Whether an entry leads to a page of its file. */
export const leadsToPage = (entry: FileEntry): entry is FileEntry & { target: Target } =>
  entry.target !== null;

const MOST_ENTRIES = 20_000;
const DEEPEST = 30;

/** The entries of the outline in their order, each once: a broken outline may go in a circle. */
export function outlineOf({ catalog, resolve }: GroundFile, spots: FileSpots): FileEntry[] {
  const root = resolve(catalog.get('Outlines'));
  if (!(root instanceof PdfDict)) return [];
  const entries: FileEntry[] = [];
  const seen = new Set<PdfObject>();
  const waiting: { given: PdfObject | undefined; level: number }[] = [{ given: root.get('First'), level: 1 }];
  while (waiting.length > 0 && entries.length < MOST_ENTRIES) {
    const { given, level } = waiting.pop()!;
    const dict = resolve(given);
    if (!(dict instanceof PdfDict) || seen.has(dict)) continue;
    seen.add(dict);
    const title = resolve(dict.get('Title'));
    entries.push({
      from: given instanceof PdfRef ? `${given.objectNumber}.${given.generation}` : '',
      dict,
      title: title instanceof PdfString ? title.asString().replace(/\s+/g, ' ').trim() : '',
      level,
      target: targetOf(dict, resolve, spots),
      isOpen: !(resolve(dict.get('Count')) instanceof PdfNumber) || countOf(dict, resolve) > 0,
    });
    if (dict.has('Next')) waiting.push({ given: dict.get('Next'), level });
    if (dict.has('First') && level < DEEPEST) waiting.push({ given: dict.get('First'), level: level + 1 });
  }
  return entries;
}

const countOf = (dict: PdfDict, resolve: GroundFile['resolve']): number =>
  dict.getNumber('Count', resolve)?.value ?? 0;

function targetOf(dict: PdfDict, resolve: GroundFile['resolve'], spots: FileSpots): Target | null {
  if (dict.has('Dest')) return spots.target(dict.get('Dest'));
  const action = resolve(dict.get('A'));
  return action instanceof PdfDict && action.getName('S', resolve)?.value === 'GoTo'
    ? spots.target(action.get('D'))
    : null;
}
