import type { DOMOutputSpec, Node, NodeSpec } from 'prosemirror-model';
import { hrefOf } from '../destination/index.js';
import { faultInArea, saidOfArea, type LinkArea } from './area.js';
import { isId } from './id.js';
import { carried, uncarried } from './carried.js';

/** A finished file whose pages a book has as they are: what is known of it beside its pages. */
export interface Ground {
  /** Of its bytes. */
  sha256: string;
  name: string;
  /** In bytes. */
  size: number;
  pages: number;
  /** Its structure is tagged (ISO 32000-1, 14.8). */
  tagged: boolean;
  /** It carries a signature. */
  signed: boolean;
  /** A signature says what may be changed: 1 nothing, 2 the filling in of forms, 3 remarks too (ISO 32000-1, table 254). */
  certified: number | null;
  /** What its owner forbids, in words. */
  forbidden: string[];
  /** A password opens it; the author gave it when the file was brought in. */
  password: string | null;
  /** Links can be written behind its old bytes, which then stay as they are; why not, where they can't. */
  cannotAdd: string | null;
}

/** A spot of a page that can be led to, in shares of the page; a zoom of `null` is the reader's own. */
export interface PageSpot {
  id: string;
  name: string;
  x: number;
  y: number;
  zoom: number | null;
}

/** A page of a finished file, which stays as it is; only its links and spots are the book's. */
export interface GroundPageAttrs {
  id: string;
  /** Its place in the file, from 1. */
  number: number;
  /** What it is called in the file, such as “xii”; empty where it is called by its number. */
  label: string;
  /** As it is shown, in points. */
  width: number;
  height: number;
  areas: readonly LinkArea[];
  spots: readonly PageSpot[];
}

/** An entry of the outline of a finished file. */
export interface EntryAttrs {
  id: string;
  level: number;
  /** The page that it leads to, and where on it; `null` is its top. */
  page: string;
  y: number | null;
  /** What in the file it was read from. */
  from: string | null;
}

/** The name of the place of a page that has no name of its own. */
export const pageName = ({ number, label }: Pick<GroundPageAttrs, 'number' | 'label'>): string =>
  label || String(number);

const isShare = (value: unknown): boolean => typeof value === 'number' && value >= 0 && value <= 1;

/** Says what is wrong with a value that should be a spot of a page, or `null`. */
export function faultInSpot(value: unknown): { path: string; message: string } | null {
  if (typeof value !== 'object' || value === null) return { path: '', message: 'a spot must be an object' };
  const { id, name, x, y, zoom } = value as Record<string, unknown>;
  if (typeof id !== 'string' || !isId(id)) return { path: 'id', message: 'must be an id' };
  if (typeof name !== 'string') return { path: 'name', message: 'must be words' };
  for (const [path, share] of Object.entries({ x, y }))
    if (!isShare(share)) return { path, message: 'must be a share of the page, 0 to 1' };
  return zoom === null || (typeof zoom === 'number' && zoom > 0 && zoom <= 64)
    ? null
    : { path: 'zoom', message: 'must be more than 0 and at most 64, or null' };
}

const whole = (value: unknown): void => {
  if (!(Number.isInteger(value) && Number(value) >= 1))
    throw new RangeError(`must be a whole number from 1, not ${String(value)}`);
};
const length = (value: unknown): void => {
  if (!(typeof value === 'number' && value > 0 && Number.isFinite(value)))
    throw new RangeError(`the side of a page is longer than 0, not ${String(value)}`);
};
const listed =
  (fault: (item: unknown) => { message: string } | null) =>
  (value: unknown): void => {
    const wrong = Array.isArray(value) ? value.map(fault).find((one) => one !== null) : { message: 'a list' };
    if (wrong) throw new RangeError(wrong.message);
  };
const share = (value: unknown): void => {
  if (value !== null && !isShare(value)) throw new RangeError('must be a share of the page, 0 to 1');
};

/** Every attribute has a value to begin with, or a page could not stand where a text ends otherwise. */
const PAGE = {
  id: { default: '', validate: 'string' },
  number: { default: 1, validate: whole },
  label: { default: '', validate: 'string' },
  width: { default: 595, validate: length },
  height: { default: 842, validate: length },
  areas: { default: [] as readonly LinkArea[], validate: listed(faultInArea) },
  spots: { default: [] as readonly PageSpot[], validate: listed(faultInSpot) },
};

const ENTRY = {
  id: { validate: 'string' },
  level: { default: 1, validate: whole },
  page: { validate: 'string' },
  y: { default: null as number | null, validate: share },
  from: { default: null as string | null, validate: 'string|null' },
};

/** The nodes of a book of pages: the entries of its outline, and its pages. */
export const pageNodes = {
  entry: {
    content: 'text*',
    marks: '',
    attrs: ENTRY,
    parseDOM: [
      {
        tag: 'p[data-entry]',
        getAttrs: (element: HTMLElement) => uncarried(element.dataset.entry, ENTRY),
      },
    ],
    toDOM: (node) => ['p', { 'data-entry': carried(node.attrs) }, 0],
  },
  page: {
    atom: true,
    isolating: true,
    attrs: PAGE,
    parseDOM: [
      {
        tag: 'div[data-page]',
        getAttrs: (element: HTMLElement) => uncarried(element.dataset.page, PAGE),
      },
    ],
    toDOM: (node) => {
      const page = node.attrs as GroundPageAttrs;
      const links = page.areas.map((area): [string, string] => [
        'li',
        saidOfArea(area) || hrefOf(area.destination),
      ]);
      return [
        'div',
        { 'data-page': carried(node.attrs) },
        ['p', `Page ${pageName(page)}`],
        ...(links.length > 0 ? [['ul', ...links] as DOMOutputSpec] : []),
      ];
    },
  },
} satisfies Record<string, NodeSpec>;

/** A page of a book of pages, and where it stands in the text. */
export interface PageInText {
  node: Node;
  at: number;
  attrs: GroundPageAttrs;
}

/** The pages of a book of pages, by their number. */
export function pagesOf(doc: Node): PageInText[] {
  const pages: PageInText[] = [];
  doc.forEach((node, at) => {
    if (node.type.name === 'page') pages.push({ node, at, attrs: node.attrs as GroundPageAttrs });
  });
  return pages;
}

/** An entry of the outline of a book of pages, and where it stands in the text. */
export interface EntryInText {
  node: Node;
  at: number;
  attrs: EntryAttrs;
  title: string;
}

/** The outline of a book of pages, in its order. */
export function entriesOf(doc: Node): EntryInText[] {
  const entries: EntryInText[] = [];
  doc.forEach((node, at) => {
    if (node.type.name === 'entry')
      entries.push({ node, at, attrs: node.attrs as EntryAttrs, title: node.textContent });
  });
  return entries;
}

/** Where a place of a book of pages is: its page, where that stands in the text, and the spot; the upper left corner is the page as a whole. */
export interface PagePlace extends Omit<PageSpot, 'id'> {
  page: GroundPageAttrs;
  at: number;
}

/** Every place of a book of pages by its id: its pages, their spots, and the entries of its outline. */
export function placesOnPages(doc: Node): Map<string, PagePlace> {
  const places = new Map<string, PagePlace>();
  for (const { at, attrs: page } of pagesOf(doc)) {
    places.set(page.id, { page, at, name: '', x: 0, y: 0, zoom: null });
    for (const { id, ...spot } of page.spots) places.set(id, { page, at, ...spot });
  }
  for (const { attrs } of entriesOf(doc)) {
    const page = places.get(attrs.page);
    if (page) places.set(attrs.id, { ...page, y: attrs.y ?? 0 });
  }
  return places;
}

/** Whether a text is one of pages: all that it has are pages of a finished file, and the entries of their outline. */
export const isOfPages = (doc: Node): boolean => doc.firstChild?.type.name === 'page';

/** Whether a text of pages has the pages that it had, in their order: they are those of its file, and stay. */
export function keepsPages(before: Node, after: Node): boolean {
  if (!isOfPages(before)) return !isOfPages(after);
  const numbers = (doc: Node) => pagesOf(doc).map(({ attrs }) => attrs.number);
  const [one, other] = [numbers(before), numbers(after)];
  return one.length === other.length && one.every((number, at) => number === other[at]);
}

/** Whether parts of a node can lead somewhere: of a picture, or of a page. */
export const hasAreas = ({ type }: Node): boolean => type.name === 'figure' || type.name === 'page';
