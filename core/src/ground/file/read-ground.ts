import { PdfDict, PdfString } from '@libpdf/core';
import { resolveHref, Tally, type BringInReport } from '../../bring-in/index.js';
import { NOWHERE, type Destination } from '../../destination/index.js';
import {
  BOUNDS,
  boxAround,
  schema,
  type GroundPageAttrs,
  type LinkArea,
  type PageSpot,
} from '../../manuscript/index.js';
import { sizeShown, type PageFrame } from '../frame.js';
import { linksOn, type FileLink, type Leads } from './links.js';
import type { GroundFile } from './open.js';
import { leadsToPage, outlineOf, type FileEntry } from './outline.js';
import { FileSpots, labelsIn, type Target } from './spots.js';
import { NO_TEXT, wordsIn, type PageText } from '../page-text.js';

/** The pages of a finished file with their links and spots, and its outline. */
export interface PagesOfFile {
  pages: GroundPageAttrs[];
  /** As it stands in the file, what leads to no page of it included. */
  outline: FileEntry[];
  report: BringInReport;
}

/** What of a finished file becomes a book of pages. */
export interface GroundRead {
  /** The JSON of a `doc` of pages. */
  doc: object;
  /** What the file says of itself; empty where it says nothing. */
  title: string;
  author: string;
  language: string;
  report: BringInReport;
}

/** The words and pictures of a page, by its index and how it is shown. */
export type TextOf = (index: number, frame: PageFrame) => PageText;

/** The id of a page's place, by its index. */
export const pageId = (index: number): string => `page-${index + 1}`;
/** The id of a link, by where it stands in the file. */
const linkId = (from: string): string => `link-${from}`;

/**
 * Reads the pages of a finished file with their links, spots and outline. The same bytes give the same ids, so that what the
 * author has changed since can be told from what the file had.
 */
export function readPages(file: GroundFile, textOf: TextOf): PagesOfFile {
  const spots = new FileSpots(file);
  const places = new Places(spots);
  const labels = labelsIn(file);
  const told = new Tally();
  const pages = file.pages.map(({ frame }, index): GroundPageAttrs => {
    const { links, unseen } = linksOn(file, spots, index);
    if (unseen > 0)
      told.add('leftOut', 'links', 'nobody can see or press them; they stay in the file as they are', unseen);
    const text = links.length > 0 ? textOf(index, frame) : NO_TEXT;
    const areas = links.slice(0, BOUNDS.onPage).flatMap((link) => areaOf(link, text, places, told));
    if (links.length > BOUNDS.onPage)
      told.add(
        'leftOut',
        'links',
        `a page has at most ${BOUNDS.onPage} of them; the rest stay as they are`,
        links.length - BOUNDS.onPage,
      );
    const { width, height } = sizeShown(frame);
    return {
      id: pageId(index),
      number: index + 1,
      label: labels[index] ?? '',
      width,
      height,
      areas,
      spots: [],
    };
  });
  const outline = outlineOf(file, spots);
  const kept = outline.filter(leadsToPage).length;
  told.add('kept', 'entries of the outline', undefined, kept);
  told.add(
    'leftOut',
    'entries of the outline',
    'they lead to no page of the file; they stay in it as they are',
    outline.length - kept,
  );
  told.add('kept', 'pages', undefined, pages.length);
  told.add(
    'kept',
    'links',
    undefined,
    pages.reduce((sum, { areas }) => sum + areas.length, 0),
  );
  told.add('kept', 'named spots', undefined, places.named);
  // Which spots links lead to is known once all links are read.
  const withSpots = pages.map((page, index) => ({ ...page, spots: places.on(index) }));
  return { pages: withSpots, outline, report: told.report() };
}

/** The same as a text of the book's schema, with what the file says of itself. */
export function readGround(file: GroundFile, textOf: TextOf): GroundRead {
  const { pages, outline, report } = readPages(file, textOf);
  const entries = outline.flatMap((entry, at) => {
    if (!leadsToPage(entry)) return [];
    const { title, level, target, from } = entry;
    const attrs = {
      id: `entry-${at + 1}`,
      level,
      page: pageId(target.page),
      y: target.spot?.y ?? null,
      from,
    };
    return [schema.node('entry', attrs, schema.text((title || UNTITLED).slice(0, BOUNDS.words)))];
  });
  const doc = schema.node('doc', null, [...pages.map((attrs) => schema.node('page', attrs)), ...entries]);
  return { doc: doc.toJSON() as object, ...saidOfItself(file), report };
}

/** What an entry of the outline is called that has no words. */
export const UNTITLED = '—';

function areaOf(
  { from, boxes, contents, frame, leads, more }: FileLink,
  text: PageText,
  places: Places,
  told: Tally,
): LinkArea[] {
  const destination = destinationOf(leads, places, told);
  if (!destination) return [];
  for (const what of more)
    told.add(
      'changed',
      'links',
      `they do something else as well: ${what}; that stays as long as the link is not changed`,
    );
  const words = wordsIn(text, boxes).slice(0, BOUNDS.words);
  const name = contents === words ? '' : contents.slice(0, BOUNDS.words);
  return [
    {
      id: linkId(from),
      ...boxAround(boxes),
      name,
      destination,
      hoverNote: '',
      frame,
      ...(words === '' ? {} : { words }),
      ...(boxes.length > 1 ? { lines: boxes } : {}),
      from,
    },
  ];
}

function destinationOf(leads: Leads, places: Places, told: Tally): Destination | null {
  switch (leads.kind) {
    case 'spot':
      return { kind: 'place', place: places.idOf(leads.target, leads.name) };
    case 'nowhere':
      told.add(
        'changed',
        'links that lead nowhere',
        'the spot is not in the file; say where they are to lead',
      );
      return { kind: 'place', place: NOWHERE };
    case 'file':
      told.add(
        'changed',
        'links to other files',
        `put the file onto the Shelf and let the link lead there; until then it stays as it is: ${leads.path.slice(0, 120)}`,
      );
      return { kind: 'place', place: NOWHERE };
    case 'other':
      told.add(
        'leftOut',
        'links',
        `what they do is ${leads.what}, which only some reading programs do; they stay in the file as they are`,
      );
      return null;
    case 'address': {
      const found = resolveHref(leads.address, '', NO_FILES);
      if ('kind' in found) return found;
      if ('missing' in found) {
        told.add(
          'changed',
          'links to other files',
          `put the file onto the Shelf and let the link lead there; until then it stays as it is: ${found.missing.slice(0, 120)}`,
        );
        return { kind: 'place', place: NOWHERE };
      }
      told.add('leftOut', 'links', `${found.leftOut}; they stay in the file as they are`);
      return null;
    }
  }
}

const NO_FILES: Parameters<typeof resolveHref>[2] = {
  ids: { find: () => undefined },
  chapters: new Map<string, string>(),
  outside: null,
  fileAt: () => null,
};

/** The spots of a file as places of the book: those with a name, and those that only links lead to. */
class Places {
  readonly #byPage = new Map<number, PageSpot[]>();
  readonly #names = new Map<string, string>();
  readonly #nameless = new Map<string, string>();

  constructor(spots: FileSpots) {
    let count = 0;
    for (const [name, target] of spots.named) {
      if (!target.spot) {
        this.#names.set(name, pageId(target.page));
        continue;
      }
      const id = `spot-${++count}`;
      if (this.#add(target.page, { id, name: name.slice(0, BOUNDS.words), ...target.spot }))
        this.#names.set(name, id);
      else this.#names.set(name, pageId(target.page));
    }
  }

  get named(): number {
    return this.#names.size;
  }

  idOf({ page, spot }: Target, name: string | null): string {
    const named = name === null ? undefined : this.#names.get(name);
    if (named) return named;
    if (!spot) return pageId(page);
    const key = `${page} ${spot.x} ${spot.y} ${spot.zoom}`;
    const known = this.#nameless.get(key);
    if (known) return known;
    const id = `at-${page + 1}-${this.#nameless.size + 1}`;
    const made = this.#add(page, { id, name: '', ...spot }) ? id : pageId(page);
    this.#nameless.set(key, made);
    return made;
  }

  on(page: number): PageSpot[] {
    return this.#byPage.get(page) ?? [];
  }

  #add(page: number, spot: PageSpot): boolean {
    const here = this.#byPage.get(page) ?? [];
    if (here.length >= BOUNDS.onPage) return false;
    here.push(spot);
    this.#byPage.set(page, here);
    return true;
  }
}

function saidOfItself({
  catalog,
  pdf,
  resolve,
}: GroundFile): Pick<GroundRead, 'title' | 'author' | 'language'> {
  const info = resolve(pdf.context.info.trailer.get('Info'));
  const said = (key: string): string => {
    const value = info instanceof PdfDict ? resolve(info.get(key)) : null;
    return value instanceof PdfString ? value.asString().replace(/\s+/g, ' ').trim() : '';
  };
  const language = resolve(catalog.get('Lang'));
  return {
    title: said('Title'),
    author: said('Author'),
    language: language instanceof PdfString ? language.asString().trim() : '',
  };
}
