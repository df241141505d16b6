import { withoutEmptyParagraphs } from './empty-paragraphs.js';
import { withPlaceIds } from '../../edits/index.js';
import { hrefOf, type Destination } from '../../destination/index.js';
import { plainWords } from '../../language/index.js';
import {
  docWithinBounds,
  isManuscript,
  linksOf,
  placesOf,
  sayingOf,
  type BookMap,
  type Format,
  type Link,
  type Place,
  type ReadBook,
  type Return,
  type Saying,
} from '../../manuscript/index.js';
import type { Node } from 'prosemirror-model';
import type { Told } from '../../reader/index.js';
import { NO_SURROUNDINGS, travellingPaths, type ShelfFile, type Surroundings } from '../../shelf/index.js';
import { DEFAULT_PDF, type PdfChoices } from '../choices.js';
import { DEFAULT_FORMS, type FlowChoices } from '../flow-choices.js';
import { namesIn } from './names.js';
import { returnsIn } from './returns-in.js';
import { sourcesOf, type SeenPage } from './sources.js';

/** A file of the book as an export needs it. */
export interface EnclosureFile {
  id: string;
  name: string;
  type: string;
  bytes: Uint8Array;
}

/** The types of pictures that every made file can carry, and how their files end. */
export const PICTURE_EXTENSIONS: Record<string, string> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/svg+xml': 'svg',
};

/** A font of the Shelf, with its bytes; it is called by its family. */
export const isFont = ({ type, bytes }: EnclosureFile): boolean =>
  type.startsWith('font/') && bytes.length > 0;

/** What every form of publishing works from: the book, its links and places, and what goes along with it. */
export interface Edition {
  format: Format;
  /** The book as it is written: without the chapters that are left out, with ids at all places and with return links. */
  book: ReadBook;
  map: BookMap;
  links: Link[];
  places: Map<string, Place>;
  /** The words of references in this form. */
  say: Saying;
  /** Where a return link leads, as far as that is in this edition. */
  returnsOf(node: Node): Return[];
  /** Ids of links to which return links lead: they are places in the made file. */
  origins: ReadonlySet<string>;
  /** Places that the book has, but this edition does not. */
  leftOut: ReadonlySet<string>;
  enclosures: Map<string, EnclosureFile>;
  surroundings: Surroundings;
  /** How its pages are set, where it has some. */
  pdf: PdfChoices;
  /** How it is made, where it has no pages. */
  flow: FlowChoices;
  /** Pages of a PDF that it lists, in their order: what they are called, by the ids of the anchors where they begin. */
  pages: ReadonlyMap<string, string>;
  /** What the made file calls a place; each form has rules of its own for such names. */
  nameOf(place: string): string;
  /** Where each file stands that readers get with the book, by its id: `files/tide-table.pdf`. */
  paths: Map<string, string>;
}

/** What is chosen for an edition; what is left out is as usual. */
export interface EditionChoices {
  pdf?: PdfChoices;
  flow?: FlowChoices;
  /** What is known of pages of the web, by their addresses. */
  seen?: ReadonlyMap<string, SeenPage>;
  pages?: ReadonlyMap<string, string>;
}

export function editionOf(
  whole: ReadBook,
  enclosures: Iterable<EnclosureFile>,
  format: Format,
  surroundings: Surroundings = NO_SURROUNDINGS,
  {
    pdf = DEFAULT_PDF,
    flow = DEFAULT_FORMS[format === 'pdf' ? 'epub' : format],
    seen = new Map(),
    pages = new Map(),
  }: EditionChoices = {},
): Edition {
  const within = whole.chapters.filter(({ leftOutOf }) => !leftOutOf.includes(format));
  const sources = (format === 'pdf' ? pdf : flow).sources
    ? sourcesOf({ ...whole, chapters: within }, seen)
    : null;
  const kept = {
    ...whole,
    ...spoken(whole),
    chapters: [...within, ...(sources ? [sources] : [])].map((chapter) => ({
      ...chapter,
      title: plainWords(chapter.title, Infinity),
      doc: withPlaceIds(withoutEmptyParagraphs(docWithinBounds(chapter.doc)), chapter.id),
    })),
  };
  const { book, map, returnsOf, origins } = returnsIn(kept);
  // Where a form has pages, they are known only once they are set.
  const say = format === 'pdf' ? saying(book, map, () => '…') : map.say;
  const links = linksOf(book, say);
  const { places } = map;
  const names = namesIn(format, book, [...places.keys(), ...origins]);
  return {
    nameOf: (place) => names.get(place) ?? place,
    format,
    book,
    map,
    links,
    places,
    say,
    returnsOf,
    origins,
    surroundings,
    pdf,
    flow,
    pages: new Map([...pages].filter(([id]) => places.has(id))),
    leftOut: new Set([...placesOf(whole).keys()].filter((id) => !places.has(id))),
    enclosures: new Map([...enclosures].map((file) => [file.id, file])),
    paths: travellingPaths(travellers(links, surroundings)),
  };
}

/** What a book says of itself, in signs that every file can carry. */
const spoken = ({ title, subtitle, author, description }: ReadBook) => ({
  title: plainWords(title, Infinity),
  subtitle: plainWords(subtitle, Infinity),
  author: plainWords(author, Infinity),
  description: plainWords(description, Infinity),
});

/** What is told of files in an edition: in the language of its book. */
export const toldIn = ({ book, surroundings }: Edition): Told => ({
  ...surroundings,
  language: book.language,
});

/** The edition once its pages are set: what references to pages read is known. `labels` are those of the pages, by place. */
export function withPages(edition: Edition, labels: ReadonlyMap<string, string>): Edition {
  const say = saying(edition.book, edition.map, (place) => labels.get(place) ?? '');
  return { ...edition, say, links: linksOf(edition.book, say) };
}

const saying = (
  { language }: ReadBook,
  { places, orders }: BookMap,
  pageOf: (place: string) => string,
): Saying => sayingOf(places, orders, { language, pageOf });

/** The files that readers get with the book: those that links lead to and that everyone may open, by their names. */
function travellers(links: readonly Link[], { files }: Surroundings): ShelfFile[] {
  const linked = new Set(links.flatMap(({ destination: to }) => (to.kind === 'file' ? [to.enclosure] : [])));
  return [...files.values()]
    .filter((file) => linked.has(file.id) && file.opensFor === 'everyone' && file.travels !== 'public')
    .sort((one, other) => (one.name < other.name ? -1 : one.name > other.name ? 1 : 0));
}

/** A web page for each chapter. */
export const isSite = ({ format, flow }: Pick<Edition, 'format' | 'flow'>): boolean =>
  format === 'web' && flow.split === 'chapters';

/** It is made as an archive that holds all that readers get. */
export const holdsAll = (edition: Pick<Edition, 'format' | 'flow'>): boolean =>
  edition.format === 'markdown' || isSite(edition);

/** Files that are put into the made file itself, with their paths; an archive holds them all. */
export function filesInside(edition: Edition): [string, ShelfFile][] {
  const { format, paths, surroundings } = edition;
  if ((format === 'web' && !isSite(edition)) || format === 'docx' || format === 'odt') return [];
  return [...paths].flatMap(([id, path]): [string, ShelfFile][] => {
    const file = surroundings.files.get(id);
    return file && (file.travels === 'inside' || holdsAll(edition)) ? [[path, file]] : [];
  });
}

/** The bytes of a file of the book; none of one that is gone. */
export const bytesOf = ({ enclosures }: Edition, id: string): Uint8Array =>
  enclosures.get(id)?.bytes ?? new Uint8Array();

/** Files that lie in a folder next to the made file, with their paths. A web page and a manuscript have no inside. */
export function filesBeside(edition: Edition): [string, ShelfFile][] {
  const { format, paths, surroundings } = edition;
  if (holdsAll(edition)) return [];
  return [...paths].flatMap(([id, path]): [string, ShelfFile][] => {
    const file = surroundings.files.get(id);
    return file && (format === 'web' || isManuscript(format) || file.travels === 'beside')
      ? [[path, file]]
      : [];
  });
}

/** Where a destination leads in a made file: an address, a place in it, or `null` where the file has no such thing. */
export function targetIn(
  edition: Edition,
  destination: Destination,
): { href: string } | { place: string } | null {
  switch (destination.kind) {
    case 'web':
    case 'mail':
      return { href: hrefOf(destination) };
    case 'place':
      return edition.places.has(destination.place) ? { place: destination.place } : null;
    case 'file':
      return targetOfFile(edition, destination.enclosure, destination.fragment);
    case 'book': {
      const book = edition.surroundings.books.get(destination.book);
      if (!book) return null;
      if (!book.address && liesBeside(edition)) {
        const spot = edition.format === 'pdf' ? '#nameddest=' : '#';
        const place = destination.place ? spot + encodeURI(destination.place) : '';
        return { href: encodeURI(madeFileName(book.title, edition.format)) + place };
      }
      if (!book.address) return { place: entryId(book.id) };
      const url = new URL(book.address);
      if (destination.place) url.hash = destination.place;
      return { href: url.href };
    }
  }
}

/** Where a destination leads in a finished file, whose pages stay: what other forms say in a list at their end has no place there. */
export function targetOnPages(
  edition: Edition,
  destination: Destination,
): { href: string } | { place: string } | { attached: string } | null {
  const target = targetIn(edition, destination);
  if (!target || 'href' in target || destination.kind === 'place') return target;
  if (destination.kind !== 'file') return null;
  const path = edition.paths.get(destination.enclosure);
  const isInside = edition.surroundings.files.get(destination.enclosure)?.travels === 'inside';
  return path && isInside ? { attached: path } : null;
}

/** Whether other books lie beside the made file; manuscripts are given on together. */
const liesBeside = ({ format, flow, pdf }: Edition): boolean =>
  isManuscript(format) ||
  (format === 'pdf' && pdf.companions) ||
  (format === 'web' && flow.companions && flow.split === 'one');

/** The other books that links lead to beside the made file: their ids, and what their files are called. */
export function companionsOf(edition: Edition): [id: string, file: string][] {
  if (!liesBeside(edition)) return [];
  const led = new Set(edition.links.flatMap(({ destination: to }) => (to.kind === 'book' ? [to.book] : [])));
  return [...edition.surroundings.books.values()]
    .filter(({ id, address }) => led.has(id) && !address)
    .map(({ id, title }) => [id, madeFileName(title, edition.format)]);
}

function targetOfFile(
  edition: Edition,
  id: string,
  fragment = '',
): { href: string } | { place: string } | null {
  const file = edition.surroundings.files.get(id);
  if (!file) return null;
  // `page=3` stays as it is: the signs of a fragment are those of RFC 3986, 3.5, and programs read what PDF puts there (RFC 8118).
  const hash = fragment === '' ? '' : `#${encodeURI(fragment).replace(/#/g, '%23')}`;
  if (file.opensFor === 'everyone' && file.travels === 'public')
    return file.address ? { href: file.address + hash } : null;
  const path = edition.paths.get(id);
  // An e-book can't lead out of its container to a file next to it, nor a PDF to a file within itself.
  const direct =
    edition.format === 'web' ||
    isManuscript(edition.format) ||
    (edition.format === 'epub') === (file.travels === 'inside');
  return path && direct ? { href: path + hash } : { place: entryId(id) };
}

/** How the names of made files end. */
export const ENDINGS: Record<Format, string> = {
  epub: 'epub',
  pdf: 'pdf',
  web: 'html',
  docx: 'docx',
  odt: 'odt',
  markdown: 'md',
};

/** The title of a book as the name of a made file, which every system takes. */
export function madeFileName(title: string, format: Format): string {
  const words = title
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 80);
  return `${words || 'book'}.${ENDINGS[format]}`;
}

/** The id of an entry in the list of what goes with the book. */
export const entryId = (id: string): string => `with-${id}`;

/** Hands out each id of a book once, so that no file has an id twice. */
export function onceEach(): (id: unknown) => string | null {
  const given = new Set<string>();
  return (id) => {
    if (typeof id !== 'string' || id === '' || given.has(id)) return null;
    given.add(id);
    return id;
  };
}
