import { describe, expect, test } from '@jest/globals';
import { bookOf, heading, linked, paragraph } from '../testing/books.js';
import { linksOf, linksOfChapter, placesOf, schema, tableOf, titleOf } from './index.js';

const { marks } = schema;
const doc = (...blocks: Parameters<typeof bookOf>[0]) => schema.node('doc', null, blocks);

describe('reading links out of a book', () => {
  test('gives them in reading order with address, words, chapter and position', () => {
    const book = bookOf(
      [paragraph('See ', linked('tides', 'https://a.example/', 'one'), '.')],
      [paragraph(linked('top', { kind: 'place', place: 'c1' }, 'two'))],
    );
    expect(linksOf(book)).toMatchObject([
      {
        id: 'one',
        kind: 'web',
        href: 'https://a.example/',
        text: 'tides',
        chapter: 'c1',
        carrier: 'text',
        from: 5,
        to: 10,
      },
      { id: 'two', kind: 'place', href: '#c1', text: 'top', chapter: 'c2' },
    ]);
  });

  test('takes a link with emphasis inside for one link', () => {
    const link = marks.link.create({ id: 'one', destination: { kind: 'web', href: 'https://a.example/' } });
    const block = paragraph(
      schema.text('the ', [link]),
      schema.text('old', [link, marks.emphasis.create()]),
      schema.text(' tables', [link]),
    );
    expect(linksOfChapter(doc(block), 'c').map(({ text, id }) => [id, text])).toEqual([
      ['one', 'the old tables'],
    ]);
  });

  test('takes two links that touch for two', () => {
    const block = paragraph(
      linked('a', 'https://a.example/', 'one'),
      linked('b', 'https://a.example/', 'two'),
    );
    expect(linksOfChapter(doc(block), 'c').map(({ text }) => text)).toEqual(['a', 'b']);
  });

  test('keeps the ends of the words as they stand', () => {
    expect(linksOfChapter(doc(paragraph(linked(' tides, ', 'https://a.example/'))), 'c')[0]!.text).toBe(
      ' tides, ',
    );
  });

  test('finds links on pictures, on figures and without any words', () => {
    const destination = { kind: 'web', href: 'https://a.example/' };
    const link = marks.link.create({ id: 'p', destination });
    const picture = schema.node('picture', { enclosure: 'e', alt: 'A chart' }, undefined, [link]);
    const bare = schema.node('anchor', null, undefined, [marks.link.create({ id: 'n', destination })]);
    const figure = schema.node('figure', {
      enclosure: 'e',
      alt: 'The Sound',
      link: { id: 'f', destination, hoverNote: '' },
    });
    expect(
      linksOfChapter(doc(paragraph(picture, ' ', bare), figure), 'c').map(({ id, text, carrier }) => [
        id,
        text,
        carrier,
      ]),
    ).toEqual([
      ['p', 'A chart', 'picture'],
      ['n', '', 'text'],
      ['f', 'The Sound', 'picture'],
    ]);
  });

  test('gives the sentence around a link and no other', () => {
    const block = paragraph(
      'It rained. Read the ',
      linked('tables', 'https://a.example/'),
      ' first. Then go.',
    );
    expect(linksOfChapter(doc(block), 'c')[0]).toMatchObject({ before: 'Read the ', after: ' first.' });
  });

  test('looks into lists, quotations and tables', () => {
    const inside = (id: string) => paragraph(linked(id, 'https://a.example/', id));
    const table = tableOf([schema.node('table_row', null, [schema.node('table_cell', null, [inside('t')])])]);
    const list = schema.node('bullet_list', null, [schema.node('list_item', null, [inside('l')])]);
    const quotation = schema.node('quotation', null, [inside('q')]);
    expect(linksOfChapter(doc(list, quotation, table), 'c').map(({ id }) => id)).toEqual(['l', 'q', 't']);
  });
});

describe('places', () => {
  test('are chapters, headings, figures, bookmarks and spots', () => {
    const bookmark = schema.text('low water', [marks.bookmark.create({ id: 'low', name: 'Low water' })]);
    const spot = schema.node('anchor', { id: 'spot' });
    const figure = schema.node('figure', { id: 'chart', enclosure: 'e', alt: 'A chart' });
    const places = placesOf(bookOf([heading(1, 'Tides', 'tides'), paragraph('At ', bookmark, spot), figure]));
    expect([...places.values()].map(({ id, kind, words }) => [id, kind, words])).toEqual([
      ['book-top', 'top', 'To the top'],
      ['book-contents', 'contents', 'Contents'],
      ['c1', 'chapter', 'Chapter 1'],
      ['tides', 'heading', 'Tides'],
      ['low', 'bookmark', 'Low water'],
      ['spot', 'spot', 'At low water'],
      ['chart', 'figure', 'A chart'],
    ]);
  });
});

describe('the outline', () => {
  const text = doc(paragraph('before'), heading(1, 'Tides'), heading(2, 'Low water'));

  test('titles a chapter by its first heading, and keeps the words given where it has none', () => {
    expect(titleOf(text)).toBe('Tides');
    expect(titleOf(doc(paragraph('x')), 'Chapter 3')).toBe('Chapter 3');
  });
});
