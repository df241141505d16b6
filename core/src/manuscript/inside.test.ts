import { describe, expect, test } from '@jest/globals';
import {
  bookOf,
  contents,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  structured,
} from '../testing/books.js';
import { linksOf, mapOf, orderOf, originsOf, returnsOf, schema, sectionFinder, wordsOf } from './index.js';

describe('notes', () => {
  const book = bookOf(
    [
      heading(1, 'Tides', 'tides'),
      paragraph('One', noteMark('n2', 'm1'), ' two', note('n1', 'First.'), ' three', note('n2', 'Second.')),
    ],
    [paragraph('Four', note('n3', 'Third.'), noteMark('n1', 'm2'), noteMark('gone', 'm3'))],
  );
  const numbers = (count: 'chapter' | 'book') => {
    const { notes } = mapOf(structured(book, { notes: { ...book.structure.notes, count } }));
    return notes.map(({ id, number, marks }) => [id, number, marks.map((mark) => mark.id).join(' ')]);
  };

  test('are counted by the first of their marks, by chapter or through the book', () => {
    expect(numbers('chapter')).toEqual([
      ['n2', '1', 'm1 n2.mark'],
      ['n1', '2', 'n1.mark m2'],
      ['n3', '1', 'n3.mark'],
    ]);
    expect(numbers('book').map(([, number]) => number)).toEqual(['1', '2', '3']);
  });

  test('whose marks stand alone are told', () => {
    expect(mapOf(book).astray).toMatchObject([{ id: 'm3', chapter: 'c2', to: 'gone' }]);
  });

  test('are no part of the words that they stand at; their links are links of the book', () => {
    const text = paragraph(
      'The lamp',
      note('n1', ['See ', linked('there', 'https://a.example/', 'l1')]),
      ' burns.',
    );
    expect(wordsOf(text)).toBe('The lamp burns.');
    expect(linksOf(bookOf([text])).map(({ id, text: words, before }) => [id, words, before])).toEqual([
      ['l1', 'there', 'See '],
    ]);
  });
});

describe('a list of contents', () => {
  const book = bookOf(
    [
      heading(1, 'Questions', 'q'),
      contents({ depth: 1 }, 'of-section'),
      contents({ depth: 2 }, 'deeper'),
      heading(2, 'Dogs?', 'dogs'),
      heading(4, 'Large ones', 'large'),
      heading(2, 'Shoes?', 'shoes'),
      heading(2, '', 'empty'),
    ],
    [
      paragraph('No heading here'),
      heading(2, 'Late', 'late'),
      contents({ scope: 'book', depth: 2 }, 'of-book'),
    ],
    [heading(1, 'Last', 'last'), contents({ section: 'q', depth: 1 }, 'elsewhere')],
  );
  const { contents: lists } = mapOf(book);
  const linesOf = (id: string) => lists.get(id)?.lines.map(({ place: to, depth }) => `${to} ${depth}`);

  test('lists the headings of its section to a depth, and tells what it leaves out', () => {
    expect(linesOf('of-section')).toEqual(['dogs 1', 'shoes 1']);
    expect(lists.get('of-section')?.leftOut).toBe(1);
    expect(linesOf('deeper')).toEqual(['dogs 1', 'large 2', 'shoes 1']);
    expect(lists.get('deeper')?.leftOut).toBe(0);
  });

  test('lists the whole book, with chapters that have no heading at their top', () => {
    expect(linesOf('of-book')).toEqual(['q 1', 'dogs 2', 'shoes 2', 'c2 1', 'late 1', 'last 1']);
  });

  test('lists a section of another chapter', () => {
    expect(linesOf('elsewhere')).toEqual(['dogs 1', 'shoes 1']);
  });
});

describe('return links', () => {
  const book = bookOf(
    [
      heading(1, 'Tides', 'tides'),
      paragraph(linked('to oil', place('oil'), 'l1'), linked('to the lamp', place('c2'), 'l2')),
      heading(2, 'Springs', 'springs'),
      paragraph(linked('oil again', place('oil'), 'l3')),
    ],
    [heading(1, 'Lamps', 'lamps'), heading(2, 'Oil', 'oil'), paragraph(linked('within', place('oil'), 'l4'))],
  );
  const { places } = mapOf(book);
  const sectionOf = sectionFinder(places, book.chapters, orderOf);
  const origins = originsOf(linksOf(book), places, sectionOf);
  const returns = (to: string, own = '', from = origins.get('oil') ?? []) =>
    returnsOf(
      schema.node('return_link', { id: 'b', to, own, place: to === 'list' ? 'q' : null }),
      'en',
      from,
      (link) => places.get(sectionOf(link))?.words ?? '',
    );

  test('lead to every link from which a reader can have come, each named by its section', () => {
    expect([...origins].map(([section, from]) => [section, from.map(({ id }) => id)])).toEqual([
      ['oil', ['l1', 'l3']],
      ['lamps', ['l2']],
    ]);
    expect(returns('origin')).toEqual([
      { to: 'l1', words: 'Back to Tides' },
      { to: 'l3', words: 'Back to Springs' },
    ]);
    expect(returns('origin', 'Up').map(({ words }) => words)).toEqual(['Up', 'Up (2)']);
    expect(returns('origin', '', [])).toEqual([]);
  });

  test('lead to the top, the contents or a list in the words of the book or of the author', () => {
    expect([returns('top'), returns('contents', 'Index'), returns('list')]).toEqual([
      [{ to: 'book-top', words: 'To the top' }],
      [{ to: 'book-contents', words: 'Index' }],
      [{ to: 'q', words: 'Back to the list' }],
    ]);
  });
});
