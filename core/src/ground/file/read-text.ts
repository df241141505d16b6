import type { Pdfium } from '../../pdfium/index.js';
import { boxOf, type PageFrame, type Rect } from '../frame.js';
import type { Line, PageText, Piece } from '../page-text.js';
import type { MarkedPiece } from './write-ground.js';
import type { Box } from '../../manuscript/index.js';

const IMAGE = 3;
const FORM = 5;
/** A picture that covers more of the page than this is its ground, not something on it. */
const GROUND = 0.95;
/** What PDFium gives for a hyphen at the end of a line. */
const HYPHENS = new Set([0x02, 0xfffe]);

/** The words and pictures of a page, as PDFium reads them. @param number from 1 */
export function readText(pdf: Pdfium, number: number, frame: PageFrame): PageText {
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) return { lines: [], pictures: [] };
  try {
    return { lines: linesOn(pdf, page, frame), pictures: picturesOn(pdf, page, frame) };
  } finally {
    calls.FPDF_ClosePage(page);
  }
}

const isWord = (sign: string): boolean => /[\p{L}\p{N}\p{M}]/u.test(sign);

function linesOn(pdf: Pdfium, page: number, frame: PageFrame): Line[] {
  const { calls } = pdf;
  const text = calls.FPDFText_LoadPage(page);
  if (text === 0) return [];
  try {
    const lines: Line[] = [];
    let line: (Piece & { rect: Rect })[] = [];
    const end = () => {
      const pieces = line.map(({ text: signs, x, y, width, height }) => ({
        text: signs,
        x,
        y,
        width,
        height,
      }));
      if (pieces.some((piece) => piece.text.trim() !== '')) lines.push(pieces);
      line = [];
    };
    const count = calls.FPDFText_CountChars(text);
    for (let index = 0; index < count; index++) {
      const code = calls.FPDFText_GetUnicode(text, index);
      if (code === 0x0d) continue;
      if (code === 0x0a) {
        end();
        continue;
      }
      const sign = HYPHENS.has(code) ? '-' : code < 0x20 ? ' ' : String.fromCodePoint(code);
      const last = line.at(-1);
      const isSpace = sign.trim() === '';
      const rect = isSpace ? null : rectOfSign(pdf, text, index);
      const box = rect && boxOf(frame, rect);
      if (!rect || !box) {
        if (last) last.text += isSpace ? ' ' : sign;
        continue;
      }
      const goesOn =
        last && !last.text.endsWith(' ') && isWord(last.text) === isWord(sign) && isOneLine(last, box);
      if (goesOn) {
        last.text += sign;
        last.rect = [
          Math.min(last.rect[0], rect[0]),
          Math.min(last.rect[1], rect[1]),
          Math.max(last.rect[2], rect[2]),
          Math.max(last.rect[3], rect[3]),
        ];
        Object.assign(last, boxOf(frame, last.rect));
      } else {
        if (last && !isOneLine(last, box)) end();
        line.push({ text: sign, ...box, rect });
      }
    }
    end();
    return lines;
  } finally {
    calls.FPDFText_ClosePage(text);
  }
}

/** Whether a sign stands on the line of a piece: their heights meet. */
const isOneLine = (one: Box, other: Box): boolean =>
  Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y) >
  Math.min(one.height, other.height) * 0.2;

/** The box of a sign as high as its font, so that all signs of a line are equally high. */
function rectOfSign(pdf: Pdfium, text: number, index: number): Rect | null {
  const { calls } = pdf;
  const sides = pdf.floats(4, (at) => calls.FPDFText_GetLooseCharBox(text, index, at));
  if (!sides) return null;
  // FS_RECTF: left, top, right, bottom.
  const [left = 0, top = 0, right = 0, bottom = 0] = sides;
  return [left, Math.min(bottom, top), right, Math.max(bottom, top)];
}

function picturesOn(pdf: Pdfium, page: number, frame: PageFrame): Box[] {
  const { calls } = pdf;
  const pictures: Box[] = [];
  for (let index = 0; index < calls.FPDFPage_CountObjects(page); index++) {
    const object = calls.FPDFPage_GetObject(page, index);
    const type = calls.FPDFPageObj_GetType(object);
    if (type !== IMAGE && type !== FORM) continue;
    const sides = pdf.floats(4, (at) => calls.FPDFPageObj_GetBounds(object, at, at + 4, at + 8, at + 12));
    const box = sides && boxOf(frame, [sides[0] ?? 0, sides[1] ?? 0, sides[2] ?? 0, sides[3] ?? 0]);
    if (box && box.width * box.height < GROUND) pictures.push(box);
  }
  return pictures;
}

const TEXT = 1;

/** What is drawn on a page within a marked content, in the order of the page, each piece with its number. @param number from 1 */
export function readMarked(pdf: Pdfium, number: number, frame: PageFrame): MarkedPiece[] {
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) return [];
  try {
    const pieces: MarkedPiece[] = [];
    const add = (object: number, rect: Rect | null) => {
      const content = calls.FPDFPageObj_GetMarkedContentID(object);
      const box = rect && content >= 0 ? boxOf(frame, rect) : null;
      if (box) pieces.push({ content, ...box });
    };
    const text = calls.FPDFText_LoadPage(page);
    for (let index = 0; index < calls.FPDFText_CountChars(text); index++) {
      const object = calls.FPDFText_GetTextObject(text, index);
      if (object !== 0 && calls.FPDFText_GetUnicode(text, index) > 0x20)
        add(object, rectOfSign(pdf, text, index));
    }
    calls.FPDFText_ClosePage(text);
    for (let index = 0; index < calls.FPDFPage_CountObjects(page); index++) {
      const object = calls.FPDFPage_GetObject(page, index);
      if (calls.FPDFPageObj_GetType(object) === TEXT) continue;
      const sides = pdf.floats(4, (at) => calls.FPDFPageObj_GetBounds(object, at, at + 4, at + 8, at + 12));
      add(object, sides && [sides[0] ?? 0, sides[1] ?? 0, sides[2] ?? 0, sides[3] ?? 0]);
    }
    return pieces;
  } finally {
    calls.FPDF_ClosePage(page);
  }
}
