import { boxAround, type Box } from '../manuscript/index.js';

/** A piece of a line: the signs of a word, or the signs between two words, and where they stand, in shares of the page. */
export interface Piece extends Box {
  text: string;
}

/** A line of words, in reading order. */
export type Line = readonly Piece[];

/** What stands on a page of a finished file. */
export interface PageText {
  lines: readonly Line[];
  pictures: readonly Box[];
}

export const wordsOfLine = (line: Line): string => line.map(({ text }) => text).join('');

/** The words of a page, a line each. */
export const wordsOfPage = ({ lines }: PageText): string => lines.map(wordsOfLine).join('\n');

/** How much of a piece has to lie in a box to stand in it, as a share of the piece. */
const ENOUGH = 0.5;

const overlap = (one: Box, other: Box): number => {
  const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
  return across <= 0 || down <= 0 ? 0 : (across * down) / (one.width * one.height || 1);
};

/** The words that stand in some boxes of a page, with one space between lines. */
export function wordsIn({ lines }: PageText, boxes: readonly Box[]): string {
  const found = lines.flatMap((line) => {
    const words = line
      .filter((piece) => boxes.some((box) => overlap(piece, box) >= ENOUGH))
      .map(({ text }) => text)
      .join('')
      .trim();
    return words === '' ? [] : [words];
  });
  return joined(found);
}

/** Lines as running words: a word that is divided at the end of a line is one again. */
export function joined(lines: readonly string[]): string {
  return lines.reduce((text, line) => {
    const divided = /\p{L}[-\u00ad\u2010]$/u.test(text) && /^\p{Ll}/u.test(line);
    return divided ? text.slice(0, -1) + line : text === '' ? line : `${text} ${line}`;
  }, '');
}

/** A stretch of the words of a page, by the signs of each line. */
export interface Stretch {
  line: number;
  from: number;
  to: number;
}

/** The boxes of a stretch of words: one for each line. Within a piece, signs are taken to be equally wide. */
export function boxesOf({ lines }: PageText, stretches: readonly Stretch[]): Box[] {
  return stretches.flatMap(({ line, from, to }) => {
    const parts: Box[] = [];
    let at = 0;
    for (const piece of lines[line] ?? []) {
      const [start, end] = [Math.max(from, at), Math.min(to, at + piece.text.length)];
      if (end > start && piece.text.trim() !== '') {
        const sign = piece.width / piece.text.length;
        const { x, y, height } = piece;
        parts.push({ x: x + (start - at) * sign, y, width: (end - start) * sign, height });
      }
      at += piece.text.length;
    }
    return parts.length > 0 ? [boxAround(parts)] : [];
  });
}
