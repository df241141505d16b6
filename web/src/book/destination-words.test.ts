import { describe, expect, test } from '@jest/globals';
import type { Destination } from '@vennet/core/destination';
import type { Place } from '@vennet/core/manuscript';
import type { ShelfFile } from '@vennet/core/shelf';
import { destinationWords, readable } from './destination-words.js';

const names = {
  places: new Map([
    ['p', { words: 'The light' } as Place],
    ['q', { words: '' } as Place],
  ]),
  surroundings: {
    files: new Map([['f', { name: 'tides.pdf' } as ShelfFile]]),
    books: new Map([
      ['b', { id: 'b', title: 'Words', author: '', address: null, places: new Map([['wick', 'Wick']]) }],
    ]),
  },
};
const mail = { cc: [], bcc: [], subject: '', body: '' };

describe('where a destination leads, in a line', () => {
  test.each<[Destination, string]>([
    [{ kind: 'web', href: 'https://lamp.example/' }, 'lamp.example'],
    [{ kind: 'mail', to: ['a@lamp.example', 'b@lamp.example'], ...mail }, 'a@lamp.example, b@lamp.example'],
    [{ kind: 'mail', to: [], ...mail }, 'Email without an address'],
    [{ kind: 'place', place: 'p' }, 'The light'],
    [{ kind: 'place', place: 'q' }, 'A spot in this book'],
    [{ kind: 'place', place: 'gone' }, 'A place that is not there'],
    [{ kind: 'file', enclosure: 'f' }, 'tides.pdf'],
    [{ kind: 'file', enclosure: 'f', fragment: 'page=2' }, 'tides.pdf#page=2'],
    [{ kind: 'file', enclosure: 'gone' }, 'A file that is not there'],
    [{ kind: 'book', book: 'b' }, 'Words'],
    [{ kind: 'book', book: 'b', place: 'wick' }, 'Words: Wick'],
    [{ kind: 'book', book: 'b', place: 'gone' }, 'Words'],
    [{ kind: 'book', book: 'gone' }, 'A book that is not there'],
  ])('%j: %s', (destination, words) => expect(destinationWords(destination, names)).toBe(words));
});

// RFC 3986, 2.1: what is percent-encoded is read as UTF-8 where it can be.
test.each([
  ['http://lamp.example/a/b/', 'lamp.example/a/b'],
  ['https://lamp.example/%C3%BC', 'lamp.example/ü'],
  ['https://lamp.example/%E0%A4%A', 'lamp.example/%E0%A4%A'],
])('%s is read as %s', (href, words) => expect(readable(href)).toBe(words));
