import type { Destination } from '@vennet/core/destination';
import type { Surroundings } from '@vennet/core/shelf';
import type { BookStore } from './store.js';

/** Where a destination leads, short enough for one line: a web address without its scheme, a place by its words. */
export function destinationWords(
  destination: Destination,
  { places, surroundings }: Pick<BookStore, 'places' | 'surroundings'>,
): string {
  switch (destination.kind) {
    case 'web':
      return readable(destination.href);
    case 'mail':
      return destination.to.join(', ') || 'Email without an address';
    case 'place':
      return (
        places.get(destination.place)?.words ||
        (places.has(destination.place) ? 'A spot in this book' : 'A place that is not there')
      );
    case 'file':
      return fileWords(destination, surroundings);
    case 'book':
      return bookWords(destination, surroundings);
  }
}

function fileWords(
  { enclosure, fragment = '' }: Extract<Destination, { kind: 'file' }>,
  { files }: Surroundings,
) {
  const name = files.get(enclosure)?.name;
  if (name === undefined) return 'A file that is not there';
  return fragment === '' ? name : `${name}#${fragment}`;
}

function bookWords({ book, place }: Extract<Destination, { kind: 'book' }>, { books }: Surroundings): string {
  const other = books.get(book);
  if (!other) return 'A book that is not there';
  const spot = place && other.places?.get(place);
  return spot ? `${other.title}: ${spot}` : other.title;
}

/** A web address as people read it: no scheme, no slash at the end, other scripts in their own letters where possible. */
export function readable(href: string): string {
  const short = href.replace(/^https?:\/\//, '').replace(/\/$/, '');
  try {
    return decodeURI(short);
  } catch {
    return short;
  }
}
