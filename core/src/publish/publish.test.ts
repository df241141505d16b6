import { describe, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { JSDOM } from 'jsdom';
import { schema } from '../manuscript/index.js';
import { linksInEpub, prove } from '../readback/index.js';
import { bookOf, heading, linked, paragraph, place } from '../testing/books.js';
import { PIXEL } from '../testing/zip.js';
import { editionOf, expectedLinks, lossesIn, makeEpub, typesetBook } from './index.js';
import { placeCells } from './edition/table-grid.js';

const MODIFIED = new Date('2026-11-23T12:00:00Z');

const book = bookOf(
  [
    heading(1, 'Tides & lamps', 'tides'),
    paragraph(
      'See ',
      linked('the <tables>', 'https://a.example/?a=1&b=2', 'l1'),
      ' and ',
      linked('below', place('low'), 'l2'),
      '.',
    ),
    heading(3, 'Deep'),
    schema.node('figure', { enclosure: 'e1', alt: 'A "dot"', id: 'dot' }, [
      schema.node('caption', null, [schema.text('Fig')]),
    ]),
  ],
  [
    heading(2, 'Low water', 'low'),
    paragraph(
      linked('nowhere', place('gone'), 'l3'),
      ' ',
      linked('write', { kind: 'mail', to: ['a@b.example'], cc: [], bcc: [], subject: '', body: '' }, 'l4'),
    ),
  ],
);
const edition = editionOf(book, [{ id: 'e1', name: 'dot.png', type: 'image/png', bytes: PIXEL }], 'epub');
const files = () => unzipSync(makeEpub(edition, { modified: MODIFIED }));
const page = (name: string) =>
  new JSDOM(strFromU8(files()[`EPUB/${name}`]!), { contentType: 'application/xhtml+xml' }).window.document;

describe('the e-book', () => {
  test('begins with the mimetype, stored, as the container format wants it (OCF 4.3)', () => {
    const bytes = makeEpub(edition, { modified: MODIFIED });
    expect(strFromU8(bytes.subarray(0, 4))).toBe('PK\u0003\u0004');
    expect(strFromU8(bytes.subarray(30, 58))).toBe('mimetypeapplication/epub+zip');
    expect(new DataView(bytes.buffer, bytes.byteOffset).getUint16(8, true)).toBe(0);
  });

  test('is the same, byte for byte, when it is made again', () => {
    expect(makeEpub(edition, { modified: MODIFIED })).toEqual(makeEpub(edition, { modified: MODIFIED }));
  });

  test('has every resource in the manifest and every chapter in the spine', () => {
    const opf = page('package.opf');
    const listed = [...opf.querySelectorAll('item')].map((item) => `EPUB/${item.getAttribute('href')}`);
    const present = Object.keys(files()).filter((name) => name.startsWith('EPUB/') && !name.endsWith('.opf'));
    expect(listed.sort()).toEqual(present.sort());
    expect([...opf.querySelectorAll('itemref')].map((item) => item.getAttribute('idref'))).toEqual([
      'title',
      'nav',
      'chapter-001',
      'chapter-002',
    ]);
    expect(opf.querySelector('[property="dcterms:modified"]')?.textContent).toBe('2026-11-23T12:00:00Z');
  });

  test('carries links as they are, places across files, and words where a link leads nowhere', () => {
    expect(
      [...page('chapter-001.xhtml').querySelectorAll('a')].map((a) => [
        a.getAttribute('href'),
        a.textContent,
      ]),
    ).toEqual([
      ['https://a.example/?a=1&b=2', 'the <tables>'],
      ['chapter-002.xhtml#low', 'below'],
    ]);
    expect(page('chapter-002.xhtml').querySelector('p')?.textContent).toBe('nowhere write');
    expect(page('chapter-002.xhtml').querySelectorAll('a')).toHaveLength(1);
  });

  test('lists headings in its contents, deeper ones within', () => {
    const nav = page('nav.xhtml');
    expect(
      [...nav.querySelectorAll('nav[role="doc-toc"] > ol > li > a')].map((a) => a.getAttribute('href')),
    ).toEqual(['chapter-001.xhtml#c1', 'chapter-002.xhtml#c2']);
    for (const a of nav.querySelectorAll('nav[role="doc-toc"] a')) {
      const [file, id] = (a.getAttribute('href') ?? '').split('#');
      expect(page(file!).getElementById(id!)).not.toBeNull();
    }
  });

  test('says what is accessible in it (EPUB Accessibility 1.1)', () => {
    const values = (property: string) =>
      [...page('package.opf').querySelectorAll(`[property="schema:${property}"]`)].map(
        (meta) => meta.textContent,
      );
    expect(values('accessMode')).toEqual(['textual', 'visual']);
    expect(values('accessModeSufficient')).toEqual(['textual']);
    expect(values('accessibilityFeature')).toContain('alternativeText');
    expect(values('accessibilityHazard')).toEqual(['none']);
  });

  test('is read back link for link; the one that leads nowhere is lost', () => {
    const proof = prove(expectedLinks(edition), linksInEpub(makeEpub(edition, { modified: MODIFIED })));
    expect(proof).toMatchObject({ expected: 4, found: 3, changed: [], added: [] });
    expect(proof.lost).toEqual([{ id: 'l3', href: '#gone', text: 'nowhere', chapter: 'c2' }]);
  });
});

describe('what would be lost', () => {
  test('is said before it is made', () => {
    expect(lossesIn(edition)).toMatchObject([{ what: 'link that leads nowhere', count: 1 }]);
    const wordless = schema.node('anchor', null, undefined, linked('x', 'https://a.example/').marks);
    const bare = editionOf(bookOf([paragraph('a', wordless)]), [], 'pdf');
    expect(lossesIn(bare)).toMatchObject([{ what: 'link without words', count: 1 }]);
    expect(expectedLinks(bare)[0]!.text).toBe('https://a.example/');
  });
});

describe('the data for the typesetter', () => {
  const data = typesetBook(edition, new Map([['e1', '/pictures/e1.png']]));

  test('has headings without a gap between levels (ISO 14289-1, 7.4.2)', () => {
    const levels = data.chapters.map((chapter) =>
      chapter.blocks.filter(({ t }) => t === 'h').map(({ level }) => level),
    );
    expect(levels).toEqual([[1, 2], [1]]);
  });

  test('has links by address or by place, and only words where they lead nowhere', () => {
    const json = JSON.stringify(data);
    expect(json).toContain('{"t":"link","to":"https://a.example/?a=1&b=2","look":null,"c":["the <tables>"]}');
    expect(json).toContain('{"t":"link","to":"link:l2","look":null,"c":["below"]}');
    expect(json).toContain('"c":["nowhere"');
  });
});

describe('cells of a table (HTML, 4.9.12)', () => {
  const one = (colspan = 1, rowspan = 1) => ({ colspan, rowspan });

  test('stand beside those that reach down from above', () => {
    const { columns, cells } = placeCells([
      [one(1, 2), one(2)],
      [one(), one()],
    ]);
    expect(columns).toBe(3);
    expect(cells.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [1, 0],
      [1, 1],
      [2, 1],
    ]);
  });

  test('never overlap or leave the table, whatever spans are written', () => {
    const { cells } = placeCells([[one(9, 9), one()], [one(3, 3), one(1, 5)], [one()]]);
    const taken = new Set<string>();
    for (const { x, y, colspan, rowspan } of cells)
      for (let down = 0; down < rowspan; down++)
        for (let across = 0; across < colspan; across++) {
          expect(taken.has(`${x + across},${y + down}`)).toBe(false);
          expect(y + down).toBeLessThan(3);
          taken.add(`${x + across},${y + down}`);
        }
  });
});

describe('what an e-book says of its pictures', () => {
  const saidOf = (...blocks: Parameters<typeof bookOf>[0]) => {
    const made = editionOf(
      bookOf(blocks),
      [{ id: 'e1', name: 'dot.png', type: 'image/png', bytes: PIXEL }],
      'epub',
    );
    const opf = strFromU8(unzipSync(makeEpub(made, { modified: MODIFIED }))['EPUB/package.opf']!);
    return [...opf.matchAll(/schema:(accessModeSufficient|accessibilityFeature)">([^<]*)/g)].map(
      ([, , what]) => what,
    );
  };
  // EPUB Accessibility 1.1: text alone is enough only where every picture is described or decoration.
  test.each([
    ['described', { alt: 'A dot' }, true],
    ['decoration', { decorative: true }, true],
    ['bare', {}, false],
  ])('a picture that is %s', (_, attrs, isEnough) => {
    const said = saidOf(schema.node('figure', { enclosure: 'e1', ...attrs }));
    expect(said.includes('textual')).toBe(isEnough);
    expect(said.includes('alternativeText')).toBe(isEnough);
  });
});
