import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { idsIn, wordsOf, type ReadChapter } from '../manuscript/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookOf, heading, linked, paragraph, place } from '../testing/books.js';
import { divided, divisionOf, oneLevelDown, oneLevelUp, type DividedChapter } from './division.js';

const book = bookOf(
  [
    heading(1, 'Lamps', 'lamps'),
    paragraph('Of oil.'),
    heading(2, 'Wicks', 'wicks'),
    paragraph('Of cotton, one two.'),
  ],
  [paragraph('A page without a heading. ', linked('Wicks', place('wicks')))],
  [
    heading(1, 'Tides', 'tides'),
    heading(2, 'High', 'high'),
    paragraph('Twice.'),
    heading(3, 'Noon', 'noon'),
    paragraph('Once.'),
  ],
);
const asChapters = (parts: readonly DividedChapter[]): ReadChapter[] =>
  parts.map(({ kept, begin, matter, leftOutOf, doc }) => ({
    id: kept ?? begin,
    title: '',
    matter,
    leftOutOf,
    doc,
  }));
const wordsIn = (parts: readonly { doc: ReadChapter['doc'] }[]) => parts.map(({ doc }) => wordsOf(doc));

describe('a book divided anew', () => {
  test('tells where its chapters begin and where else they could', () => {
    expect(
      divisionOf(book.chapters).map(({ id, level, words, begins }) => [id, level, words, begins]),
    ).toEqual([
      ['c1', 1, 3, true],
      ['wicks', 2, 5, false],
      ['c2', 1, 6, true],
      ['c3', 1, 1, true],
      ['high', 2, 2, false],
      ['noon', 3, 2, false],
    ]);
  });

  test('has its chapters one level lower, and higher again', () => {
    const lines = divisionOf(book.chapters);
    const lower = oneLevelDown(lines);
    expect([...lower]).toEqual(['c1', 'wicks', 'c2', 'c3', 'high']);
    const parts = divided(book.chapters, lower);
    expect(wordsIn(parts)).toEqual([
      'LampsOf oil.',
      'WicksOf cotton, one two.',
      'A page without a heading. Wicks',
      'Tides',
      'HighTwice.NoonOnce.',
    ]);
    const again = divisionOf(asChapters(parts));
    expect([...oneLevelUp(again)]).toEqual(['c1', 'c2', 'c3']);
    expect(wordsIn(divided(asChapters(parts), oneLevelUp(again)))).toEqual(wordsIn(book.chapters));
  });

  test('loses no chapter’s place when it is joined, and gives it back when it is split there again', () => {
    const joined = divided(book.chapters, new Set(['c1']));
    expect(joined).toHaveLength(1);
    expect(idsIn(joined[0]!.doc)).toEqual(expect.arrayContaining(['c2', 'c3']));
    const split = divided(asChapters(joined), new Set(['c1', 'c2', 'c3']));
    expect(split.map(({ begin }) => begin)).toEqual(['c1', 'c2', 'c3']);
    expect(split.map(({ doc }) => doc.toJSON())).toEqual(book.chapters.map(({ doc }) => doc.toJSON()));
  });

  test('keeps every word and every place of any book, wherever it is cut', () => {
    fc.assert(
      fc.property(anyBook(), fc.infiniteStream(fc.boolean()), ({ chapters }, chosen) => {
        const lines = divisionOf(chapters);
        const begins = new Set(lines.map(({ id }) => id).filter(() => chosen.next().value));
        const parts = divided(chapters, begins);
        expect(parts.length).toBe(lines.filter(({ id }, index) => index === 0 || begins.has(id)).length);
        expect(wordsIn(parts).join('').replaceAll(' ', '')).toBe(
          wordsIn(chapters).join('').replaceAll(' ', ''),
        );
        const before = new Set(chapters.flatMap(({ id, doc }) => [id, ...idsIn(doc)]));
        const after = new Set(parts.flatMap(({ kept, doc }) => [kept, ...idsIn(doc)]));
        expect([...before].filter((id) => !after.has(id))).toEqual([]);
        for (const { doc } of parts) doc.check();
      }),
      { numRuns: 200 },
    );
  });
});
