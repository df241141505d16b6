import { boxAround } from '../manuscript/index.js';
import { joined, typeHeight, wordsOfLine, type Line, type PageText } from './page-text.js';

/** A heading that was found by the size of its type. */
export interface FoundHeading {
  title: string;
  level: number;
  /** From 1. */
  page: number;
  /** Where it stands, as a share of the page. */
  y: number;
}

/** How much larger than the rest a line has to be, and how long it may be, in signs. */
const LARGER = 1.18;
const LONGEST = 160;
const DEEPEST = 3;

/** How high the type of a line is. */
export const heightOf = (line: Line): number => Math.max(...line.map(typeHeight));
/** Heights are told apart by a fifth of a point on a page of 842 points. */
const rounded = (height: number): number => Math.round(height * 4_000) / 4_000;

/** How high the type is in which most signs of some pages are set; 0 where there are none. */
export function usualHeight(pages: readonly PageText[]): number {
  const signs = new Map<number, number>();
  for (const { lines } of pages)
    for (const line of lines) {
      const height = rounded(heightOf(line));
      signs.set(height, (signs.get(height) ?? 0) + wordsOfLine(line).trim().length);
    }
  return [...signs].reduce((one, other) => (other[1] > one[1] ? other : one), [0, 0])[0];
}

/** The headings of pages: lines in larger type than most of the text is set in, the largest first in rank. Common practice (no source). */
export function headingsIn(pages: readonly PageText[]): FoundHeading[] {
  const body = usualHeight(pages);
  if (body === 0) return [];
  const found: (FoundHeading & { height: number; bottom: number })[] = [];
  pages.forEach(({ lines }, index) => {
    for (const line of lines) {
      const height = rounded(heightOf(line));
      const title = wordsOfLine(line).replace(/\s+/g, ' ').trim();
      if (height < body * LARGER || title.length > LONGEST || !/\p{L}{2}/u.test(title)) continue;
      const box = boxAround(line);
      const last = found.at(-1);
      // A heading that runs over two lines is one.
      const goesOn =
        last?.page === index + 1 &&
        last.height === height &&
        box.y - last.bottom < height * 0.8 &&
        box.y > last.y;
      if (goesOn) {
        last.title = joined([last.title, title]);
        last.bottom = box.y + box.height;
      } else found.push({ title, level: 1, page: index + 1, y: box.y, height, bottom: box.y + box.height });
    }
  });
  const sizes = [...new Set(found.map(({ height }) => height))].sort((a, b) => b - a);
  return found.flatMap(({ title, page, y, height }) => {
    const level = sizes.indexOf(height) + 1;
    return level <= DEEPEST ? [{ title, level, page, y: Math.max(0, y) }] : [];
  });
}
