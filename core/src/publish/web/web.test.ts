import { describe, expect, test } from '@jest/globals';
import { JSDOM } from 'jsdom';
import { DEFAULT_LOOK, schema } from '../../manuscript/index.js';
import { linksInWebPage, prove } from '../../readback/index.js';
import { bookOf, heading, linked, paragraph } from '../../testing/books.js';
import { shelfFile } from '../../testing/shelf.js';
import { PIXEL } from '../../testing/zip.js';
import {
  editionOf,
  expectedLinks,
  filesBeside,
  filesInside,
  lossesIn,
  makeWebPage,
  withBook,
} from '../index.js';

const toFile = (enclosure: string) => ({ kind: 'file' as const, enclosure });
const files = new Map(
  [
    shelfFile(),
    shelfFile({ id: 'f2', name: 'heights.csv', type: 'text/csv', travels: 'beside' }),
    shelfFile({
      id: 'f3',
      name: 'diary.txt',
      type: 'text/plain',
      opensFor: 'author',
      description: 'For my eyes',
    }),
    shelfFile({ id: 'f4', name: 'route.gpx', travels: 'public' }),
    shelfFile({ id: 'f5', name: 'not-linked.pdf' }),
  ].map((file) => [file.id, file]),
);
const other = { id: 'b2', title: 'Words', author: '', address: 'https://words.example/', places: null };
const surroundings = { files, books: new Map([['b2', other]]) };
const book = bookOf([
  heading(1, 'Tides', 'tides'),
  paragraph(
    linked('table', toFile('f1')),
    ' ',
    linked('heights', toFile('f2')),
    ' ',
    linked('diary', toFile('f3')),
    ' ',
    linked('route', toFile('f4')),
    ' ',
    linked('gone', toFile('f9')),
    ' ',
    linked('words', { kind: 'book', book: 'b2', place: 'wick' }),
    ' ',
    linked('top', { kind: 'place', place: 'tides' }),
  ),
  schema.node('figure', { enclosure: 'e1', alt: 'A dot' }),
]);
const edition = (format: 'web' | 'epub' | 'pdf') =>
  editionOf(book, [{ id: 'e1', name: 'dot.png', type: 'image/png', bytes: PIXEL }], format, surroundings);
const hrefs = (format: 'web' | 'epub' | 'pdf') => expectedLinks(edition(format)).map(({ href }) => href);

describe('links to files and other books', () => {
  test('lead to the thing itself where the form can do that, else to its entry in the list', () => {
    const [same, gone, words, top] = ['#with-f3', 'enclosure/f4', 'https://words.example/#wick', '#tides'];
    expect(hrefs('epub')).toEqual([
      'files/tide-table.pdf',
      '#with-f2',
      same,
      gone,
      'enclosure/f9',
      words,
      top,
    ]);
    expect(hrefs('pdf')).toEqual(['#with-f1', 'files/heights.csv', same, gone, 'enclosure/f9', words, top]);
    expect(hrefs('web')).toEqual([
      'files/tide-table.pdf',
      'files/heights.csv',
      same,
      gone,
      'enclosure/f9',
      words,
      top,
    ]);
  });

  test('bring along only what is linked and open to everyone', () => {
    expect(filesInside(edition('epub')).map(([path]) => path)).toEqual(['files/tide-table.pdf']);
    expect(filesBeside(edition('epub')).map(([path]) => path)).toEqual(['files/heights.csv']);
    expect(filesInside(edition('web'))).toEqual([]);
    expect(filesBeside(edition('web'))).toHaveLength(2);
    expect(withBook(edition('pdf')).entries.map(({ name, about }) => `${name}: ${about}`)).toEqual([
      'diary.txt: text file, 1 kB. It does not come with the book: ask the author for it.',
      'tide-table.pdf: PDF, 1 kB. It is attached to this document: open it from the list of attachments in your reading program.',
    ]);
  });

  test('that lead nowhere, or to the list, are told beforehand', () => {
    expect(lossesIn(edition('web')).map(({ what, count }) => `${count} ${what}`)).toEqual([
      '2 links that lead nowhere',
      '1 link to what is not in the text',
    ]);
    const pale = { ...book, look: { ...DEFAULT_LOOK, light: '#cccccc' } };
    expect(lossesIn(editionOf(pale, [], 'web', surroundings)).map(({ what }) => what)).toContain(
      'look of the links',
    );
  });
});

describe('the web page', () => {
  const bytes = makeWebPage(edition('web'));
  const { document } = new JSDOM(new TextDecoder().decode(bytes)).window;

  test('has its pictures in it and the book’s language and title', () => {
    expect(document.querySelector('img')?.getAttribute('src')).toMatch(/^data:image\/png;base64,iVBOR/);
    expect(document.documentElement.lang).toBe('en');
    expect(document.title).toBe('A book');
  });

  test('is read back link for link, files next to it too', () => {
    const paths = new Set(filesBeside(edition('web')).map(([path]) => path));
    const proof = prove(expectedLinks(edition('web')), linksInWebPage(bytes, paths));
    expect(proof).toMatchObject({ expected: 7, found: 5, changed: [], added: [] });
    expect(proof.lost.map(({ text }) => text)).toEqual(['route, PDF, 1 kB', 'gone']);
    expect(prove(expectedLinks(edition('web')), linksInWebPage(bytes)).changed).toHaveLength(2);
  });
});
