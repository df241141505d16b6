import { PDF, PdfArray, PdfDict, PdfNumber, PdfRef, type PdfObject } from '@libpdf/core';
import type { PageFrame, Rect } from '../frame.js';

/** Why a finished file can't be a book of pages. */
export type GroundFault =
  'password' | 'wrong-password' | 'unreadable' | 'no-pages' | 'too-many-pages' | 'xfa';

/** A file that can't be a book of pages. The message says what is wrong and what to do. */
export class GroundError extends Error {
  override name = 'GroundError';

  constructor(
    readonly fault: GroundFault,
    message: string,
  ) {
    super(message);
  }
}

/** The most pages of a book of pages. */
export const MOST_PAGES = 2_000;
/** How many nodes of a tree in a file are looked at, and how deep: a broken one may go in a circle. */
const MOST_NODES = 200_000;

/** A page as it stands in its file. */
export interface FilePage {
  dict: PdfDict;
  ref: PdfRef;
  frame: PageFrame;
}

/** A finished file, opened. */
export interface GroundFile {
  pdf: PDF;
  catalog: PdfDict;
  pages: FilePage[];
  /** An object, whether it is given itself or by its number. */
  resolve(this: void, object: PdfObject | undefined): PdfObject | null;
  tagged: boolean;
  signed: boolean;
  /** A signature that certifies the file and says how it may be changed (`DocMDP`, ISO 32000-1, 12.8.2.2): 1 to 3. */
  certified: number | null;
  encrypted: boolean;
  /** What its owner forbids, in words. */
  forbidden: string[];
  /** Why nothing can be added behind its old bytes; `null` where it can. */
  cannotAdd: string | null;
}

/** @throws GroundError */
export async function openGround(bytes: Uint8Array, password?: string | null): Promise<GroundFile> {
  const pdf = await load(bytes, password ?? undefined);
  if (pdf.isEncrypted && !pdf.isAuthenticated)
    throw password
      ? new GroundError(
          'wrong-password',
          'This password does not open the file. Type it once more, as its maker gave it.',
        )
      : new GroundError('password', 'A password opens this file. Type it, and the file is read.');
  return groundFile(pdf, bytes);
}

/** A PDF that is open already. @param bytes from which it was read @throws GroundError */
export function groundFile(pdf: PDF, bytes: Uint8Array): GroundFile {
  const resolve = (object: PdfObject | undefined): PdfObject | null =>
    object instanceof PdfRef ? pdf.context.resolve(object) : (object ?? null);
  const catalog = pdf.context.catalog.getDict();
  const form = resolve(catalog.get('AcroForm'));
  const pages = pagesIn(catalog, resolve);
  if (form instanceof PdfDict && form.has('XFA') && pages.length <= 1 && !hasFields(form, resolve))
    throw new GroundError(
      'xfa',
      'This file is a form that its program draws anew each time (XFA): it has no pages that stay. Print it to a PDF, and bring that in.',
    );
  if (pages.length === 0)
    throw new GroundError(
      'no-pages',
      'This file has no pages. Make it anew from the program that it comes from.',
    );
  if (pages.length > MOST_PAGES)
    throw new GroundError(
      'too-many-pages',
      `This file has ${pages.length} pages; a book of pages has at most ${MOST_PAGES}. Divide the file, and bring its parts in.`,
    );
  const marked = resolve(catalog.get('MarkInfo'));
  const perms = resolve(catalog.get('Perms'));
  return {
    pdf,
    catalog,
    pages,
    resolve,
    tagged:
      marked instanceof PdfDict &&
      marked.getBool('Marked', resolve)?.value === true &&
      catalog.has('StructTreeRoot'),
    signed: isSigned(form, resolve) || perms instanceof PdfDict,
    certified: perms instanceof PdfDict && perms.has('DocMDP') ? certifiedLevel(perms, resolve) : null,
    encrypted: pdf.isEncrypted,
    forbidden: forbiddenIn(pdf),
    cannotAdd: whyNotAdded(pdf, bytes),
  };
}

async function load(bytes: Uint8Array, password?: string): Promise<PDF> {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  if (!head.includes('%PDF-'))
    throw new GroundError('unreadable', 'This file is no PDF. Choose the PDF of your book.');
  try {
    const pdf = await PDF.load(bytes, password === undefined ? {} : { credentials: password });
    // The library adds to no file that is laid out for the web. An update behind such a file is sound (ISO 32000-1, annex F.4.6).
    if (pdf.isLinearized) Object.assign(pdf, { _isLinearized: false });
    return pdf;
  } catch (error) {
    if (/password|credential|decrypt|authenticat/i.test((error as Error).message))
      throw new GroundError(
        password ? 'wrong-password' : 'password',
        password
          ? 'This password does not open the file. Type it once more, as its maker gave it.'
          : 'A password opens this file. Type it, and the file is read.',
      );
    throw new GroundError(
      'unreadable',
      'This file is damaged: it can’t be read as a PDF. Download it again, or make it anew from the program that it comes from.',
    );
  }
}

type Resolve = GroundFile['resolve'];

/** The pages in their order, with what they inherit (ISO 32000-1, 7.7.3). */
function pagesIn(catalog: PdfDict, resolve: Resolve): FilePage[] {
  const pages: FilePage[] = [];
  const seen = new Set<string>();
  const root = catalog.get('Pages');
  const waiting: { object: PdfObject | undefined; inherited: PdfDict[] }[] = [
    { object: root, inherited: [] },
  ];
  let nodes = 0;
  while (waiting.length > 0 && pages.length <= MOST_PAGES && nodes++ < MOST_NODES) {
    const { object, inherited } = waiting.pop()!;
    const key = object instanceof PdfRef ? object.toString() : '';
    if (!(object instanceof PdfRef) || seen.has(key)) continue;
    seen.add(key);
    const dict = resolve(object);
    if (!(dict instanceof PdfDict)) continue;
    const kids = resolve(dict.get('Kids'));
    if (kids instanceof PdfArray) {
      const below = [...inherited, dict];
      for (const kid of kids.toArray().reverse()) waiting.push({ object: kid, inherited: below });
    } else pages.push({ dict, ref: object, frame: frameOf([...inherited, dict], resolve) });
  }
  return pages;
}

/** US Letter: what readers take for a page that says no size (common practice). */
const OTHERWISE: Rect = [0, 0, 612, 792];

function frameOf(dicts: readonly PdfDict[], resolve: Resolve): PageFrame {
  const found = (key: string) => dicts.findLast((dict) => dict.has(key))?.get(key);
  const media = rectIn(found('MediaBox'), resolve) ?? OTHERWISE;
  const crop = rectIn(found('CropBox'), resolve) ?? media;
  const seen: Rect = [
    Math.max(crop[0], media[0]),
    Math.max(crop[1], media[1]),
    Math.min(crop[2], media[2]),
    Math.min(crop[3], media[3]),
  ];
  const turned = resolve(found('Rotate'));
  const rotate = turned instanceof PdfNumber ? ((turned.value % 360) + 360) % 360 : 0;
  const unit = resolve(dicts.at(-1)?.get('UserUnit'));
  return {
    crop: seen[2] > seen[0] && seen[3] > seen[1] ? seen : media,
    rotate: rotate === 90 || rotate === 180 || rotate === 270 ? rotate : 0,
    unit: unit instanceof PdfNumber && unit.value > 0 ? unit.value : 1,
  };
}

/** The numbers of an array. */
export function numbersIn(object: PdfObject | undefined, resolve: Resolve): number[] {
  const array = resolve(object);
  if (!(array instanceof PdfArray)) return [];
  return array.toArray().flatMap((item) => {
    const number = resolve(item);
    return number instanceof PdfNumber ? [number.value] : [];
  });
}

/** A rectangle, whichever of its corners are given; `null` for one without a surface. */
export function rectIn(object: PdfObject | undefined, resolve: Resolve): Rect | null {
  const [a, b, c, d, ...more] = numbersIn(object, resolve);
  if (a === undefined || b === undefined || c === undefined || d === undefined || more.length > 0)
    return null;
  const rect: Rect = [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)];
  return rect[2] > rect[0] && rect[3] > rect[1] ? rect : null;
}

const hasFields = (form: PdfDict, resolve: Resolve): boolean => {
  const fields = resolve(form.get('Fields'));
  return fields instanceof PdfArray && fields.length > 0;
};

/** Whether one of the fields of the form is a signature that was made. */
function isSigned(form: PdfObject | null, resolve: Resolve): boolean {
  if (!(form instanceof PdfDict)) return false;
  const waiting: (PdfObject | undefined)[] = [form.get('Fields')];
  const seen = new Set<string>();
  let nodes = 0;
  while (waiting.length > 0 && nodes++ < MOST_NODES) {
    const next = waiting.pop();
    if (next instanceof PdfRef) {
      if (seen.has(next.toString())) continue;
      seen.add(next.toString());
    }
    const object = resolve(next);
    if (object instanceof PdfArray) waiting.push(...object.toArray());
    else if (object instanceof PdfDict) {
      if (object.getName('FT', resolve)?.value === 'Sig' && object.has('V')) return true;
      waiting.push(object.get('Kids'));
    }
  }
  return false;
}

function certifiedLevel(perms: PdfDict, resolve: Resolve): number {
  const signature = resolve(perms.get('DocMDP'));
  const references = signature instanceof PdfDict ? resolve(signature.get('Reference')) : null;
  for (const item of references instanceof PdfArray ? references.toArray() : []) {
    const reference = resolve(item);
    const given = reference instanceof PdfDict ? resolve(reference.get('TransformParams')) : null;
    const level = given instanceof PdfDict ? resolve(given.get('P')) : null;
    if (level instanceof PdfNumber) return level.value;
  }
  // ISO 32000-1, table 254: without a value it is 2.
  return 2;
}

/** What an owner forbids who opened the file without the owner's password (ISO 32000-1, table 22). */
function forbiddenIn(pdf: PDF): string[] {
  if (!pdf.isEncrypted || pdf.hasOwnerAccess()) return [];
  const { modify, annotate, copy, print } = pdf.getPermissions();
  return [
    ...(modify ? [] : ['changing its pages']),
    ...(annotate ? [] : ['adding links and remarks']),
    ...(copy ? [] : ['copying its words']),
    ...(print ? [] : ['printing it']),
  ];
}

function whyNotAdded(pdf: PDF, bytes: Uint8Array): string | null {
  const blocker = pdf.canSaveIncrementally();
  if (blocker === null) return null;
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 8));
  return head.startsWith('%PDF-')
    ? 'the table by which its parts are found is wrong'
    : 'other bytes stand before its beginning';
}
