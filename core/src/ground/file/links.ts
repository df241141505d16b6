import { PdfArray, PdfDict, PdfName, PdfNumber, PdfRef, PdfString, type PdfObject } from '@libpdf/core';
import type { AreaFrame, Box } from '../../manuscript/index.js';
import { THICKEST_FRAME } from '../../manuscript/index.js';
import { boxOf, type Rect } from '../frame.js';
import { numbersIn, rectIn, type FilePage, type GroundFile } from './open.js';
import type { FileSpots, Target } from './spots.js';

/** Where a link of a file leads. */
export type Leads =
  | { kind: 'address'; address: string }
  | { kind: 'spot'; target: Target; name: string | null }
  /** A spot that is not in the file. */
  | { kind: 'nowhere'; name: string }
  | { kind: 'file'; path: string; fragment: string }
  /** What only a reading program does: a script, a form that is sent. It stays in the file as it is. */
  | { kind: 'other'; what: string };

/** A link as it stands in a file. */
export interface FileLink {
  /** By which it is found again in the same bytes. */
  from: string;
  annotation: PdfDict;
  /** The lines that it covers, or its rectangle. */
  boxes: Box[];
  contents: string;
  frame: AreaFrame | null;
  leads: Leads;
  /** What else is done after it was followed. */
  more: string[];
}

/** The annotations of a page, in their order, each with where it is found. */
export function annotationsOn(
  { dict }: FilePage,
  index: number,
  resolve: GroundFile['resolve'],
): { from: string; annotation: PdfDict; entry: PdfObject }[] {
  const list = resolve(dict.get('Annots'));
  if (!(list instanceof PdfArray)) return [];
  return list.toArray().flatMap((entry, at) => {
    const annotation = resolve(entry);
    if (!(annotation instanceof PdfDict)) return [];
    const from = entry instanceof PdfRef ? `${entry.objectNumber}.${entry.generation}` : `${index}-${at}`;
    return [{ from, annotation, entry }];
  });
}

const HIDDEN = 2;
const NO_VIEW = 32;

/** The links of a page that readers can see, in their order; those outside of what is seen of it are counted. */
export function linksOn(
  file: GroundFile,
  spots: FileSpots,
  index: number,
): { links: FileLink[]; unseen: number } {
  const page = file.pages[index];
  if (!page) return { links: [], unseen: 0 };
  const { resolve } = file;
  let unseen = 0;
  const links = annotationsOn(page, index, resolve).flatMap(({ from, annotation }): FileLink[] => {
    if (annotation.getName('Subtype', resolve)?.value !== 'Link') return [];
    const flags = annotation.getNumber('F', resolve)?.value ?? 0;
    const boxes = boxesOf(annotation, page, resolve);
    if (boxes.length === 0 || (flags & HIDDEN) !== 0 || (flags & NO_VIEW) !== 0) {
      unseen++;
      return [];
    }
    const contents = annotation.getString('Contents', resolve)?.asString().trim() ?? '';
    const { leads, more } = leadsOf(annotation, file, spots);
    return [{ from, annotation, boxes, contents, frame: frameOf(annotation, resolve), leads, more }];
  });
  return { links, unseen };
}

/** Its `QuadPoints`, one for each line of words, else its `Rect` (ISO 32000-1, table 173). */
function boxesOf(annotation: PdfDict, { frame }: FilePage, resolve: GroundFile['resolve']): Box[] {
  const rect = rectIn(annotation.get('Rect'), resolve);
  if (!rect) return [];
  const points = numbersIn(annotation.get('QuadPoints'), resolve);
  const quads: Rect[] = [];
  for (let at = 0; at + 8 <= points.length; at += 8) {
    const [xs, ys] = [0, 1].map((odd) => points.slice(at, at + 8).filter((_, place) => place % 2 === odd));
    quads.push([Math.min(...xs!), Math.min(...ys!), Math.max(...xs!), Math.max(...ys!)]);
  }
  // Points outside of its rectangle are to be passed over.
  const isInside = ([left, bottom, right, top]: Rect) =>
    left >= rect[0] - 1 && bottom >= rect[1] - 1 && right <= rect[2] + 1 && top <= rect[3] + 1;
  const used = quads.length > 0 && quads.every(isInside) ? quads : [rect];
  return used.flatMap((one) => boxOf(frame, one) ?? []);
}

const LINES: Readonly<Record<string, AreaFrame['line']>> = { S: 'solid', D: 'dashed', U: 'under' };

/** How its edge is drawn (ISO 32000-1, 12.5.4); without a word on it, one point wide and black. */
function frameOf(annotation: PdfDict, resolve: GroundFile['resolve']): AreaFrame | null {
  const style = resolve(annotation.get('BS'));
  const border = numbersIn(annotation.get('Border'), resolve);
  const dashed = resolve(
    resolve(annotation.get('Border')) instanceof PdfArray ? dashOf(annotation, resolve) : undefined,
  );
  const width = style instanceof PdfDict ? (style.getNumber('W', resolve)?.value ?? 1) : (border[2] ?? 1);
  if (!(width > 0)) return null;
  const line =
    style instanceof PdfDict
      ? (LINES[style.getName('S', resolve)?.value ?? 'S'] ?? 'solid')
      : dashed instanceof PdfArray && dashed.length > 0
        ? 'dashed'
        : 'solid';
  return { line, width: Math.min(THICKEST_FRAME, width), colour: colourIn(annotation, resolve) };
}

const dashOf = (annotation: PdfDict, resolve: GroundFile['resolve']): PdfObject | undefined => {
  const border = resolve(annotation.get('Border'));
  return border instanceof PdfArray ? border.at(3) : undefined;
};

function colourIn(annotation: PdfDict, resolve: GroundFile['resolve']): string {
  const parts = numbersIn(annotation.get('C'), resolve);
  const [a = 0, b = 0, c = 0, k = 0] = parts;
  const rgb =
    parts.length === 3
      ? [a, b, c]
      : parts.length === 4
        ? [(1 - a) * (1 - k), (1 - b) * (1 - k), (1 - c) * (1 - k)]
        : [a, a, a];
  const hex = (share: number) =>
    Math.round(Math.min(1, Math.max(0, share)) * 255)
      .toString(16)
      .padStart(2, '0');
  return `#${rgb.map(hex).join('')}`;
}

function leadsOf(annotation: PdfDict, file: GroundFile, spots: FileSpots): { leads: Leads; more: string[] } {
  const { resolve } = file;
  if (annotation.has('Dest')) return { leads: toSpot(annotation.get('Dest'), spots), more: [] };
  const action = resolve(annotation.get('A'));
  if (!(action instanceof PdfDict)) return { leads: { kind: 'nowhere', name: '' }, more: [] };
  return { leads: actionLeads(action, file, spots), more: nextOf(action, resolve) };
}

function toSpot(given: PdfObject | undefined, spots: FileSpots): Leads {
  const name = spots.nameOf(given);
  const target = spots.target(given);
  return target ? { kind: 'spot', target, name } : { kind: 'nowhere', name: name ?? '' };
}

function actionLeads(action: PdfDict, file: GroundFile, spots: FileSpots): Leads {
  const { resolve, catalog } = file;
  const type = action.getName('S', resolve)?.value ?? '';
  switch (type) {
    case 'URI': {
      const address = addressIn(action.getString('URI', resolve));
      const base = resolve(catalog.get('URI'));
      const from = base instanceof PdfDict ? addressIn(base.getString('Base', resolve)) : '';
      return {
        kind: 'address',
        address: from && !/^[a-z][a-z0-9+.-]*:/i.test(address) ? resolved(address, from) : address,
      };
    }
    case 'GoTo':
      return toSpot(action.get('D'), spots);
    case 'GoToR':
    case 'Launch': {
      const path = pathOf(action.get('F') ?? windowsFile(action, resolve), resolve);
      return path === ''
        ? { kind: 'other', what: 'a file without a name' }
        : { kind: 'file', path, fragment: type === 'GoToR' ? remoteSpot(action, file) : '' };
    }
    default:
      return { kind: 'other', what: OTHER[type] ?? `an action of the kind “${type}”` };
  }
}

const OTHER: Readonly<Record<string, string>> = {
  JavaScript: 'a script',
  SubmitForm: 'the sending of a form',
  ResetForm: 'the emptying of a form',
  Named: 'a command of the reading program',
  GoToE: 'a file within the file',
  Movie: 'a film',
  Sound: 'a sound',
  Rendition: 'a film or sound',
};

/** An address is written in ASCII; makers write it in UTF-8 too (common practice). */
function addressIn(text: PdfString | undefined): string {
  if (!text) return '';
  const { bytes } = text;
  const isUtf16 = bytes[0] === 0xfe && bytes[1] === 0xff;
  return (isUtf16 ? text.asString() : new TextDecoder().decode(bytes)).trim();
}

function resolved(address: string, base: string): string {
  try {
    return new URL(address, base).href;
  } catch {
    return address;
  }
}

function windowsFile(action: PdfDict, resolve: GroundFile['resolve']): PdfObject | undefined {
  const windows = resolve(action.get('Win'));
  return windows instanceof PdfDict ? windows.get('F') : undefined;
}

/** The path of a file specification (ISO 32000-1, 7.11). */
function pathOf(given: PdfObject | undefined, resolve: GroundFile['resolve']): string {
  const object = resolve(given);
  if (object instanceof PdfString) return object.asString();
  if (!(object instanceof PdfDict)) return '';
  const text = object.getString('UF', resolve) ?? object.getString('F', resolve);
  return text?.asString() ?? '';
}

/** A spot of another PDF as a fragment of its address (RFC 8118). */
function remoteSpot(action: PdfDict, { resolve }: GroundFile): string {
  const given = resolve(action.get('D'));
  if (given instanceof PdfString) return `nameddest=${given.asString()}`;
  if (given instanceof PdfName) return `nameddest=${given.value}`;
  const page = given instanceof PdfArray ? resolve(given.at(0)) : null;
  return page instanceof PdfNumber ? `page=${page.value + 1}` : '';
}

/** What is done after an action, in words. */
function nextOf(action: PdfDict, resolve: GroundFile['resolve']): string[] {
  const next = resolve(action.get('Next'));
  const all = next instanceof PdfArray ? next.toArray() : next ? [next] : [];
  return all.flatMap((one) => {
    const dict = resolve(one);
    const type = dict instanceof PdfDict ? (dict.getName('S', resolve)?.value ?? '') : '';
    return type === '' ? [] : [OTHER[type] ?? 'a second link'];
  });
}
