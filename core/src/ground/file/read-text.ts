import type { Pdfium } from '../../pdfium/index.js';
import { boxOf, type PageFrame, type Rect } from '../frame.js';
import { NO_TEXT, type Line, type PageText, type Picture, type Piece } from '../page-text.js';
import { lookOf } from './look.js';
import type { MarkedPiece } from './write-ground.js';
import { boxAround, sharedBy, type Box } from '../../manuscript/index.js';

const IMAGE = 3;
const FORM = 5;
/** How text is drawn without ink: not at all, or as a hole for what comes after it (ISO 32000-1, table 106). */
const WITHOUT_INK = new Set([3, 7]);
const FILLED = 0;
/** So much of a sign lies behind a picture when nobody sees it. */
const BEHIND = 0.9;
/** Signs of a line are of one piece as long as their heights differ by no more than this: the mark of a note is one of its own. */
const SMALLER = 0.85;
/** A picture that covers more of the page than this is its ground, not something on it. */
const GROUND = 0.95;
/** Of so many pictures of a page at most it is told what they look like. */
const LOOKED_AT = 24;
/** What PDFium gives for a hyphen at the end of a line. */
const HYPHENS = new Set([0x02, 0xfffe]);

/** The words and pictures of a page, as PDFium reads them. @param number from 1 */
export function readText(pdf: Pdfium, number: number, frame: PageFrame): PageText {
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) return NO_TEXT;
  try {
    const drawn = drawnOn(pdf, page, frame);
    const pictures = drawn
      .filter(({ isGround }) => !isGround)
      .map(({ box, picture }, at): Picture => {
        const look = at < LOOKED_AT ? lookOf(pdf, page, picture, box) : undefined;
        return look === undefined ? box : { ...box, look };
      });
    return { lines: linesOn(pdf, page, frame, new Ink(pdf, page, drawn)), pictures };
  } finally {
    calls.FPDF_ClosePage(page);
  }
}

const words = new Map<number, boolean>();

/** Whether a sign is of a word, by its code. */
function isOfWord(code: number): boolean {
  let known = words.get(code);
  if (known === undefined) words.set(code, (known = /[\p{L}\p{N}\p{M}]/u.test(String.fromCodePoint(code))));
  return known;
}

/** A piece while its signs are read. */
interface Reading extends Box {
  text: string;
  isWord: boolean;
  isUnseen: boolean;
  turn: Turn;
  /** Where each sign begins and ends along its line, in shares of the page, the lesser first. */
  sides: number[];
}

/** By how much words are turned as the page is shown, in degrees clockwise. */
type Turn = 0 | 90 | 180 | 270;

/** A box as it would be if its words ran from left to right or the other way. */
const level = (box: Box, turn: Turn): Box =>
  turn % 180 === 0 ? box : { x: box.y, y: box.x, width: box.height, height: box.width };

function linesOn(pdf: Pdfium, page: number, frame: PageFrame, ink: Ink): Line[] {
  const { calls } = pdf;
  const text = calls.FPDFText_LoadPage(page);
  if (text === 0) return [];
  try {
    const lines: Line[] = [];
    let line: Reading[] = [];
    const end = () => {
      if (line.length > 0) lines.push(line.map(pieceOf));
      line = [];
    };
    const turns = new Turns(pdf, text, frame);
    /** PDFium ends a line before and behind a raised sign, too. */
    let isEnded = false;
    const count = calls.FPDFText_CountChars(text);
    for (let index = 0; index < count; index++) {
      const code = calls.FPDFText_GetUnicode(text, index);
      if (code === 0x0d) continue;
      if (code === 0x0a) {
        isEnded = true;
        continue;
      }
      const sign = HYPHENS.has(code) ? '-' : code < 0x20 ? ' ' : String.fromCodePoint(code);
      const isSpace = sign.trim() === '';
      const rect = isSpace ? null : rectOfSign(pdf, text, index);
      const box = rect && boxOf(frame, rect);
      const object = box ? calls.FPDFText_GetTextObject(text, index) : 0;
      const turn = box ? turns.of(object, index) : 0;
      if (isEnded && box) {
        if (!goesOnBeside(line, box, turn)) end();
        isEnded = false;
      }
      const last = line.at(-1);
      if (!box) {
        if (last) last.text += isSpace ? ' ' : sign;
        continue;
      }
      const isUnseen = ink.isUnseen(object, box);
      const isWord = isOfWord(code);
      const [flat, before] = [level(box, turn), last && level(last, turn)];
      const isBeside = before !== undefined && last?.turn === turn && isOneLine(before, flat);
      const goesOn =
        isBeside &&
        last.isWord === isWord &&
        last.isUnseen === isUnseen &&
        !last.text.endsWith(' ') &&
        Math.min(before.height, flat.height) >= Math.max(before.height, flat.height) * SMALLER;
      if (goesOn) widen(last, box);
      else if (last && !isBeside) end();
      const piece = goesOn ? last : { text: '', ...box, isWord, isUnseen, turn, sides: [] };
      if (!goesOn) line.push(piece);
      piece.text += sign;
      for (let unit = 0; unit < sign.length; unit++) piece.sides.push(flat.x, flat.x + flat.width);
    }
    end();
    return lines;
  } finally {
    calls.FPDFText_ClosePage(text);
  }
}

/** By how much the words of a page are turned, each text object read once. */
class Turns {
  readonly #known = new Map<number, Turn>();

  constructor(
    readonly pdf: Pdfium,
    readonly text: number,
    readonly frame: PageFrame,
  ) {}

  /** @param index of a sign of the object */
  of(object: number, index: number): Turn {
    let turn = this.#known.get(object);
    if (turn === undefined) {
      // Counter-clockwise in user space, in radians.
      const angle = this.pdf.calls.FPDFText_GetCharAngle(this.text, index);
      const quarters = Math.round(this.frame.rotate / 90 - Math.max(0, angle) / (Math.PI / 2));
      turn = ((((quarters % 4) + 4) % 4) * 90) as Turn;
      this.#known.set(object, turn);
    }
    return turn;
  }
}

/** Makes a piece so large that a box lies in it. */
function widen(piece: Reading, { x, y, width, height }: Box): void {
  const right = Math.max(piece.x + piece.width, x + width);
  const bottom = Math.max(piece.y + piece.height, y + height);
  piece.x = Math.min(piece.x, x);
  piece.y = Math.min(piece.y, y);
  piece.width = right - piece.x;
  piece.height = bottom - piece.y;
}

/** How far a sign may be from the one before it to stand beside it, in heights of the line. */
const BESIDE = 0.5;

/** Whether a sign stands on a line, right behind its end. */
function goesOnBeside(line: readonly Reading[], given: Box, turn: Turn): boolean {
  const before = line.at(-1);
  // Words that run up or from right to left are rare, and no notes are marked in them.
  if (before?.turn !== turn || turn >= 180) return false;
  const [all, last, box] = [level(boxAround(line), turn), level(before, turn), level(given, turn)];
  const gap = box.x - (last.x + last.width);
  return isOneLine(all, box) && gap > -all.height * BESIDE && gap < all.height * BESIDE;
}

/** Edges are kept where a sign is further than this from where it would be if all were equally wide, as a share of its piece. */
const EXACT = 0.004;

function pieceOf({ text, x, y, width, height, isUnseen, turn, sides }: Reading): Piece {
  const piece: Piece = { text, x, y, width: short(width), height: short(height) };
  if (isUnseen) piece.unseen = true;
  if (turn === 90 || turn === 270) piece.turned = turn;
  const signs = sides.length / 2;
  if (signs !== text.trimEnd().length || signs < 2) return piece;
  const isBackwards = sides[0]! > sides[sides.length - 2]!;
  const { x: start, width: length } = level(piece, turn);
  const edges: number[] = [];
  let isEven = !isBackwards;
  for (let at = 0; at <= signs; at++) {
    // Each sign begins at its lesser side, and where words run backwards at the other; the last one ends at the one that is left.
    const side = at < signs ? sides[at * 2 + Number(isBackwards)]! : sides[at * 2 - 1 - Number(isBackwards)]!;
    const edge = (side - start) / length;
    isEven &&= Math.abs(edge - at / signs) <= EXACT;
    edges.push(Math.round(edge * 1000) / 1000);
  }
  if (!isEven) piece.edges = edges;
  return piece;
}

/** A millionth of a page is a hundredth of a point on the longest page there is. */
const short = (length: number): number => Math.round(length * 1e6) / 1e6;

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

/** Around an object of a page. */
function boundsOf(pdf: Pdfium, object: number): Rect | null {
  const sides = pdf.floats(4, (at) =>
    Boolean(pdf.calls.FPDFPageObj_GetBounds(object, at, at + 4, at + 8, at + 12)),
  );
  return sides && [sides[0] ?? 0, sides[1] ?? 0, sides[2] ?? 0, sides[3] ?? 0];
}

/** A picture or a drawing of a page, with its place in the order in which things are drawn. */
interface Drawn {
  box: Box;
  order: number;
  /** It covers the whole page: what is on it is seen by it, as words of a scan are. */
  isGround: boolean;
  /** Nothing is seen through it. */
  covers: boolean;
  /** PDFium's number of it, 0 for a drawing. */
  picture: number;
}

function drawnOn(pdf: Pdfium, page: number, frame: PageFrame): Drawn[] {
  const { calls } = pdf;
  const drawn: Drawn[] = [];
  for (let order = 0; order < calls.FPDFPage_CountObjects(page); order++) {
    const object = calls.FPDFPage_GetObject(page, order);
    const type = calls.FPDFPageObj_GetType(object);
    if (type !== IMAGE && type !== FORM) continue;
    const rect = boundsOf(pdf, object);
    const box = rect && boxOf(frame, rect);
    if (!box) continue;
    const covers = type === IMAGE && !calls.FPDFPageObj_HasTransparency(object);
    drawn.push({
      box,
      order,
      isGround: box.width * box.height >= GROUND,
      covers,
      picture: type === IMAGE ? object : 0,
    });
  }
  return drawn;
}

/** Which words of a page nobody sees. */
class Ink {
  readonly #without = new Map<number, boolean>();
  readonly #covering: Drawn[];
  readonly #orders = new Map<number, number>();

  constructor(
    readonly pdf: Pdfium,
    page: number,
    drawn: readonly Drawn[],
  ) {
    this.#covering = drawn.filter(({ covers, isGround }) => covers && !isGround);
    if (this.#covering.length === 0) return;
    const { calls } = pdf;
    for (let order = 0; order < calls.FPDFPage_CountObjects(page); order++)
      this.#orders.set(calls.FPDFPage_GetObject(page, order), order);
  }

  /** Whether a sign of a text object is unseen: without ink, or wholly behind a picture. */
  isUnseen(object: number, box: Box): boolean {
    if (object === 0) return false;
    let isWithout = this.#without.get(object);
    if (isWithout === undefined) this.#without.set(object, (isWithout = this.#hasNoInk(object)));
    if (isWithout) return true;
    const own = this.#orders.get(object);
    return (
      own !== undefined &&
      this.#covering.some(
        ({ box: picture, order }) => order > own && sharedBy(box, picture) >= box.width * box.height * BEHIND,
      )
    );
  }

  #hasNoInk(object: number): boolean {
    const { calls } = this.pdf;
    if (WITHOUT_INK.has(calls.FPDFTextObj_GetTextRenderMode(object))) return true;
    const colour = this.pdf.wholes(4, (at) =>
      Boolean(calls.FPDFPageObj_GetFillColor(object, at, at + 4, at + 8, at + 12)),
    );
    return colour?.[3] === 0 && calls.FPDFTextObj_GetTextRenderMode(object) === FILLED;
  }
}

const TEXT = 1;

/** What is drawn on a page within a marked content, in the order of the page, each piece with its number. @param number from 1 */
export function readMarked(pdf: Pdfium, number: number, frame: PageFrame): MarkedPiece[] {
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) return [];
  try {
    const pieces: MarkedPiece[] = [];
    const ink = new Ink(pdf, page, drawnOn(pdf, page, frame));
    const add = (object: number, rect: Rect | null, isText: boolean) => {
      const content = calls.FPDFPageObj_GetMarkedContentID(object);
      const box = rect && content >= 0 ? boxOf(frame, rect) : null;
      if (box)
        pieces.push({ content, ...box, ...(isText && ink.isUnseen(object, box) ? { unseen: true } : {}) });
    };
    const text = calls.FPDFText_LoadPage(page);
    for (let index = 0; index < calls.FPDFText_CountChars(text); index++) {
      const object = calls.FPDFText_GetTextObject(text, index);
      if (object !== 0 && calls.FPDFText_GetUnicode(text, index) > 0x20)
        add(object, rectOfSign(pdf, text, index), true);
    }
    calls.FPDFText_ClosePage(text);
    for (let index = 0; index < calls.FPDFPage_CountObjects(page); index++) {
      const object = calls.FPDFPage_GetObject(page, index);
      if (calls.FPDFPageObj_GetType(object) === TEXT) continue;
      add(object, boundsOf(pdf, object), false);
    }
    return pieces;
  } finally {
    calls.FPDF_ClosePage(page);
  }
}
