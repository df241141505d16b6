import { expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { readBook, schema, type ReadBook } from '../manuscript/index.js';
import { linksInEpub, linksInWebPage, prove } from '../readback/index.js';
import { bookOf, heading, paragraph } from '../testing/books.js';
import { expectAsExample } from '../testing/expected.js';
import { PIXEL } from '../testing/zip.js';
import {
  computedLinks,
  editionOf,
  expectedLinks,
  lossesIn,
  makeEpub,
  makeWebPage,
  typesetBook,
  withBook,
  type EnclosureFile,
} from './index.js';

const MODIFIED = new Date('1970-01-01T00:00:00Z');

/** A book with nothing in it that could be left out: no author, notes, lists, files or links. */
const plain = (): ReadBook => ({
  ...bookOf(
    [heading(1, 'Lamps'), paragraph('words'), heading(2, ''), heading(5, 'Deep', 'deep')],
    [
      schema.node('paragraph', { id: 'p' }, [
        schema.text('bold', [
          schema.marks.strong.create(),
          schema.marks.bookmark.create({ id: 'b', name: 'B' }),
        ]),
        schema.text(' on', [schema.marks.bookmark.create({ id: 'b', name: 'B' })]),
      ]),
      schema.node('figure', { enclosure: 'jpg', alt: 'x' }),
      schema.node('figure', { enclosure: 'odd', alt: 'not shown' }),
    ],
  ),
  author: '',
  title: 'A very long title of a book that goes on over many lines of its cover until there is no room',
  subtitle: '',
  description: '',
});
const PICTURES: EnclosureFile[] = [
  { id: 'jpg', name: 'a.jpg', type: 'image/jpeg', bytes: PIXEL },
  { id: 'odd', name: 'a.tiff', type: 'image/tiff', bytes: PIXEL },
];

test('a book with nothing beside its words, in every form', () => {
  const epub = editionOf(plain(), PICTURES, 'epub');
  const bytes = makeEpub(epub, { modified: MODIFIED });
  const files = unzipSync(bytes);
  for (const name of Object.keys(files))
    if (/\.(?:xhtml|opf|svg)$/.test(name))
      expectAsExample(`plain/${name.replace('EPUB/', '')}`, strFromU8(files[name]!));
  expect(Object.keys(files)).toContain('EPUB/pictures/jpg.jpg');
  const web = editionOf(plain(), PICTURES, 'web');
  const page = makeWebPage(web);
  expectAsExample('plain/page.html', strFromU8(page));
  const pdf = editionOf(plain(), PICTURES, 'pdf');
  expectAsExample('plain/book.json', typesetBook(pdf, new Map([['jpg', '/jpg.jpg']])));
  expectAsExample(
    'plain/told.json',
    [epub, web, pdf].map((one) => [lossesIn(one), withBook(one), expectedLinks(one), computedLinks(one)]),
  );
  expect(prove([], linksInEpub(bytes), []).added).toEqual([]);
  expect(prove([], linksInWebPage(page), []).added).toEqual([]);
});

test('a book of one empty chapter is made all the same', () => {
  const empty = readBook({
    ...plain(),
    title: 'Empty',
    chapters: [
      {
        id: 'c',
        title: '',
        matter: 'front',
        leftOutOf: [],
        doc: schema.node('doc', null, [paragraph()]).toJSON() as object,
      },
    ],
  });
  const files = unzipSync(makeEpub(editionOf(empty, [], 'epub'), { modified: MODIFIED }));
  for (const name of ['nav.xhtml', 'chapter-001.xhtml'])
    expectAsExample(`plain/empty-${name}`, strFromU8(files[`EPUB/${name}`]!));
  expectAsExample('plain/empty.html', strFromU8(makeWebPage(editionOf(empty, [], 'web'))));
});
