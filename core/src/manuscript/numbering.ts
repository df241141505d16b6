import type { Matter } from './book.js';
import type { Spot } from './spots.js';
import type { Numbering } from './structure.js';

/** The number of a place, bare (`3.2`, `IV`), and how many levels of counted headings it is deep. */
export interface PlaceNumber {
  number: string;
  depth: number;
}

/**
 * The numbers of a book's headings, figures and tables by their ids.
 *
 * Headings are counted in the main text by their order and depth; a level that is jumped over is not counted. Front
 * matter has no numbers, and in back matter letters stand for the first level (common practice for appendices). In parts,
 * the first level is counted in Roman figures and the second through all parts. What stands under a heading that is not
 * counted is not counted. Figures and tables with a caption are counted through the book.
 */
export function numbersOf(
  chapters: readonly { matter: Matter; spots: readonly Spot[] }[],
  scheme: Numbering,
): Map<string, PlaceNumber> {
  const numbers = new Map<string, PlaceNumber>();
  if (scheme === 'none') return numbers;
  const counters = {
    main: new HeadingCounter(scheme === 'parts' ? partsNumber : decimalNumber, scheme === 'parts'),
    back: new HeadingCounter(letteredNumber, false),
  };
  const captioned = { figure: 0, table: 0 };
  for (const { matter, spots } of chapters)
    for (const { id, kind, level, counted } of spots) {
      if (kind === 'heading' && matter !== 'front') {
        const made = counters[matter].next(level ?? 1, counted);
        if (made) numbers.set(id, made);
      } else if ((kind === 'figure' || kind === 'table') && counted)
        numbers.set(id, { number: String((captioned[kind] += 1)), depth: 0 });
    }
  return numbers;
}

class HeadingCounter {
  /** The headings that are open: their levels, and whether they are counted. */
  readonly #open: { level: number; counted: boolean }[] = [];
  readonly #counts: number[] = [];

  constructor(
    readonly write: (counts: readonly number[]) => string,
    readonly through: boolean,
  ) {}

  next(level: number, counted: boolean): PlaceNumber | null {
    while ((this.#open.at(-1)?.level ?? 0) >= level) this.#open.pop();
    const above = this.#open.every((heading) => heading.counted);
    this.#open.push({ level, counted });
    if (!counted || !above) return null;
    const depth = this.#open.length;
    // The second level of a book in parts goes on from part to part.
    const kept = this.through && depth === 1 ? 2 : depth;
    this.#counts.length = Math.min(this.#counts.length, kept);
    while (this.#counts.length < depth) this.#counts.push(0);
    this.#counts[depth - 1] = (this.#counts[depth - 1] ?? 0) + 1;
    return { number: this.write(this.#counts.slice(0, depth)), depth };
  }
}

const decimalNumber = (counts: readonly number[]): string => counts.join('.');
const letteredNumber = ([first = 0, ...more]: readonly number[]): string =>
  [letters(first), ...more].join('.');
const partsNumber = ([part = 0, ...more]: readonly number[]): string =>
  more.length === 0 ? roman(part) : more.join('.');

/** A, B, … Z, AA, AB, … */
function letters(count: number): string {
  const last = String.fromCharCode(65 + ((count - 1) % 26));
  return count > 26 ? letters(Math.floor((count - 1) / 26)) + last : last;
}

const ROMAN: readonly (readonly [number, string])[] = Object.entries({
  M: 1000,
  CM: 900,
  D: 500,
  CD: 400,
  C: 100,
  XC: 90,
  L: 50,
  XL: 40,
  X: 10,
  IX: 9,
  V: 5,
  IV: 4,
  I: 1,
}).map(([figure, value]) => [value, figure]);

/** Roman figures. */
export function roman(count: number): string {
  const row = ROMAN.find(([value]) => value <= count);
  return row ? row[1] + roman(count - row[0]) : '';
}
