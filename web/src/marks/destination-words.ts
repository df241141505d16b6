import type { Destination } from '@vennet/core/destination';
import type { Place } from '@vennet/core/manuscript';

/** Where a destination leads, short enough for one line: a web address without its scheme, a place by its words. */
export function destinationWords(destination: Destination, places: Map<string, Place>): string {
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
      return 'A file of this book';
    case 'book':
      return 'Another book';
  }
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
