import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { computedLinks, editionOf, expectedLinks, withPages, type Edition } from '@vennet/core/publish';
import { linksInPdf, prove } from '@vennet/core/readback';
import {
  bookOf,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
  structured,
} from '@vennet/core/testing';
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { run } from '../testing/readers.js';
import { finishPdf } from './finish.js';
import { setPages, type SetPlace } from './typeset.js';

const CHAPTERS = 50;
const SECTIONS = 10;
const WORDS = 'lamp wind sea stair wick glass harbour tide rope oil bell keeper'.split(' ');
const words = (seed: number, count: number) =>
  `${Array.from({ length: count }, (_, index) => WORDS[(seed * 7 + index * (1 + (index % 5))) % WORDS.length]).join(' ')}. `;

/** 300 pages: each section has a name of its own and refers to the page of another one, far before or after it. */
const book = structured(
  bookOf(
    ...Array.from({ length: CHAPTERS }, (_, chapter) => [
      heading(1, `Chapter number ${chapter}`, `c${chapter}-top`),
      ...Array.from({ length: SECTIONS }, (_unused, section) => {
        const index = chapter * SECTIONS + section;
        const other = (index * 197 + 91) % (CHAPTERS * SECTIONS);
        return [
          heading(2, `Target${index}x`, `s${index}`),
          paragraph(
            words(index, 130),
            'See ',
            reference(`s${other}`, 'page', `r${index}`),
            `.Ref${index}x `,
            ...(index % 5 === 0
              ? [linked(`to ${other}`, place(`s${other}`), `k${index}`), note(`n${index}`, `Remark${index}x`)]
              : []),
            ...(index % 50 === 1 ? [noteMark(`n${index - 1}`, `m${index}`)] : []),
            words(index + 3, 80),
          ),
        ];
      }).flat(),
    ]),
  ),
  { numbering: 'decimal' },
);

let folder: string;
let file: string;
let bytes: Uint8Array;
let edition: Edition;
let places: SetPlace[];
let document: PDFDocumentProxy;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-pages-'));
  const set = setPages(editionOf(book, [], 'pdf'));
  places = set.places;
  edition = withPages(editionOf(book, [], 'pdf'), set.labels);
  bytes = await finishPdf(set.write().bytes, edition, places);
  file = join(folder, 'book.pdf');
  await writeFile(file, bytes);
  document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
}, 120_000);
afterAll(async () => {
  await document.destroy();
  await rm(folder, { recursive: true, force: true });
});

/** The text of a page, without its number at the foot. */
const textOf = async (page: number) => {
  const { items } = await (await document.getPage(page)).getTextContent();
  return items
    .filter((item) => 'str' in item)
    .filter(({ transform }) => (transform[5] as number) > FOOT)
    .map(({ str, hasEOL }) => str + (hasEOL ? ' ' : ''))
    .join('');
};
/** Below this height there is nothing but the number of the page, in pt. */
const FOOT = 50;

describe('a PDF of 300 pages with 500 references to pages', () => {
  test('has in each reference the number of the page on which pdfjs finds its target', async () => {
    expect(document.numPages).toBeGreaterThanOrEqual(300);
    const labels = await document.getPageLabels();
    const pageOf = new Map<string, string>();
    let whole = '';
    for (let page = 3; page <= document.numPages; page++) {
      const text = await textOf(page);
      const isContents = /\. \. \. \./.test(text);
      if (isContents) continue;
      for (const [, index] of text.matchAll(/Target(\d+)x/g)) pageOf.set(index!, labels?.[page - 1] ?? '');
      whole += `${text} `;
    }
    const said = new Map(
      [...whole.replace(/\s+/g, ' ').matchAll(/page (\d+) ?\. ?Ref(\d+)x/g)].map(([, number, index]) => [
        index,
        number,
      ]),
    );
    expect(pageOf.size).toBe(CHAPTERS * SECTIONS);
    expect(said.size).toBe(CHAPTERS * SECTIONS);
    const wrong = [...said].filter(
      ([index, number]) => pageOf.get(String((Number(index) * 197 + 91) % 500)) !== number,
    );
    expect(wrong).toEqual([]);
  }, 60_000);

  test('names every place, exactly, as poppler reads them; qpdf finds nothing; pages are labelled, the outline nests', async () => {
    const { stdout } = await run('pdfinfo', ['-dests', file]);
    const named = new Map(
      [...stdout.matchAll(/^\s*(\d+) \[ XYZ\s.*\] "(.+)"$/gm)].map(([, page, id]) => [id, Number(page)]),
    );
    for (const { id, page } of places) expect([id, named.get(id)]).toEqual([id, page]);
    expect((await run('qpdf', ['--check', file])).stdout).toContain('No syntax or stream encoding errors');
    expect((await document.getPageLabels())?.slice(-1)[0]).toBe(String(places.at(-1)?.number));
    const outline = await document.getOutline();
    expect(outline.filter(({ title }) => /Chapter number/.test(title))).toHaveLength(CHAPTERS);
    expect(outline.find(({ title }) => /Chapter number 0/.test(title))?.items).toHaveLength(SECTIONS);
  }, 30_000);
});

describe('a small PDF', () => {
  const small = structured(
    bookOf(
      [
        heading(1, 'Tides', 'tides'),
        paragraph(words(1, 40)),
        heading(2, 'Springs', 'springs'),
        paragraph('a', note('n1', 'Remark.')),
      ],
      [
        heading(1, 'Lamps', 'lamps'),
        paragraph(linked('to springs', place('springs'), 'k1'), note('n2', 'Other.'), noteMark('n2', 'm')),
      ],
    ),
    { numbering: 'none' },
  );
  const made = editionOf(small, [], 'pdf');
  const set = setPages(made);
  const plain = set.write().bytes;
  const proofWith = async (moved: readonly SetPlace[]) =>
    prove(
      expectedLinks(made),
      (await linksInPdf(await finishPdf(plain, made, moved))).links,
      computedLinks(made),
    );

  test('does not pass the proof when a place stands two lines lower than its words', async () => {
    expect(await proofWith(set.places)).toMatchObject({
      found: 1,
      changed: [],
      computed: { lost: [], changed: [] },
    });
    const lower = set.places.map((one) => (one.id === 'springs' ? { ...one, y: one.y + 30 } : one));
    expect((await proofWith(lower)).changed).toMatchObject([{ href: '#springs', change: 'target' }]);
  });

  test('has real footnotes, tagged as notes (ISO 32000-1, 14.8.4.4), that lead back', async () => {
    const path = join(folder, 'small.pdf');
    await writeFile(path, await finishPdf(plain, made, set.places));
    const { stdout } = await run('pdfinfo', ['-struct-text', path]);
    expect(stdout.match(/^\s*Note /gm)).toHaveLength(2);
    expect(stdout).toContain('"Remark."');
    const { computed } = await proofWith(set.places);
    // One mark, its way back; two marks, the number and a way back for each.
    expect(computed).toMatchObject({ expected: 2 + 5, found: 2 + 5 });
  });
});
