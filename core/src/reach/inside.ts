import { hrefOf, pageAddress, parseDeviceAddress, type Destination } from '../destination/index.js';
import type { Readers } from '../manuscript/index.js';
import type { Surroundings } from '../shelf/index.js';
import type { Verdict } from './verdict.js';

/** What decides a verdict without the network: the places of the book, its files, and the other books. */
export interface Inside extends Surroundings {
  isPlace(id: string): boolean;
  /** Whom the book is for: a file that all of them can open is open enough. */
  readers?: Readers;
}

/**
 * The verdict on a destination that needs no network: a place, file or book that is there or is not. `null` for what the
 * network has to be asked: web pages, email, and files at a public address.
 */
export function verdictInside(destination: Destination, inside: Inside): Verdict | null {
  switch (destination.kind) {
    case 'web':
      return onDevice(destination.href);
    case 'place':
      return inside.isPlace(destination.place)
        ? { verdict: 'sound', reason: 'The place is in this book.' }
        : { verdict: 'broken', reason: 'The place it led to is not in this book.' };
    case 'file':
      return onShelf(destination.enclosure, inside);
    case 'book': {
      const book = inside.books.get(destination.book);
      if (!book) return { verdict: 'broken', reason: 'The book it led to is not in the Library.' };
      if (destination.place && book.places && !book.places.has(destination.place))
        return { verdict: 'broken', reason: `“${book.title}” does not have the place it led to.` };
      return { verdict: 'sound', reason: 'The book is in the Library.' };
    }
    default:
      return null;
  }
}

/** A telephone number or a spot on the earth is right by how it is written (RFC 3966, RFC 5870). */
function onDevice(href: string): Verdict | null {
  const device = parseDeviceAddress(href);
  if (!device) return null;
  if (device.doubt) return { verdict: 'doubtful', reason: device.doubt };
  return {
    verdict: 'sound',
    reason: device.scheme === 'tel' ? 'A telephone number, written in full.' : 'A spot on the earth.',
  };
}

/** To how many readers a file or a book is open, as numbers that can be compared. */
const OPENNESS: Record<Readers, number> = { author: 0, reviewers: 1, everyone: 2 };

/** What is known of a file without a check of its bytes. */
const ON_SHELF: Verdict = {
  verdict: 'sound',
  reason: 'The file is on the Shelf, and its readers can open it.',
};

function onShelf(id: string, { files, readers = 'everyone' }: Inside): Verdict | null {
  const file = files.get(id);
  if (!file) return { verdict: 'broken', reason: 'The file it led to is not on the Shelf.' };
  if (OPENNESS[file.opensFor] < OPENNESS[readers])
    return {
      verdict: 'guarded',
      reason: `Only ${file.opensFor === 'author' ? 'you' : 'reviewers'} can open this file, and the book is for ${readers}.`,
    };
  if (file.travels === 'public' && file.address) return null;
  if (file.travels === 'public') return { verdict: 'broken', reason: 'The file has no public address yet.' };
  return ON_SHELF;
}

/** What a check asks for: of a web page or an email its address, of a file its public address or itself; `null` for what is inside. */
export function askedAddress(destination: Destination, { files }: Surroundings): string | null {
  switch (destination.kind) {
    case 'web':
      return pageAddress(destination);
    case 'mail':
      return hrefOf(destination);
    case 'file': {
      const file = files.get(destination.enclosure);
      if (!file) return null;
      return file.travels === 'public' ? file.address : hrefOf(destination);
    }
    default:
      return null;
  }
}

/**
 * The verdict on a destination by all that is known: where it is inside, whether it is there; else what the last check found.
 * Of a file on the Shelf a check looks at its bytes and spots, which may be worse than what the Shelf says.
 */
export function verdictOn<Checked extends Pick<Verdict, 'verdict'>>(
  destination: Destination,
  inside: Inside,
  checked: (href: string) => Checked | undefined,
): Verdict | Checked {
  const there = verdictInside(destination, inside);
  if (there && (destination.kind !== 'file' || there.verdict !== 'sound')) return there;
  const known = checked(askedAddress(destination, inside) ?? hrefOf(destination));
  return known ?? there ?? { verdict: 'unchecked', reason: 'This has not been checked yet.' };
}
