import { PdfArray, PdfDict, PdfName, PdfNull, PdfNumber, PdfRef, PdfString } from '@libpdf/core';
import { userAt } from '../frame.js';
import type { GroundFile } from './open.js';
import type { FileEntry } from './outline.js';

/** An entry of the outline as it is to be. */
export interface WantedEntry {
  title: string;
  level: number;
  /** The index of its page, and where on it, in shares. */
  page: number;
  y: number | null;
  /** The entry of the file that it was. */
  from: string | null;
}

/** Writes the outline anew (ISO 32000-1, 12.3.3). An entry that was in the file keeps its colour, its weight and what it does. */
export function writeOutline(
  file: GroundFile,
  old: readonly FileEntry[],
  wanted: readonly WantedEntry[],
): void {
  const { pdf, catalog, resolve, pages } = file;
  if (wanted.length === 0) {
    catalog.delete('Outlines');
    return;
  }
  const known = new Map(old.map((entry) => [entry.from, entry]));
  const given = resolve(catalog.get('Outlines'));
  const root = given instanceof PdfDict ? given : PdfDict.of({ Type: PdfName.of('Outlines') });
  const rootGiven = catalog.get('Outlines');
  const rootRef = rootGiven instanceof PdfRef ? rootGiven : pdf.context.register(root);
  if (rootRef !== rootGiven) catalog.set('Outlines', rootRef);
  interface Item {
    dict: PdfDict;
    ref: PdfRef;
    kids: Item[];
    isOpen: boolean;
  }
  const top: Item = { dict: root, ref: rootRef, kids: [], isOpen: true };
  const above: { item: Item; level: number }[] = [{ item: top, level: 0 }];
  for (const { title, level, page, y, from } of wanted) {
    const before = from ? known.get(from) : undefined;
    const [number, generation] = (from ?? '').split('.').map(Number);
    const dict = before?.dict ?? new PdfDict();
    const ref =
      before && number !== undefined && generation !== undefined && !Number.isNaN(number)
        ? PdfRef.of(number, generation)
        : pdf.context.register(dict);
    for (const key of ['First', 'Last', 'Next', 'Prev', 'Count', 'Parent']) dict.delete(key);
    if (before?.title !== title) dict.set('Title', PdfString.fromString(title));
    const sheet = pages[page];
    if (sheet && (before?.target?.page !== page || (before.target.spot?.y ?? null) !== y)) {
      const at = userAt(sheet.frame, { x: 0, y: y ?? 0 });
      dict.delete('A');
      dict.set(
        'Dest',
        new PdfArray([
          sheet.ref,
          PdfName.of('XYZ'),
          PdfNull.instance,
          PdfNumber.of(round(at.y)),
          PdfNull.instance,
        ]),
      );
    }
    while (above.length > 1 && (above.at(-1)?.level ?? 0) >= level) above.pop();
    const item: Item = { dict, ref, kids: [], isOpen: before?.isOpen ?? true };
    above.at(-1)?.item.kids.push(item);
    above.push({ item, level });
  }
  const link = (item: Item): number => {
    const { dict, kids } = item;
    let shown = 0;
    kids.forEach((kid, at) => {
      kid.dict.set('Parent', item.ref);
      const [before, after] = [kids[at - 1], kids[at + 1]];
      if (before) kid.dict.set('Prev', before.ref);
      if (after) kid.dict.set('Next', after.ref);
      shown += 1 + link(kid);
    });
    const [first, last] = [kids[0], kids.at(-1)];
    if (!first || !last) {
      for (const key of ['First', 'Last', 'Count']) dict.delete(key);
      return 0;
    }
    dict.set('First', first.ref);
    dict.set('Last', last.ref);
    dict.set('Count', PdfNumber.of(item.isOpen ? shown : -shown));
    return item.isOpen ? shown : 0;
  };
  link(top);
}

const round = (value: number): number => Math.round(value * 1000) / 1000;
