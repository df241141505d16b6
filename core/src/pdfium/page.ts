import type { Pdfium } from './pdfium.js';

/** Left, bottom, right and top, in points from the lower left corner of the page (ISO 32000-1, 8.3.2.3). */
export type Box = readonly [left: number, bottom: number, right: number, top: number];

/** A piece of text as it stands on a page: what one operator of the page shows. */
export interface Piece {
  text: string;
  box: Box;
  baseline: number;
  /** Of its font, in points. */
  size: number;
  /** The number of the marked content that it is in; -1 for none. */
  content: number;
  /** Its words run from right to left. */
  isLeftward: boolean;
}

/** Where a destination of the file leads. */
export interface Spot {
  /** From 1; 0 for none. */
  page: number;
  left: number;
  top: number;
  /** `null` where the reader's own stays. */
  zoom: number | null;
}

/** A link annotation. */
export interface Annotation {
  /** Where it can be pressed. */
  areas: Box[];
  /** The address that it opens. */
  uri: string | null;
  /** The name of its destination, where it has one by name. */
  name: string | null;
  spot: Spot | null;
  /** The file within the PDF that it opens. */
  file: FileInside | null;
  contents: string;
}

/** A file within a PDF. */
export interface FileInside {
  name: string;
  bytes: Uint8Array;
}

/** A `Link` element of the structure tree, as far as it stands on one page. */
export interface LinkElement {
  /** The text of its marked content outside of pictures, in reading order, and where its pictures stand. */
  words: Piece[];
  pictures: Box[];
  /** It is part of a table of contents (`TOC`). */
  isContents: boolean;
}

/** What of a page is needed to tell where its links are and where others land. */
export interface PdfPage {
  pieces: Piece[];
  annotations: Annotation[];
  elements: LinkElement[];
  /** Its edges. */
  box: Box;
  /** It holds a part of a table of contents. */
  hasContents: boolean;
}

const LINK = 2;
const FILE_ATTACHMENT = 17;

/** A page of a PDF, as PDFium reads it. @param number from 1 */
export function readPage(pdf: Pdfium, number: number): PdfPage {
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) throw new Error(`PDFium can’t read page ${number}`);
  try {
    const pieces = piecesOn(pdf, page);
    const annotations = annotationsOn(pdf, page);
    const structure =
      annotations.length > 0 ? structureOf(pdf, page, pieces) : { elements: [], hasContents: false };
    const box: Box = [0, 0, calls.FPDF_GetPageWidthF(page), calls.FPDF_GetPageHeightF(page)];
    return { pieces, annotations, ...structure, box };
  } finally {
    calls.FPDF_ClosePage(page);
  }
}

/** Files of a PDF that were read, by PDFium's handles of them. */
export type FilesRead = Map<number, FileInside>;

/** The link annotations of a page, and those that open a file. @param number from 1 @param files a file is read once */
export function readAnnotations(pdf: Pdfium, number: number, files: FilesRead = new Map()): Annotation[] {
  const page = pdf.calls.FPDF_LoadPage(pdf.document, number - 1);
  if (page === 0) return [];
  try {
    return [...annotationsOn(pdf, page), ...attachmentsOn(pdf, page, files)];
  } finally {
    pdf.calls.FPDF_ClosePage(page);
  }
}

/** Scripts whose words run from right to left. */
export const RIGHT_TO_LEFT = /[\p{sc=Arab}\p{sc=Hebr}\p{sc=Syrc}\p{sc=Thaa}\p{sc=Nkoo}]/u;

/** What PDFium gives for a hyphen at the end of a line. */
const HYPHENS = new Set([0x02, 0xfffe]);

/** Signs of a page’s text that one object of the page shows, side by side; object 0 for those that PDFium made. */
interface Run {
  object: number;
  /** Of its signs in the page’s text. */
  indexes: { first: number; last: number };
  text: string;
}

function piecesOn(pdf: Pdfium, page: number): Piece[] {
  const { calls } = pdf;
  const text = calls.FPDFText_LoadPage(page);
  try {
    const runs = runsIn(pdf, text);
    const isMixed = runs.some((run) => RIGHT_TO_LEFT.test(run.text));
    const pieces: Piece[] = [];
    for (const run of runs) {
      const last = pieces.at(-1);
      if (run.object !== 0) pieces.push(pieceOf(pdf, text, isMixed ? asWritten(pdf, text, run) : run));
      // PDFium makes a space where words stand apart, and an end where a line ends.
      else if (last && !/\s$/.test(last.text)) last.text += ' ';
    }
    return pieces;
  } finally {
    calls.FPDFText_ClosePage(text);
  }
}

/** A long book has hundreds of thousands of signs: nothing is made for each of them. */
function runsIn({ calls }: Pdfium, text: number): Run[] {
  const runs: Run[] = [];
  const count = calls.FPDFText_CountChars(text);
  for (let index = 0; index < count;) {
    const first = index;
    const object = calls.FPDFText_GetTextObject(text, first);
    let signs = '';
    do {
      const code = calls.FPDFText_GetUnicode(text, index++);
      signs += HYPHENS.has(code) ? '-' : String.fromCodePoint(code);
    } while (index < count && calls.FPDFText_GetTextObject(text, index) === object);
    runs.push({ object, indexes: { first, last: index - 1 }, text: signs });
  }
  return runs;
}

/** On a page with words of both directions PDFium turns the words of a piece that runs from left to right. */
function asWritten(pdf: Pdfium, text: number, run: Run): Run {
  if (RIGHT_TO_LEFT.test(run.text)) return run;
  const { first } = run.indexes;
  const signs = Array.from(run.text, (sign, at) => ({
    sign,
    index: first + at,
    left: boxOf(pdf, text, first + at)[0],
  }));
  signs.sort((one, other) => one.left - other.left);
  const indexes = { first: signs[0]?.index ?? first, last: signs.at(-1)?.index ?? first };
  return { ...run, indexes, text: signs.map(({ sign }) => sign).join('') };
}

function pieceOf(pdf: Pdfium, text: number, { object, indexes, text: words }: Run): Piece {
  const { calls } = pdf;
  const { first, last } = indexes;
  const [one, other] = [boxOf(pdf, text, first), boxOf(pdf, text, last)];
  const [, , , scale = 1] = pdf.floats(6, (at) => calls.FPDFText_GetMatrix(text, first, at)) ?? [];
  const origin = pdf.doubles(2, (at) => calls.FPDFText_GetCharOrigin(text, first, at, at + 8));
  return {
    text: words,
    box: [
      Math.min(one[0], other[0]),
      Math.min(one[1], other[1]),
      Math.max(one[2], other[2]),
      Math.max(one[3], other[3]),
    ],
    baseline: origin?.[1] ?? one[1],
    size: calls.FPDFText_GetFontSize(text, first) * Math.abs(scale),
    content: calls.FPDFPageObj_GetMarkedContentID(object),
    isLeftward: RIGHT_TO_LEFT.test(words),
  };
}

function boxOf(pdf: Pdfium, text: number, index: number): Box {
  const sides = pdf.doubles(4, (at) =>
    pdf.calls.FPDFText_GetCharBox(text, index, at, at + 8, at + 16, at + 24),
  );
  // PDFium gives them in this order.
  const [left = 0, right = 0, bottom = 0, top = 0] = sides ?? [];
  return [left, bottom, right, top];
}

function annotationsOn(pdf: Pdfium, page: number): Annotation[] {
  const { calls } = pdf;
  const annotations: Annotation[] = [];
  for (let index = 0; index < calls.FPDFPage_GetAnnotCount(page); index++) {
    const annotation = calls.FPDFPage_GetAnnot(page, index);
    if (calls.FPDFAnnot_GetSubtype(annotation) === LINK) annotations.push(annotationOf(pdf, annotation));
    calls.FPDFPage_CloseAnnot(annotation);
  }
  return annotations;
}

/** What opens a file; annotations of one group are one (ISO 32000-1, 12.5.6.2). */
function attachmentsOn(pdf: Pdfium, page: number, files: FilesRead): Annotation[] {
  const { calls } = pdf;
  const found: Annotation[] = [];
  for (let index = 0; index < calls.FPDFPage_GetAnnotCount(page); index++) {
    const annotation = calls.FPDFPage_GetAnnot(page, index);
    const attachment =
      calls.FPDFAnnot_GetSubtype(annotation) === FILE_ATTACHMENT
        ? calls.FPDFAnnot_GetFileAttachment(annotation)
        : 0;
    if (attachment !== 0) {
      const first = calls.FPDFAnnot_GetLinkedAnnot(annotation, 'IRT');
      const one = found.at(-1);
      if (first !== 0 && one) one.areas.push(...areasOf(pdf, annotation));
      else found.push({ ...annotationOf(pdf, annotation), file: fileInside(pdf, attachment, files) });
      if (first !== 0) calls.FPDFPage_CloseAnnot(first);
    }
    calls.FPDFPage_CloseAnnot(annotation);
  }
  return found;
}

function fileInside(pdf: Pdfium, attachment: number, files: FilesRead): FileInside {
  const known = files.get(attachment);
  if (known) return known;
  const { calls } = pdf;
  const name = pdf.utf16((at, length) => calls.FPDFAttachment_GetName(attachment, at, length));
  const { malloc, free } = calls.pdfium.wasmExports;
  const [length = 0] = pdf.wholes(1, (at) => calls.FPDFAttachment_GetFile(attachment, 0, 0, at)) ?? [];
  const memory = malloc(length);
  pdf.wholes(1, (at) => calls.FPDFAttachment_GetFile(attachment, memory, length, at));
  const file = { name, bytes: calls.pdfium.HEAPU8.slice(memory, memory + length) };
  free(memory);
  files.set(attachment, file);
  return file;
}

const STRING = 3;
const TO_URI = 3;

function annotationOf(pdf: Pdfium, annotation: number): Annotation {
  const { calls, document } = pdf;
  const textOf = (key: string) =>
    pdf.utf16((at, length) => calls.FPDFAnnot_GetStringValue(annotation, key, at, length));
  const link = calls.FPDFAnnot_GetLink(annotation);
  const action = calls.FPDFLink_GetAction(link);
  return {
    areas: areasOf(pdf, annotation),
    uri:
      action !== 0 && calls.FPDFAction_GetType(action) === TO_URI
        ? pdf.utf8((at, length) => calls.FPDFAction_GetURIPath(document, action, at, length))
        : null,
    name: calls.FPDFAnnot_GetValueType(annotation, 'Dest') === STRING ? textOf('Dest') : null,
    spot: spotOf(pdf, calls.FPDFLink_GetDest(document, link)),
    file: null,
    contents: textOf('Contents'),
  };
}

/** Its `QuadPoints`, one for each line that it runs over, else its `Rect` (ISO 32000-1, table 173). */
function areasOf(pdf: Pdfium, annotation: number): Box[] {
  const { calls } = pdf;
  const quads = Array.from({ length: calls.FPDFAnnot_CountAttachmentPoints(annotation) }, (_, index) =>
    pdf.floats(8, (at) => calls.FPDFAnnot_GetAttachmentPoints(annotation, index, at)),
  ).flatMap((points): Box[] => (points ? [boxAround(points)] : []));
  if (quads.length > 0) return quads;
  const rect = pdf.floats(4, (at) => calls.FPDFAnnot_GetRect(annotation, at));
  return rect ? [boxAround(rect)] : [];
}

/** Around points that are given as x, y, x, y, … */
function boxAround(points: readonly number[]): Box {
  const xs = points.filter((_, index) => index % 2 === 0);
  const ys = points.filter((_, index) => index % 2 === 1);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

/** Where a destination leads (`/XYZ left top zoom`, ISO 32000-1, 12.3.2.2); `null` for none. */
function spotOf(pdf: Pdfium, destination: number): Spot | null {
  if (destination === 0) return null;
  const { calls } = pdf;
  const page = calls.FPDFDest_GetDestPageIndex(pdf.document, destination) + 1;
  const at = pdf.scratch;
  // Three flags of 4 bytes say which of the three numbers behind them are there.
  const numbers = pdf.floats(6, () =>
    calls.FPDFDest_GetLocationInPage(destination, at, at + 4, at + 8, at + 12, at + 16, at + 20),
  );
  const flags = calls.pdfium.HEAP32.subarray(at / 4, at / 4 + 3);
  const [left, top, zoom] = [3, 4, 5].map((place) => (flags[place - 3] ? (numbers?.[place] ?? 0) : 0));
  return { page, left: left ?? 0, top: top ?? 0, zoom: zoom ? zoom : null };
}

function structureOf(
  pdf: Pdfium,
  page: number,
  pieces: readonly Piece[],
): Pick<PdfPage, 'elements' | 'hasContents'> {
  const { calls } = pdf;
  const tree = calls.FPDF_StructTree_GetForPage(page);
  if (tree === 0) return { elements: [], hasContents: false };
  const elements: LinkElement[] = [];
  let hasContents = false;
  const pictures = picturesByContent(pdf, page);
  const words = new Map<number, Piece[]>();
  for (const piece of pieces) addTo(words, piece.content, piece);

  const walk = (element: number, isContents: boolean): void => {
    const role = roleOf(element);
    const within = isContents || role === 'TOC';
    hasContents ||= within;
    if (role === 'Link') elements.push({ ...contentOf(element), isContents: within });
    else for (const child of kidsOf(element)) if (typeof child !== 'number') walk(child.element, within);
  };
  const contentOf = (element: number): Pick<LinkElement, 'words' | 'pictures'> => {
    const isPicture = roleOf(element) === 'Figure';
    const found: Pick<LinkElement, 'words' | 'pictures'> = { words: [], pictures: [] };
    for (const kid of kidsOf(element)) {
      const of =
        typeof kid === 'number'
          ? { words: words.get(kid) ?? [], pictures: pictures.get(kid) ?? [] }
          : contentOf(kid.element);
      // What is written within a picture is part of the picture.
      if (!isPicture) found.words.push(...of.words);
      found.pictures.push(...of.pictures);
    }
    return found;
  };
  const roleOf = (element: number) =>
    pdf.utf16((at, length) => calls.FPDF_StructElement_GetType(element, at, length));
  /** Marked content by its number, and elements under this one. Those of other pages, which are most in a long book, are none. */
  const kidsOf = (element: number): (number | { element: number })[] => {
    const kids: (number | { element: number })[] = [];
    const count = calls.FPDF_StructElement_CountChildren(element);
    for (let index = 0; index < count; index++) {
      const child = calls.FPDF_StructElement_GetChildAtIndex(element, index);
      const content = child ? -1 : calls.FPDF_StructElement_GetChildMarkedContentID(element, index);
      if (child) kids.push({ element: child });
      else if (content !== -1) kids.push(content);
    }
    return kids;
  };

  for (let index = 0; index < calls.FPDF_StructTree_CountChildren(tree); index++)
    walk(calls.FPDF_StructTree_GetChildAtIndex(tree, index), false);
  calls.FPDF_StructTree_Close(tree);
  return { elements, hasContents };
}

function addTo<Value>(lists: Map<number, Value[]>, key: number, value: Value): void {
  const list = lists.get(key);
  if (list) list.push(value);
  else lists.set(key, [value]);
}

const TEXT = 1;

/** Where what is painted, and no text, stands on a page, by its marked content. */
function picturesByContent(pdf: Pdfium, page: number): Map<number, Box[]> {
  const { calls } = pdf;
  const boxes = new Map<number, Box[]>();
  for (let index = 0; index < calls.FPDFPage_CountObjects(page); index++) {
    const object = calls.FPDFPage_GetObject(page, index);
    const content = calls.FPDFPageObj_GetMarkedContentID(object);
    if (content < 0 || calls.FPDFPageObj_GetType(object) === TEXT) continue;
    const sides = pdf.floats(4, (at) => calls.FPDFPageObj_GetBounds(object, at, at + 4, at + 8, at + 12));
    if (!sides) continue;
    const [left = 0, bottom = 0, right = 0, top = 0] = sides;
    addTo(boxes, content, [left, bottom, right, top]);
  }
  return boxes;
}
