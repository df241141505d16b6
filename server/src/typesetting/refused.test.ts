import { describe, expect, test } from '@jest/globals';
import { schema, tableOf, type ReadBook } from '@vennet/core/manuscript';
import { computedLinks, editionOf, expectedLinks, withPages, type EnclosureFile } from '@vennet/core/publish';
import { linksInPdf, prove } from '@vennet/core/readback';
import { bookOf, heading, linked, note, paragraph, place, reference } from '@vennet/core/testing';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

async function made(book: ReadBook, files: EnclosureFile[] = []) {
  const edition = editionOf(book, files, 'pdf');
  const { bytes, notes, places, labels } = setPages(edition).write();
  const withNumbers = withPages(edition, labels);
  const { links, pages } = await linksInPdf(await finishPdf(bytes, withNumbers, places));
  return { notes, pages, proof: prove(expectedLinks(withNumbers), links, computedLinks(withNumbers)) };
}

const cell = (type: string, ...content: Parameters<typeof paragraph>) =>
  schema.node(type, null, [paragraph(...content)]);
const row = (...cells: ReturnType<typeof cell>[]) => schema.node('table_row', null, cells);
const lines = (count: number) =>
  Array.from({ length: count }, (_, index) =>
    row(cell('table_cell', `Day ${index + 1}`), cell('table_cell', 'high at noon')),
  );

describe('the head of a table that crosses pages', () => {
  const links = () => [
    cell('table_header', 'Day, ', linked('by the almanac', 'https://almanac.example/')),
    cell('table_header', linked('to Two', place('two')), ' or ', reference('two', 'page')),
  ];

  test('has its links once, on its first page', async () => {
    const book = bookOf(
      [heading(1, 'One'), tableOf([row(...links()), ...lines(90)])],
      [heading(1, 'Two', 'two'), paragraph(linked('to the table', place('c1')))],
    );
    const { notes, pages, proof } = await made(book);
    expect(pages).toBeGreaterThan(4);
    expect(notes).toEqual([]);
    expect(proof).toMatchObject({ expected: 4, found: 4, lost: [], changed: [], added: [] });
  }, 30_000);

  test('may hold notes', async () => {
    const head = row(...links(), cell('table_header', 'Height', note('n1', 'Above the lowest tide.')));
    const book = bookOf([heading(1, 'One'), tableOf([head, ...lines(90)])], [heading(1, 'Two', 'two')]);
    const { notes, proof } = await made(book);
    expect(notes).toEqual([]);
    expect(proof).toMatchObject({ expected: 3, found: 3, added: [] });
    expect(proof.computed).toMatchObject({ expected: 2, found: 2 });
  }, 30_000);
});

test.each(['zh-Hant-TW', 'grc', 'en-u-ca-gregory', 'sr-Latn', 'de-1996', 'und'])(
  'a book in %s is set',
  async (language) => {
    const book = {
      ...bookOf([heading(1, 'One'), paragraph(linked('a lamp', 'https://lamp.example/'))]),
      language,
    };
    expect(await made(book)).toMatchObject({ notes: [], proof: { found: 1 } });
  },
);

test('what the typesetter refuses is named, and stands as plain paragraphs with its links', async () => {
  const broken = { id: 'e1', name: 'wick.png', type: 'image/png', bytes: new Uint8Array([1, 2, 3]) };
  const picture = schema.node('figure', { enclosure: 'e1', alt: 'the wick' }, [
    schema.node('caption', null, paragraph('Seen from ', linked('above', 'https://wick.example/')).children),
  ]);
  const table = tableOf([
    row(
      cell('table_cell', linked('the oil', 'https://oil.example/')),
      schema.node('table_cell', null, [
        paragraph(schema.node('picture', { enclosure: 'e1', alt: 'a drop' })),
      ]),
    ),
  ]);
  const book = bookOf(
    [heading(1, 'Lamps', 'lamps'), paragraph('Light.'), picture, paragraph(linked('back', place('lamps')))],
    [
      heading(1, 'Oil'),
      paragraph('It burns.'),
      table,
      paragraph(linked('the tides', 'https://tides.example/')),
    ],
  );
  const { notes, proof } = await made(book, [broken]);
  expect(notes).toEqual([
    'The figure “Seen from above” in the chapter “Chapter 1” can’t be set in its form, so it stands as plain paragraphs, with its links.',
    'The table “the oil” in the chapter “Chapter 2” can’t be set in its form, so it stands as plain paragraphs, with its links.',
  ]);
  expect(proof).toMatchObject({ expected: 4, found: 4, lost: [], changed: [], added: [] });
}, 30_000);
