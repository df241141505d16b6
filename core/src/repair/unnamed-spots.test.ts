import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { flatText, OBJECT, schema } from '../manuscript/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookmarked, bookOf, heading, paragraph } from '../testing/index.js';
import { findSpots, findWords } from './index.js';

const spots = (book: ReturnType<typeof bookOf>, typed: string, chapter = book.chapters[0]!.id, most = 9) =>
  findSpots(book.chapters, { typed, chapter, most }, book.language);

describe('spots without a name', () => {
  const item = (words: string, id: string | null = null) =>
    schema.node('list_item', { id }, [paragraph(words)]);
  const book = bookOf(
    [
      heading(1, 'The lamp'),
      paragraph('Oil came by boat. The lamp was lit at six, by two men. Nobody slept.'),
      schema.node('ordered_list', { start: 3 }, [
        item('Trim the wick'),
        item('Fill the lamp'),
        item('Light it', 'lit'),
      ]),
      schema.node('bullet_list', {}, [item('Keep matches dry')]),
    ],
    [heading(1, 'The keeper'), paragraph('He wrote of the lamp every day.')],
  );

  test('are sentences with the words that are typed, each with its chapter; headings are places already', () => {
    expect(spots(book, 'the la').map(({ words, sentence }) => [words, sentence])).toEqual([
      ['The lamp', 'The lamp was lit at six, by two men.'],
      ['the lamp', 'Fill the lamp'],
      ['the lamp', 'He wrote of the lamp every day.'],
    ]);
    expect(spots(book, 'amp')).toEqual([]);
    expect(spots(book, 'zz top')).toEqual([]);
  });

  test('of the chapter in which the author is come first', () => {
    const [first] = spots(book, 'lamp', book.chapters[1]!.id, 1);
    expect(first?.sentence).toBe('He wrote of the lamp every day.');
  });

  test('are items where a number stands, by their number and by how they begin', () => {
    for (const typed of ['item 4', '4', 'Fill', 'fill the'])
      expect(spots(book, typed)).toMatchObject([{ item: '4', words: 'Fill the lamp' }]);
    // One that has an id is a place already; in a list without numbers the words are the spot.
    expect(spots(book, '5')).toEqual([]);
    expect(spots(book, 'keep mat')).toMatchObject([{ item: '', words: 'Keep matches' }]);
  });

  test('are not words that have a bookmark', () => {
    const marked = bookOf([paragraph(bookmarked('a wick', 'wick', 'Wick'), ' and a wick')]);
    expect(spots(marked, 'wick')).toMatchObject([{ from: 14, to: 18 }]);
  });
});

test('nothing that a search finds at the beginning of a word is missed, in any book', () => {
  fc.assert(
    fc.property(anyBook(), fc.nat(), (book, pick) => {
      const lines: string[] = [];
      for (const { doc } of book.chapters)
        doc.descendants((line) => void (line.isTextblock && lines.push(line.textContent)));
      const words = lines.flatMap((line) => line.split(/[^\p{L}]+/u)).filter((word) => word.length > 2);
      if (words.length === 0) return;
      const typed = words[pick % words.length]!.slice(0, 4);
      const found = spots(book, typed, book.chapters[0]!.id, Infinity);
      const naive = findWords(book, {
        words: typed,
        matchCase: false,
        wholeWords: false,
        ignoreAccents: true,
        chapters: null,
        addresses: false,
      });
      const docOf = (chapter: string) => book.chapters.find(({ id }) => id === chapter)!.doc;
      for (const { chapter, from, to, words: said, item } of found) {
        if (item !== '') continue;
        expect(flatText(docOf(chapter), from, to).replaceAll(OBJECT, '')).toBe(said);
        expect(naive.some((hit) => hit.chapter === chapter && hit.from === from && hit.to <= to)).toBe(true);
      }
      const starts = (hit: { chapter: string; from: number; text: string; before: string }) => {
        const $at = docOf(hit.chapter).resolve(hit.from);
        return (
          $at.parent.type.name !== 'heading' &&
          !docOf(hit.chapter).rangeHasMark(hit.from, hit.from + 1, schema.marks.bookmark) &&
          /(?:^|\s)$/.test(hit.before)
        );
      };
      for (const hit of naive.filter(starts))
        expect(
          found.some(
            ({ chapter, from, to }) => chapter === hit.chapter && from <= hit.from && hit.from < to,
          ) || isMarkedFurtherOn(docOf(hit.chapter), hit.from),
        ).toBe(true);
    }),
    { numRuns: 60 },
  );
});

/** The rest of the word has a bookmark, or it is an item that has an id. */
function isMarkedFurtherOn(doc: ReturnType<typeof bookOf>['chapters'][number]['doc'], at: number): boolean {
  const $at = doc.resolve(at);
  for (let depth = $at.depth; depth > 0; depth--)
    if ($at.node(depth).type.name === 'list_item' && $at.node(depth).attrs.id) return true;
  return doc.rangeHasMark(at, Math.min($at.end(), at + 60), schema.marks.bookmark);
}
