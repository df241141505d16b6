import type { Landing } from './found-link.js';
import type { Piece, Spot } from '../pdfium/index.js';

/** How far a spot may be from the line of its words, in points. */
const NEAR = 3;
/** How much text is read at a spot, in UTF-16 units. */
const LENGTH = 300;

/** What stands where links of a PDF land: the words of the page itself, not what its maker says. */
export class PdfSpots {
  constructor(
    readonly pages: number,
    readonly piecesOn: (number: number) => readonly Piece[],
  ) {}

  /** What stands at a spot; `null` for one that is on no page. */
  landingAt({ page, left, top }: Spot): Landing | null {
    if (page < 1 || page > this.pages) return null;
    const landing = textAt(this.piecesOn(page), left, top);
    return { ...landing, ...this.#beyond(page, landing) };
  }

  /** A spot at the top of a page follows the words of the page before; at its foot, those of the next one follow. */
  #beyond(number: number, { before, after }: Landing): Pick<Landing, 'before' | 'after'> {
    const textOf = (page: number) => (page < 1 || page > this.pages ? '' : joined(this.piecesOn(page)));
    return {
      before: isFoot(before) ? textOf(number - 1).slice(-LENGTH) + before : before,
      after: isFoot(after) ? textOf(number + 1).slice(0, LENGTH) : after,
    };
  }
}

/**
 * The text from the line at a spot on, in the order of the page's content: the line whose top is nearest. Without a line
 * there, there is no text.
 */
function textAt(pieces: readonly Piece[], left: number, top: number): Landing {
  const isOnLine = ({ baseline, size }: Piece) =>
    top >= baseline - size * 0.25 - NEAR && top <= baseline + size + NEAR;
  const distanceOf = ({ baseline, size }: Piece) => Math.abs(top - baseline - size * 0.75);
  let first = pieces.length;
  let nearest = Infinity;
  pieces.forEach((piece, index) => {
    const distance = distanceOf(piece);
    if (distance >= nearest - 0.5 || !isOnLine(piece) || piece.box[2] < left - 1) return;
    first = index;
    nearest = distance;
  });
  const line = pieces.at(first)?.baseline;
  if (line === undefined) {
    const below = pieces.findIndex(({ baseline }) => baseline < top);
    const [above, under] = below < 0 ? [pieces, []] : [pieces.slice(0, below), pieces.slice(below)];
    return {
      text: '',
      within: 0,
      before: joined(above).slice(-LENGTH),
      after: joined(under).slice(0, LENGTH),
    };
  }
  first = lineStart(pieces, first, left);
  let text = '';
  let within = 0;
  for (const piece of pieces.slice(first)) {
    text += piece.text;
    // Beside a large heading, the sign of its list is small and stands higher.
    if (Math.abs(piece.baseline - line) < 1 || distanceOf(piece) < NEAR) within = text.length;
    if (text.length > LENGTH) break;
  }
  // A spot at the end of words stands on their line.
  const before = joined(pieces.slice(0, first)).slice(-LENGTH) + text.slice(0, within);
  return { text, within, before, after: text };
}

/** Signs in code, raised or small ones stand on a line with others, but not at quite the same height. */
const RAISED = 6;

/** Where the words of a line begin: the piece that is nearest to a spot need not be the first after it. */
function lineStart(pieces: readonly Piece[], nearest: number, left: number): number {
  const { baseline: line = 0, isLeftward = false } = pieces[nearest] ?? {};
  const isBefore = (piece: Piece | undefined) =>
    piece !== undefined &&
    Math.abs(piece.baseline - line) < RAISED &&
    (isLeftward || piece.box[2] >= left - 1);
  let start = nearest;
  while (isBefore(pieces[start - 1])) start--;
  return start;
}

export const joined = (pieces: readonly Piece[]): string => pieces.map(({ text }) => text).join('');

/** No words, or only the number of the page. */
const isFoot = (text: string): boolean => /^[\divxlc]{0,8}$/.test(text.replace(/[^\p{L}\p{N}]+/gu, ''));
