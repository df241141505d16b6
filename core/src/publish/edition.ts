import type { Node } from 'prosemirror-model';
import { hrefOf, type Destination } from '../destination/index.js';
import { linksOf, placesOf, type Link, type Place, type ReadBook } from '../manuscript/index.js';

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

/** One link as a made file must have it. */
export interface ExpectedLink {
  id: string;
  href: string;
  text: string;
  chapter: string;
}

/** What every form of publishing works from: the book, its links and places, and the ids that go into files. */
export interface Edition {
  book: ReadBook;
  links: Link[];
  places: Map<string, Place>;
  enclosures: Map<string, EnclosureFile>;
}

export function editionOf(book: ReadBook, enclosures: Iterable<EnclosureFile>): Edition {
  return {
    book,
    links: linksOf(book),
    places: placesOf(book),
    enclosures: new Map([...enclosures].map((file) => [file.id, file])),
  };
}

/** Where a destination leads in a made file, or `null` where the file has no such thing. */
export function targetIn(
  edition: Edition,
  destination: Destination,
): { href: string } | { place: string } | null {
  if (destination.kind === 'web' || destination.kind === 'mail') return { href: hrefOf(destination) };
  if (destination.kind === 'place' && edition.places.has(destination.place))
    return { place: destination.place };
  return null;
}

/** Hands out each id of a book once, so that no file has an id twice. */
export function onceEach(): (id: unknown) => string | null {
  const given = new Set<string>();
  return (id) => {
    if (typeof id !== 'string' || id === '' || given.has(id)) return null;
    given.add(id);
    return id;
  };
}

/** Ids for headings that have none, by their order in the chapter: the same in two exports of one book. */
export function headingId(chapter: string, heading: Node, index: number): string {
  return (heading.attrs.id as string | null) ?? `${chapter}-h${index}`;
}
