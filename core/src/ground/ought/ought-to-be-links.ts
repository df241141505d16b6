import { navigationWords } from '../../language/index.js';
import { overlapOf, type Box, type GroundPageAttrs } from '../../manuscript/index.js';
import { boxesOf, wordsOfLine } from '../page-text.js';
import { printedAddresses } from './addresses.js';
import { contentsLines } from './contents.js';
import { notes } from './notes.js';
import { overlaid } from './overlaid.js';
import type { Found, OughtToBeLink, PagesRead, Reading } from './ought.js';
import { references } from './references.js';
import { ways } from './ways.js';

/**
 * What of pages ought to be a link and is none, in reading order: printed addresses and numbers of books, lines of contents, references,
 * notes and their marks, ways that were written or drawn by hand, unseen words over pictures. Where a link lies already, nothing is told.
 * Common practice (no source).
 */
export function oughtToBeLinks(read: PagesRead): OughtToBeLink[] {
  const reading: Reading = {
    ...read,
    lines: read.texts.map(({ lines }) => lines.map(wordsOfLine)),
    words: navigationWords(read.language),
    byName: pagesByName(read.pages),
  };
  const contents = contentsLines(reading);
  const kept = new Kept(reading);
  // What is found first at a spot stays.
  for (const found of [
    overlaid(reading),
    addresses(reading),
    contents,
    references(reading),
    notes(reading),
    ways(reading, contents),
  ])
    for (const one of found) kept.put(one);
  return kept.inOrder();
}

const addresses = ({ pages, lines }: Reading): Found[] =>
  pages.flatMap(({ number: page }, index) =>
    (lines[index] ?? []).flatMap((line, row) =>
      printedAddresses(line).map(({ start, end, ...more }): Found => {
        const at = { line: row, from: start, to: end };
        return { ...more, page, at, words: line.slice(start, end) };
      }),
    ),
  );

/** Pages by what they are called, in small letters; of several of one name the first. */
function pagesByName(pages: readonly GroundPageAttrs[]): Map<string, GroundPageAttrs> {
  const named = new Map<string, GroundPageAttrs>();
  for (const page of pages) {
    const name = (page.label || String(page.number)).toLowerCase();
    if (!named.has(name)) named.set(name, page);
  }
  return named;
}

/** What lies over no link and over nothing that was found before. */
class Kept {
  readonly #found: { order: readonly number[]; link: OughtToBeLink }[] = [];
  readonly #boxes = new Map<number, Box[]>();

  constructor(readonly reading: Reading) {}

  put({ page, at, also = [], words, destination, spot, ...more }: Found): void {
    const text = this.reading.texts[page - 1];
    const sheet = this.reading.pages[page - 1];
    if (!text || !sheet) return;
    const isPicture = !('line' in at);
    const lines = isPicture ? [withinPage(at)] : boxesOf(text, [at]);
    const [first] = lines;
    const before = this.#boxes.get(page) ?? [];
    if (!first || lines.some((line) => [...sheet.areas, ...before].some((other) => overlaps(line, other))))
      return;
    this.#boxes.set(page, [...before, ...lines]);
    const key = isPicture
      ? `${page}-picture-${Math.round(at.x * 1000)}-${Math.round(at.y * 1000)}`
      : `${page}-${at.line}-${at.from}`;
    const link = { key, page, also: also.filter((one) => this.#isFree(one, first)), words, lines, isPicture };
    const order = isPicture ? [page, Infinity, at.y] : [page, at.line, at.from];
    this.#found.push({ order, link: { ...link, destination, spot: spot ?? null, ...more } });
  }

  inOrder(): OughtToBeLink[] {
    const compared = (one: readonly number[], other: readonly number[]): number => {
      const at = one.findIndex((part, index) => part !== other[index]);
      return at < 0 ? 0 : (one[at] ?? 0) - (other[at] ?? 0);
    };
    return this.#found.toSorted((one, other) => compared(one.order, other.order)).map(({ link }) => link);
  }

  #isFree(page: number, box: Box): boolean {
    return this.reading.pages[page - 1]?.areas.every((area) => overlapOf(area, box) < 0.2) ?? false;
  }
}

/** The part of a box that is on the page. */
function withinPage({ x, y, width, height }: Box): Box {
  const [left, top] = [Math.max(0, x), Math.max(0, y)];
  return { x: left, y: top, width: Math.min(1, x + width) - left, height: Math.min(1, y + height) - top };
}

const overlaps = (one: Box, other: Box): boolean => {
  const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
  return across > one.width * 0.2 && down > one.height * 0.2;
};
