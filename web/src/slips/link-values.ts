import { isOnlyAddress } from '@vennet/core/audit';
import { hrefOf, wordsFromAddress, type Destination } from '@vennet/core/destination';
import type { Link, LinkAbout, LinkLook } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import type { BookStore } from '../book/store.js';
import type { Reading } from '../editor/changes/change-references.js';
import { entryOf, readEntry, spotIn, type DestinationEntry } from '../leads-to/destination-entry.js';

/** What the author has said of words that lead somewhere. */
export interface LinkValues {
  to: DestinationEntry;
  text: string;
  hoverNote: string;
  look: LinkLook | null;
  about: LinkAbout | null;
  reading: Reading;
}

export type Names = Pick<BookStore, 'places' | 'surroundings'>;

export const NO_READING: Reading = { form: null, own: '' };

/** What the text says of a link, or where a new one on some words begins. */
export function valuesFor(link: Link | null, reading: Reading, words: string, names: Names): LinkValues {
  const to = entryOf(link?.destination ?? null, names);
  return {
    // An address that is to be linked leads there, if the author says nothing else.
    to: !link && isOnlyAddress(words) ? { ...to, typed: words } : to,
    text: link?.text ?? words,
    hoverNote: link?.hoverNote ?? '',
    look: link?.look ?? null,
    about: link?.about ?? null,
    reading,
  };
}

/** How the words of a link come about: as a reference reads, as the author has written, or after where it leads. */
export function wordsOf(
  { text, to }: Pick<LinkValues, 'text' | 'to'>,
  said: string | null,
  names: Names,
): string {
  const { destination } = readEntry(to);
  return (
    said ?? (text.trim() || spotIn(to)?.words || (destination ? wordsForDestination(destination, names) : ''))
  );
}

/** Words for a link that has none: what its destination is called. */
export function wordsForDestination(destination: Destination, { places, surroundings }: Names): string {
  switch (destination.kind) {
    case 'web':
      return wordsFromAddress(destination.href);
    case 'mail':
      return destination.to.join(', ');
    case 'file':
      return surroundings.files.get(destination.enclosure)?.name ?? '';
    case 'place':
      return places.get(destination.place)?.words ?? '';
    case 'book':
      return surroundings.books.get(destination.book)?.title ?? '';
  }
}

/** The link that would come of what is said, for what is heard and found of it; `null` while it leads nowhere. */
export function previewOf(
  link: Link | null,
  { to, hoverNote, look, about }: LinkValues,
  text: string,
  carrier: Link['carrier'],
): Link | null {
  const { destination } = readEntry(to);
  if (!destination) return null;
  return {
    ...(link ?? NOT_IN_THE_TEXT),
    destination,
    kind: destination.kind,
    href: hrefOf(destination),
    text,
    hoverNote,
    look,
    about,
    carrier,
  };
}

/** What is not known of a link that is not made yet. */
const NOT_IN_THE_TEXT = {
  id: '',
  chapter: '',
  from: 0,
  to: 0,
  before: '',
  after: '',
  language: '',
};

/** The fields that a repair sets; `null` for one that changes more than fields. */
export function fieldsOfRepair(repair: Repair, text: string, names: Names): Partial<LinkValues> | null {
  switch (repair.type) {
    case 'text':
      return { text: repair.text };
    case 'destination':
      return { to: entryOf(repair.destination, names) };
    case 'hover-note':
      return { hoverNote: repair.hoverNote };
    case 'look':
      return { look: repair.look };
    case 'about':
      return { about: repair.about };
    case 'trim':
      return { text: text.trim() };
    default:
      return null;
  }
}
