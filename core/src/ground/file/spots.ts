import { PdfArray, PdfDict, PdfName, PdfNumber, PdfRef, PdfString, type PdfObject } from '@libpdf/core';
import { shownAt } from '../frame.js';
import type { GroundFile } from './open.js';
import { pairsIn } from './tree.js';

/** Where a destination of a file leads: a page by its index, and a spot of it in shares, where one is given. */
export interface Target {
  page: number;
  spot: { x: number; y: number; zoom: number | null } | null;
}

const kept = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 100_000) / 100_000;

/** What the destinations of a file are and where they lead (ISO 32000-1, 12.3.2). */
export class FileSpots {
  readonly #file: GroundFile;
  readonly #pages: ReadonlyMap<string, number>;
  #named: ReadonlyMap<string, Target> | null = null;

  constructor(file: GroundFile) {
    this.#file = file;
    this.#pages = new Map(file.pages.map(({ ref }, index) => [ref.toString(), index]));
  }

  /** Every destination that has a name and leads to a page, in the order of the file. */
  get named(): ReadonlyMap<string, Target> {
    return (this.#named ??= this.#readNamed());
  }

  /** The name by which a destination is given, if it is. */
  nameOf(given: PdfObject | undefined): string | null {
    const object = this.#file.resolve(given);
    if (object instanceof PdfString) return object.asString();
    return object instanceof PdfName ? object.value : null;
  }

  /** Where a destination leads; `null` for one that leads nowhere. */
  target(given: PdfObject | undefined): Target | null {
    const name = this.nameOf(given);
    return name === null ? this.#explicit(given) : (this.named.get(name) ?? null);
  }

  #explicit(given: PdfObject | undefined): Target | null {
    const { resolve, pages } = this.#file;
    let array = resolve(given);
    if (array instanceof PdfDict) array = resolve(array.get('D'));
    if (!(array instanceof PdfArray)) return null;
    const [page, kind, ...numbers] = array.toArray();
    const index =
      page instanceof PdfRef
        ? (this.#pages.get(page.toString()) ?? -1)
        : page instanceof PdfNumber
          ? page.value
          : -1;
    const frame = pages[index]?.frame;
    if (!frame) return null;
    const number = (at: number): number | null => {
      const value = resolve(numbers[at]);
      return value instanceof PdfNumber ? value.value : null;
    };
    const name = kind instanceof PdfName ? kind.value : '';
    const [left, top, zoom] =
      name === 'XYZ'
        ? [number(0), number(1), number(2)]
        : name === 'FitH' || name === 'FitBH'
          ? [null, number(0), null]
          : name === 'FitV' || name === 'FitBV'
            ? [number(0), null, null]
            : name === 'FitR'
              ? [number(0), number(3), null]
              : [null, null, null];
    if (left === null && top === null && !zoom) return { page: index, spot: null };
    const { x, y } = shownAt(frame, { x: left ?? frame.crop[0], y: top ?? frame.crop[3] });
    // Its upper left corner is the page.
    if (kept(x) === 0 && kept(y) === 0 && !zoom) return { page: index, spot: null };
    return {
      page: index,
      spot: { x: kept(x), y: kept(y), zoom: zoom && zoom > 0 && zoom <= 64 ? zoom : null },
    };
  }

  #readNamed(): Map<string, Target> {
    const { catalog, resolve } = this.#file;
    const named = new Map<string, Target>();
    const add = (name: string, given: PdfObject | undefined) => {
      const target = named.has(name) ? null : this.#explicit(given);
      if (target) named.set(name, target);
    };
    const names = resolve(catalog.get('Names'));
    const tree = names instanceof PdfDict ? names.get('Dests') : undefined;
    for (const [name, given] of pairsIn(tree, 'Names', resolve))
      if (name instanceof PdfString) add(name.asString(), given);
    // Files of PDF 1.1 keep them in the catalog.
    const old = resolve(catalog.get('Dests'));
    if (old instanceof PdfDict) for (const [name, given] of old) add(name.value, given);
    return named;
  }
}

/** The labels of the pages (ISO 32000-1, 12.4.2); empty where a page is called by its number. */
export function labelsIn({ catalog, resolve, pages }: GroundFile): string[] {
  const ranges = new Map<number, PdfDict>();
  for (const [index, given] of pairsIn(catalog.get('PageLabels'), 'Nums', resolve)) {
    const range = resolve(given);
    if (index instanceof PdfNumber && range instanceof PdfDict) ranges.set(index.value, range);
  }
  let range: PdfDict | null = null;
  let begin = 0;
  return pages.map((_, index) => {
    const here = ranges.get(index);
    if (here) [range, begin] = [here, index];
    if (!range) return '';
    const text = (key: string) => {
      const value = resolve(range?.get(key));
      return value instanceof PdfString ? value.asString() : value instanceof PdfName ? value.value : '';
    };
    const start = resolve(range.get('St'));
    const number = index - begin + (start instanceof PdfNumber ? start.value : 1);
    const label = text('P') + numeral(text('S'), number);
    return label === String(index + 1) ? '' : label.slice(0, 60);
  });
}

const ROMAN: readonly [number, string][] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

/** A number in the style of a page label (ISO 32000-1, table 159). */
function numeral(style: string, number: number): string {
  if (style === 'D') return String(number);
  if (style === 'r' || style === 'R') {
    let [rest, text] = [Math.min(number, 4_000), ''];
    for (const [value, sign] of ROMAN)
      while (rest >= value) {
        text += sign;
        rest -= value;
      }
    return style === 'R' ? text.toUpperCase() : text;
  }
  if (style === 'a' || style === 'A') {
    const letter = String.fromCharCode((style === 'a' ? 97 : 65) + ((number - 1) % 26));
    return letter.repeat(Math.min(20, Math.floor((number - 1) / 26) + 1));
  }
  return '';
}
