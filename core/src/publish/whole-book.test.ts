import { describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import type { Format, Structure } from '../manuscript/index.js';
import { linksInEpub, linksInWebPage, prove } from '../readback/index.js';
import { structured } from '../testing/books.js';
import { expectAsExample } from '../testing/expected.js';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '../testing/whole-book.js';
import {
  computedLinks,
  editionOf,
  expectedLinks,
  lossesIn,
  makeEpub,
  makeWebPage,
  typesetBook,
  withBook,
  withPages,
  type Edition,
} from './index.js';

const MODIFIED = new Date('2026-11-23T12:00:00Z');
const edition = (format: Format, more: Partial<Structure> = {}, language = 'en-GB'): Edition =>
  editionOf(structured(wholeBook({ language }), more), wholeBookPictures, format, wholeBookSurroundings);
const NOTES_OF_BOOK: Partial<Structure> = {
  numbering: 'parts',
  notes: { count: 'book', stand: 'book', back: 'Back up' },
  returns: { after: 0, to: [] },
};
const NOTES_BY_CHAPTER: Partial<Structure> = { notes: { count: 'chapter', stand: 'book', back: '' } };
const NOTES_AT_FOOT: Partial<Structure> = {
  numbering: 'none',
  notes: { count: 'book', stand: 'page', back: '' },
  returns: { after: 1, to: ['top'] },
};

/** What stands about links in an edition, beside the made file. */
const told = (one: Edition) => ({
  losses: lossesIn(one),
  list: withBook(one),
  links: expectedLinks(one),
  computed: computedLinks(one),
});

describe('the worked example, a book with everything in it', () => {
  test('as an e-book: each file of it', () => {
    const made = edition('epub');
    const bytes = makeEpub(made, { modified: MODIFIED });
    const files = unzipSync(bytes);
    for (const [name, content] of Object.entries(files))
      if (/\.(?:xhtml|opf|xml|css|svg)$/.test(name) && !name.includes('pictures/'))
        expectAsExample(`epub/${name.replace('EPUB/', '')}`, strFromU8(content));
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining([
        'EPUB/pictures/e1.png',
        'EPUB/pictures/e2.gif',
        'EPUB/pictures/e3.svg',
        'EPUB/files/tide-table.pdf',
      ]),
    );
    expectAsExample('epub/told.json', told(made));
    expectAsExample('epub/found.json', linksInEpub(bytes));
    expectAsExample('epub/proof.json', prove(expectedLinks(made), linksInEpub(bytes), computedLinks(made)));
  });

  test('as an e-book whose notes stand at its end, counted through or by chapter', () => {
    for (const [name, structure] of [
      ['epub-notes-of-book', NOTES_OF_BOOK],
      ['epub-notes-by-chapter', NOTES_BY_CHAPTER],
    ] as const) {
      const files = unzipSync(makeEpub(edition('epub', structure, 'de'), { modified: MODIFIED }));
      for (const file of ['notes.xhtml', 'nav.xhtml', 'chapter-002.xhtml'])
        expectAsExample(`${name}/${file}`, strFromU8(files[`EPUB/${file}`]!));
    }
  });

  test('as a web page', () => {
    const made = edition('web');
    const page = makeWebPage(made);
    expectAsExample('web/page.html', strFromU8(page));
    const found = linksInWebPage(page, new Set(made.paths.values()));
    expectAsExample('web/proof.json', prove(expectedLinks(made), found, computedLinks(made)));
    expectAsExample('web/told.json', told(made));
    const other = edition('web', NOTES_OF_BOOK, 'fr');
    expectAsExample('web/notes-of-book.html', strFromU8(makeWebPage(other)));
  });

  test('as what the typesetter reads', () => {
    const pictures = new Map([
      ['e1', '/e1.png'],
      ['e2', '/e2.gif'],
      ['e3', '/e3.svg'],
    ]);
    const made = edition('pdf');
    const labels = new Map([...made.places.keys()].map((id, index) => [id, String(index + 1)]));
    const set = withPages(made, labels);
    expectAsExample('pdf/book.json', typesetBook(set, pictures));
    expectAsExample('pdf/told.json', told(set));
    for (const [name, structure] of [
      ['notes-at-foot', NOTES_AT_FOOT],
      ['notes-of-book', NOTES_OF_BOOK],
      ['notes-by-chapter', NOTES_BY_CHAPTER],
    ] as const)
      expectAsExample(`pdf/${name}.json`, typesetBook(edition('pdf', structure), pictures));
  });
});
