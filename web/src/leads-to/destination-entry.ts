import {
  fileNamed,
  mailAddressesIn,
  parseMailto,
  recognise,
  type Destination,
  type Recognition,
} from '@vennet/core/destination';
import { destinationWords } from '../book/destination-words.js';
import { useBook, type BookStore } from '../book/store.js';
import type { PageToName, SpotToName } from '../editor/state/pointing.js';

/** What the author has said of a destination so far. */
export interface DestinationEntry {
  typed: string;
  /** What was picked from the suggestions: it stands until something else is typed. */
  picked: Destination | null;
  /** The spot that gets a name when the link is made: what was picked leads there. */
  spot?: SpotToName;
  /** Leave the tracking parameters of the typed address out. */
  untracked: boolean;
  /** The fields of an email beside its addresses. */
  mail: { cc: string; bcc: string; subject: string; body: string };
}

const NO_MAIL: DestinationEntry['mail'] = { cc: '', bcc: '', subject: '', body: '' };

/** The entry of a destination that is there, or an empty one. */
export function entryOf(
  destination: Destination | null,
  names: Pick<BookStore, 'places' | 'surroundings'>,
): DestinationEntry {
  const empty = { typed: '', picked: null, untracked: true, mail: NO_MAIL };
  if (!destination) return empty;
  if (destination.kind === 'web') return { ...empty, typed: destination.href, untracked: false };
  if (destination.kind !== 'mail')
    return { ...empty, typed: destinationWords(destination, names), picked: destination };
  const { to, cc, bcc, subject, body } = destination;
  return {
    ...empty,
    typed: to.length > 0 ? to.join(', ') : 'mailto:',
    mail: { cc: cc.join(', '), bcc: bcc.join(', '), subject, body },
  };
}

/** The entry of a spot that has no name yet. */
export const entryOfSpot = (spot: SpotToName): DestinationEntry => ({
  ...entryOf(null, useBook.getState()),
  typed: spot.words,
  picked: { kind: 'place', place: spot.id },
  spot,
});

/** The entry of a spot of a page that is pointed at. */
export const entryOfPage = (onPage: PageToName): DestinationEntry => {
  const { chapter, spot } = onPage;
  const { id, name } = spot;
  return entryOfSpot({ id, chapter, from: 0, to: 0, words: name, item: '', sentence: '', onPage });
};

/** The spot that is still to be named for what an entry says. */
export const spotIn = ({ picked, spot }: DestinationEntry): SpotToName | null => (picked && spot) ?? null;

/** What an entry says: what the typed words were taken for, and the destination that comes of it, if any. */
export interface EntryReading {
  recognition: Recognition | null;
  destination: Destination | null;
  /** Header fields of a typed `mailto:` that are not carried on. */
  dropped: string[];
  /** Fields for copies whose addresses can't be read. */
  badCopies: readonly ('cc' | 'bcc')[];
}

export function readEntry(entry: DestinationEntry): EntryReading {
  const { typed, picked, untracked, mail } = entry;
  const nothing = { recognition: null, destination: null, dropped: [], badCopies: [] };
  if (picked) return { ...nothing, destination: picked };
  // What is called as a file of the Shelf is that file, before it is taken for a site.
  const file = fileNamed(typed, useBook.getState().surroundings.files.values());
  if (file) return { ...nothing, destination: file };
  const recognition = recognise(typed);
  if (!recognition.ok) return { ...nothing, recognition };
  const destination = untracked ? recognition.untracked : recognition.destination;
  if (destination.kind !== 'mail') return { ...nothing, recognition, destination };
  const [cc, bcc] = [copiesIn(mail.cc), copiesIn(mail.bcc)];
  const told = {
    cc: [...destination.cc, ...(cc ?? [])],
    bcc: [...destination.bcc, ...(bcc ?? [])],
    subject: destination.subject || mail.subject,
    body: destination.body || mail.body,
  };
  return {
    recognition,
    destination: cc && bcc ? { ...destination, ...told } : null,
    dropped: parseMailto(typed)?.dropped ?? [],
    badCopies: [...(cc ? [] : (['cc'] as const)), ...(bcc ? [] : (['bcc'] as const))],
  };
}

const copiesIn = (typed: string): string[] | null => (typed.trim() === '' ? [] : mailAddressesIn(typed));

/** A `mailto:` that was typed or pasted whole becomes addresses and fields, so that each can be seen and changed. */
export function spreadMailto(entry: DestinationEntry): DestinationEntry {
  if (entry.picked || !/^\s*mailto:/i.test(entry.typed)) return entry;
  const { destination } = readEntry(entry);
  if (destination?.kind !== 'mail' || destination.to.length === 0) return entry;
  const { to, cc, bcc, subject, body } = destination;
  return { ...entry, typed: to.join(', '), mail: { cc: cc.join(', '), bcc: bcc.join(', '), subject, body } };
}
