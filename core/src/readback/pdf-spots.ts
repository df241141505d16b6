import type { PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Landing } from './found-link.js';
import type { PdfText } from './pdf-text.js';

/** A piece of text as it stands on a page: its ends, its baseline and its size, in points from the lower left corner. */
interface Piece {
  text: string;
  right: number;
  baseline: number;
  size: number;
  /** Its words run from right to left. */
  isLeftward: boolean;
}

/** How far a spot may be from the line of its words, in points. */
const NEAR = 3;
/** How much text is read at a spot, in UTF-16 units. */
const LENGTH = 300;

/** Where the destinations of a PDF lead, by what stands there: the words of the page itself, not what its maker says. */
export class PdfSpots {
  constructor(
    readonly document: PDFDocumentProxy,
    readonly text: PdfText,
  ) {}

  /** What stands where a destination leads, by its name or itself; `null` for one that leads to no page. */
  async landingOf(dest: unknown): Promise<Landing | null> {
    const explicit: unknown = typeof dest === 'string' ? await this.document.getDestination(dest) : dest;
    if (!Array.isArray(explicit)) return null;
    // `/XYZ left top zoom`, from the lower left corner (ISO 32000-1, 12.3.2.2).
    const [reference, , left, top] = explicit as [{ num: number; gen: number }, unknown, number, number];
    const number = (await this.document.getPageIndex(reference).catch(() => -1)) + 1;
    if (number === 0) return null;
    const landing = textAt(await this.#piecesOn(number), Number(left), Number(top));
    return { ...landing, ...(await this.#beyond(number, landing)) };
  }

  /** A spot at the top of a page follows the words of the page before; at its foot, those of the next one follow. */
  async #beyond(number: number, { before, after }: Landing): Promise<Pick<Landing, 'before' | 'after'>> {
    const textOf = async (page: number) =>
      page < 1 || page > this.document.numPages ? '' : joined(await this.#piecesOn(page));
    return {
      before: isFoot(before) ? (await textOf(number - 1)).slice(-LENGTH) + before : before,
      after: isFoot(after) ? (await textOf(number + 1)).slice(0, LENGTH) : after,
    };
  }

  async #piecesOn(number: number): Promise<Piece[]> {
    return (await this.text.on(number)).flatMap((item) => {
      if (!('str' in item) || item.str === '') return [];
      const [, , , size = 0, left = 0, baseline = 0] = item.transform as number[];
      return [{ text: item.str, right: left + item.width, baseline, size, isLeftward: item.dir === 'rtl' }];
    });
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
    if (distance >= nearest - 0.5 || !isOnLine(piece) || piece.right < left - 1) return;
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
    (isLeftward || piece.right >= left - 1);
  let start = nearest;
  while (isBefore(pieces[start - 1])) start--;
  return start;
}

const joined = (pieces: readonly Piece[]): string => pieces.map(({ text }) => text).join('');

/** No words, or only the number of the page. */
const isFoot = (text: string): boolean => /^[\divxlc]{0,8}$/.test(text.replace(/[^\p{L}\p{N}]+/gu, ''));
