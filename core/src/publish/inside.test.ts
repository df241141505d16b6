import { describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { JSDOM } from 'jsdom';
import { bringIn } from '../bring-in/index.js';
import {
  mapOf,
  readBook,
  schema,
  spotsOf,
  type Format,
  type ReadBook,
  type Structure,
} from '../manuscript/index.js';
import { linksInEpub, linksInWebPage, prove } from '../readback/index.js';
import {
  bookmarked,
  bookOf,
  contents,
  counter,
  figure,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
  structured,
  table,
} from '../testing/books.js';
import { PIXEL } from '../testing/zip.js';
import { computedLinks, editionOf, expectedLinks, lossesIn, makeEpub, makeWebPage } from './index.js';

const MODIFIED = new Date('2026-11-24T12:00:00Z');
const plain = bookOf(
  [
    heading(1, 'Tides', 'tides'),
    contents({ depth: 1, back: true, backWords: 'Up' }, 'toc'),
    paragraph(
      'The moon',
      note('n1', 'It pulls.', ['See ', linked('oil', place('oil'), 'k1'), '.']),
      ' and again',
      noteMark('n1', 'm1'),
    ),
    heading(2, 'Springs', 'springs'),
    paragraph(
      'At ',
      bookmarked('low water', '低い', 'Low water'),
      ' see ',
      reference('hours', 'number', 'r1'),
      ', ',
      reference('oil', 'page', 'r2'),
    ),
  ],
  [
    heading(1, 'Lamps', 'lamps'),
    figure('lamp', 'A lamp'),
    heading(2, 'Oil', 'oil'),
    paragraph(
      linked('at low water', place('低い'), 'k2'),
      note('n2', 'Later.'),
      ' ',
      schema.node('return_link', { id: 'back', to: 'origin' }),
    ),
    table('hours', 'Safe hours', linked('top', place('book-top'), 'k3')),
  ],
);
const book = structured(plain, { numbering: 'decimal' });
const pictures = [{ id: 'e1', name: 'lamp.png', type: 'image/png', bytes: PIXEL }];
const edition = (format: Format, structure: Partial<Structure> = {}, whole: ReadBook = book) =>
  editionOf(structured(whole, structure), pictures, format);
const epub = (structure: Partial<Structure> = {}) =>
  makeEpub(edition('epub', structure), { modified: MODIFIED });
const page = (bytes: Uint8Array, name: string) =>
  new JSDOM(strFromU8(unzipSync(bytes)[`EPUB/${name}`]!), { contentType: 'application/xhtml+xml' }).window
    .document;
const NOTES: Structure['notes'] = { count: 'chapter', stand: 'page', back: '' };

describe('notes in an e-book', () => {
  test('lead to their remark and from there back to the very mark (DPUB-ARIA 1.1)', () => {
    const chapter = page(epub(), 'chapter-001.xhtml');
    const marks = [...chapter.querySelectorAll('[role=doc-noteref]')];
    expect(marks.map((mark) => [mark.id, mark.getAttribute('href'), mark.textContent])).toEqual([
      ['n1.mark', 'chapter-001.xhtml#n1', '1'],
      ['m1', 'chapter-001.xhtml#n1', '1'],
    ]);
    const remark = chapter.querySelector('[role=doc-endnotes] li');
    expect([remark?.id, remark?.querySelectorAll('p').length]).toEqual(['n1', 2]);
    expect(
      [...(remark?.querySelectorAll('[role=doc-backlink]') ?? [])].map((back) => [
        back.getAttribute('href'),
        back.textContent,
      ]),
    ).toEqual([
      ['chapter-001.xhtml#n1.mark', 'Back 1'],
      ['chapter-001.xhtml#m1', 'Back 2'],
    ]);
  });

  test('lead back to each mark in the words that the author gave for it', () => {
    const book = bookOf([
      heading(1, 'One'),
      paragraph(
        'a',
        note('n1', 'A remark.'),
        ' b',
        schema.node('note_mark', { id: 'm1', to: 'n1', back: 'to b' }),
      ),
    ]);
    const chapter = page(makeEpub(editionOf(book, [], 'epub'), { modified: MODIFIED }), 'chapter-001.xhtml');
    const backs = [...chapter.querySelectorAll('[role=doc-backlink]')].map((back) => back.textContent);
    expect(backs).toEqual(['Back 1', 'to b']);
  });

  test('stand after the book when the author says so, with a landmark, in the author’s words', () => {
    const bytes = epub({ notes: { ...NOTES, stand: 'book', back: 'to the text' } });
    const notes = page(bytes, 'notes.xhtml');
    expect([...notes.querySelectorAll('h1, h2')].map((one) => one.textContent)).toEqual([
      'Notes',
      'Chapter 1',
      'Chapter 2',
    ]);
    expect(notes.querySelector('li:last-child [role=doc-backlink]')?.textContent).toMatch(/^to the text/);
    expect(page(bytes, 'nav.xhtml').querySelector('a[href="notes.xhtml"]')).not.toBeNull();
    expect(page(bytes, 'chapter-001.xhtml').querySelector('[role=doc-endnotes]')).toBeNull();
  });
});

describe('what is computed', () => {
  test('stands in the text with its numbers, and leads where it says', () => {
    const chapter = page(epub(), 'chapter-001.xhtml');
    expect(chapter.querySelector('h1')?.textContent).toBe('1 Tides');
    expect(
      [...chapter.querySelectorAll('.contents a')].map((a) => [a.textContent, a.getAttribute('href')]),
    ).toEqual([['1.1 Springs', 'chapter-001.xhtml#springs']]);
    expect([...chapter.querySelectorAll('a[data-reference]')].map((a) => a.textContent)).toEqual([
      'Table 1',
      '2.1',
    ]);
    expect(chapter.querySelector('p[data-computed]')?.textContent).toBe('Up');
    const lamps = page(epub(), 'chapter-002.xhtml');
    expect(lamps.querySelector('figcaption')?.textContent).toBe('Figure 1 A lamp');
    expect(lamps.querySelector('caption')?.textContent).toBe('Table 1 Safe hours');
    expect(lamps.querySelector('[data-return]')?.textContent).toBe('Back to Tides · Back to Springs');
  });

  test('puts return links after each section down to the chosen level', () => {
    const html = new TextDecoder().decode(
      makeWebPage(edition('web', { returns: { after: 1, to: ['top', 'contents'] } })),
    );
    const lines = [...new JSDOM(html).window.document.querySelectorAll('p[data-computed]')];
    expect(lines.map((line) => line.textContent)).toEqual([
      'Up · To the top · To the contents',
      'To the top · To the contents',
    ]);
  });

  test('has the same ids in two exports, and its bookmarks in any script', () => {
    const ids = (bytes: Uint8Array) =>
      [...page(bytes, 'chapter-001.xhtml').querySelectorAll('[id]')].map(({ id }) => id);
    expect(ids(epub())).toEqual(ids(epub()));
    expect(ids(epub())).toContain('低い');
  });
});

describe('the proof of links inside', () => {
  const STRUCTURES: Partial<Structure>[] = [
    {},
    { notes: { count: 'book', stand: 'book', back: 'up' } },
    { returns: { after: 2, to: ['origin', 'top'] }, numbering: 'parts' },
  ];

  test.each(STRUCTURES)('finds each at its exact place, with the structure %j', (structure) => {
    for (const format of ['epub', 'web'] as const) {
      const made = edition(format, structure);
      const links =
        format === 'epub'
          ? linksInEpub(makeEpub(made, { modified: MODIFIED }))
          : linksInWebPage(makeWebPage(made));
      const proof = prove(expectedLinks(made), links, computedLinks(made));
      expect(proof).toMatchObject({ expected: 5, found: 5, lost: [], changed: [], added: [] });
      expect(proof.computed).toMatchObject({ found: proof.computed.expected, lost: [], changed: [] });
      expect(proof.computed.expected).toBeGreaterThan(7);
    }
  });

  test('tells a link that lands on the page but not at its place', () => {
    const made = edition('epub');
    const files = unzipSync(makeEpub(made, { modified: MODIFIED }));
    const moved = strFromU8(files['EPUB/chapter-002.xhtml']!)
      .replace(' id="oil"', '')
      .replace('<h1 id="lamps"', '<h1 id="oil"');
    const links = linksInWebPage(new TextEncoder().encode(moved.replaceAll('chapter-002.xhtml#', '#')));
    const wanted = [{ id: 'x', href: '#oil', text: 'Back', chapter: 'c2', landing: 'Oil' }];
    const back = links[0]!;
    expect(
      prove(wanted, [
        {
          ...back,
          href: '#oil',
          text: 'Back',
          landing: { ...back.landing!, text: 'Lamps and lanterns', within: 5 },
        },
      ]),
    ).toMatchObject({
      found: 0,
      changed: [{ change: 'target' }],
    });
  });
});

describe('what a form changes', () => {
  const said = (made: ReturnType<typeof edition>) =>
    lossesIn(made).map(({ what, count }) => `${count} ${what}`);

  test('is told before: pages that are not there, notes that stand elsewhere', () => {
    expect(said(edition('epub'))).toEqual(['1 reference to a page', '2 notes']);
    expect(said(edition('pdf'))).toEqual([]);
  });

  test('are links into chapters that are left out, and return links that lead nowhere then', () => {
    const without = {
      ...book,
      chapters: book.chapters.map((one, index) => ({
        ...one,
        leftOutOf: index === 0 ? ['web' as const] : [],
      })),
    };
    expect(said(edition('web', { notes: { ...NOTES, stand: 'chapter' } }, without))).toEqual([
      '1 link into a chapter that is left out',
      '1 return link',
    ]);
  });
});

describe('a book that comes back in', () => {
  const brought = readBook(bringIn({ name: 'x.epub', bytes: epub() }, counter('new')).book);
  const chapters = brought.chapters.filter(({ matter }) => matter === 'main');

  test('has its notes with all their marks, live references, lists, return links and named bookmarks', () => {
    const map = mapOf(brought);
    expect(map.notes.map(({ number, node, marks }) => [number, node.textContent, marks.length])).toEqual([
      ['1', 'It pulls.See oil.', 2],
      ['1', 'Later.', 1],
    ]);
    const spots = chapters.map(({ doc, id }) => spotsOf(doc, id));
    expect(
      spots.flatMap(({ references }) => references).map(({ node }) => [node.attrs.form, node.attrs.place]),
    ).toEqual([
      ['number', 'hours'],
      ['page', 'oil'],
    ]);
    expect(spots.flatMap((one) => one.contents).map(({ node }) => node.attrs)).toMatchObject([
      { depth: 1, back: true, backWords: 'Up' },
    ]);
    expect(spots.flatMap((one) => one.returns).map(({ node }) => node.attrs.to)).toEqual(['origin']);
    expect(map.places.get('低い')).toMatchObject({ kind: 'bookmark', words: 'Low water', text: 'low water' });
  });

  test('has no computed words in its text', () => {
    const text = chapters.map(({ doc }) => doc.textBetween(0, doc.content.size, ' ', '')).join(' ');
    expect(text).not.toMatch(/1\.1|Figure 1|Table 1|Up|Back/);
  });
});
