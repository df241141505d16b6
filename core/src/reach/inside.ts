import type { Destination } from '../destination/index.js';
import type { Surroundings } from '../shelf/index.js';
import type { Verdict } from './verdict.js';

/** What decides a verdict without the network: the places of the book, its files, and the other books. */
export interface Inside extends Surroundings {
  isPlace(id: string): boolean;
}

/**
 * The verdict on a destination that needs no network: a place, file or book that is there or is not. `null` for what the
 * network has to be asked: web pages, email, and files at a public address.
 */
export function verdictInside(destination: Destination, inside: Inside): Verdict | null {
  switch (destination.kind) {
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

function onShelf(id: string, { files }: Inside): Verdict | null {
  const file = files.get(id);
  if (!file) return { verdict: 'broken', reason: 'The file it led to is not on the Shelf.' };
  if (file.opensFor === 'reviewers')
    return { verdict: 'guarded', reason: 'Only reviewers can open this file.' };
  if (file.opensFor === 'author') return { verdict: 'guarded', reason: 'Only you can open this file.' };
  if (file.travels === 'public' && file.address) return null;
  if (file.travels === 'public') return { verdict: 'broken', reason: 'The file has no public address yet.' };
  return { verdict: 'sound', reason: 'The file is on the Shelf, and every reader can open it.' };
}

/** The address that the network is asked for: of a web page, or of a file that is to be had in public. */
export function askedAddress(destination: Destination, { files }: Surroundings): string | null {
  if (destination.kind === 'web') return destination.href;
  if (destination.kind !== 'file') return null;
  const file = files.get(destination.enclosure);
  return file?.travels === 'public' && file.opensFor === 'everyone' ? file.address : null;
}
