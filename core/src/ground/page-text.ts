import { boxAround, sharedBy, type Box } from '../manuscript/index.js';

/** A piece of a line: the signs of a word, or the signs between two words, and where they stand, in shares of the page. */
export interface Piece extends Box {
  text: string;
  /** Its words run down the page as it is shown (90, in degrees clockwise), or up (270). */
  turned?: 90 | 270;
  /** Where each sign begins, and where the last one ends, as shares of the length; left out where all are equally long. */
  edges?: readonly number[];
  /** Nobody sees it: it is drawn without ink, or behind a picture. */
  unseen?: true;
}

/** A line of words, in reading order. */
export type Line = readonly Piece[];

/** A picture or a drawing of a page. */
export interface Picture extends Box {
  /** By which the same picture is known in another file; left out where nothing can be told of it. */
  look?: string;
}

/** What stands on a page of a finished file. */
export interface PageText {
  lines: readonly Line[];
  pictures: readonly Picture[];
}

/** Of a page on which nothing stands, or of which nothing is asked. */
export const NO_TEXT: PageText = { lines: [], pictures: [] };

export const wordsOfLine = (line: Line): string => line.map(({ text }) => text).join('');

/** The words of a page, a line each. */
export const wordsOfPage = ({ lines }: PageText): string => lines.map(wordsOfLine).join('\n');

/** How much of a piece has to lie in a box to stand in it, as a share of the piece. */
const ENOUGH = 0.5;

/** The words that stand in some boxes of a page, with one space between lines. */
export function wordsIn({ lines }: PageText, boxes: readonly Box[]): string {
  const [top, bottom] = [
    Math.min(...boxes.map(({ y }) => y)),
    Math.max(...boxes.map(({ y, height }) => y + height)),
  ];
  const found = lines.flatMap((line) => {
    if (!line.some(({ y, height }) => y < bottom && y + height > top)) return [];
    const words = line
      .filter((piece) =>
        boxes.some((box) => sharedBy(piece, box) / (piece.width * piece.height || 1) >= ENOUGH),
      )
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

/** The boxes of a stretch of words: one for each line. */
export function boxesOf({ lines }: PageText, stretches: readonly Stretch[]): Box[] {
  return stretches.flatMap(({ line, from, to }) => {
    const parts: Box[] = [];
    let at = 0;
    for (const piece of lines[line] ?? []) {
      const [start, end] = [Math.max(from, at), Math.min(to, at + piece.text.trimEnd().length)];
      if (end > start) parts.push(boxOfSigns(piece, start - at, end - at));
      at += piece.text.length;
    }
    return parts.length > 0 ? [boxAround(parts)] : [];
  });
}

function boxOfSigns(piece: Piece, from: number, to: number): Box {
  const { text, turned, edges, x, y, width, height } = piece;
  const signs = text.trimEnd().length;
  const edge = (at: number) => edges?.[at] ?? at / signs;
  // Words that are written from right to left begin at their right edge, those that run up at their lower one.
  const [begin, end] = [Math.min(edge(from), edge(to)), Math.max(edge(from), edge(to))];
  return turned
    ? { x, y: y + begin * height, width, height: (end - begin) * height }
    : { x: x + begin * width, y, width: (end - begin) * width, height };
}

/** How high the type of a piece is, as a share of the height of the page; of one that runs up or down it is not told. */
export const typeHeight = ({ height, turned }: Piece): number => (turned ? 0 : height);
