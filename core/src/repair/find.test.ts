import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Node } from 'prosemirror-model';
import { attrsOf, faultInChapter, linksOf, mapOf, schema, type ReadBook } from '../manuscript/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookOf, heading, linked, note, paragraph } from '../testing/index.js';
import { findWords, replaceAll, type FindSearch } from './index.js';

const search = (words: string, more: Partial<FindSearch> = {}): FindSearch => ({
  words,
  matchCase: false,
  wholeWords: false,
  ignoreAccents: false,
  chapters: null,
  addresses: false,
  ...more,
});
const textOf = (book: ReadBook, replaced: ReturnType<typeof replaceAll>) =>
  book.chapters.map(
    ({ id, doc }) => (replaced.chapters.find((one) => one.id === id)?.doc ?? doc).textContent,
  );
const after = (book: ReadBook, wanted: FindSearch, by: string): ReadBook => {
  const { chapters } = replaceAll(book, wanted, by);
  return {
    ...book,
    chapters: book.chapters.map((one) => ({
      ...one,
      doc: chapters.find(({ id }) => id === one.id)?.doc ?? one.doc,
    })),
  };
};

describe('finding', () => {
  const book = bookOf([heading(1, 'The Lamp'), paragraph('lamps and a lamp, the naïve lámp; İstanbul')]);
  const found = (words: string, more: Partial<FindSearch> = {}) =>
    findWords(book, search(words, more)).map(({ text }) => text);
  test('takes small and capital letters for the same, unless it is asked not to', () => {
    expect(found('lamp')).toEqual(['Lamp', 'lamp', 'lamp']);
    expect(found('lamp', { matchCase: true })).toEqual(['lamp', 'lamp']);
  });
  test('finds whole words alone where that is asked', () =>
    expect(found('lamp', { wholeWords: true })).toEqual(['Lamp', 'lamp']));
  test('passes over accents, however they are written', () => {
    expect(found('lamp', { ignoreAccents: true })).toEqual(['Lamp', 'lamp', 'lamp', 'lámp']);
    const composed = bookOf([paragraph('cafe\u0301s and café')]);
    expect(findWords(composed, search('cafe', { ignoreAccents: true })).map(({ text }) => text)).toEqual([
      'cafe\u0301',
      'café',
    ]);
    expect(findWords(composed, search('cafe')).map(({ text }) => text)).toEqual(['cafe']);
  });
  test('keeps its place where a small letter is longer than its capital', () =>
    expect(found('stanbul')).toEqual(['stanbul']));
  test('looks into notes, captions and cells, in chosen chapters, and into addresses', () => {
    const two = bookOf(
      [paragraph('sea', note('n', 'sea'))],
      [paragraph(linked('here', 'https://sea.example/sea'))],
    );
    const hits = findWords(two, search('sea', { addresses: true }));
    expect(hits.map(({ chapter, link }) => [chapter, link?.at ?? null])).toEqual([
      ['c1', null],
      ['c1', null],
      ['c2', 8],
      ['c2', 20],
    ]);
    expect(findWords(two, search('sea', { chapters: ['c2'] }))).toEqual([]);
  });
  test('finds nothing for nothing', () => expect(found('')).toEqual([]));
});

describe('replacing', () => {
  const mark = (name: string, words: string) =>
    schema.text(words, [schema.marks.bookmark.create({ id: name, name })]);
  const linksIn = (book: ReadBook) => linksOf(book).map(({ text, href }) => [text, href]);

  test('leaves links, bookmarks and notes where they are, with the words that they have then', () => {
    const book = bookOf([
      paragraph(
        'see ',
        linked('the old lamp', 'https://lamp.example/'),
        ' and ',
        mark('b', 'old oil'),
        note('n', 'old'),
      ),
    ]);
    const now = after(book, search('old'), 'new');
    expect(now.chapters[0]?.doc.textContent).toBe('see the new lamp and new oilnew');
    expect(linksIn(now)).toEqual([['the new lamp', 'https://lamp.example/']]);
    expect(mapOf(now).places.get('b')?.words).toBe('b');
  });
  test('of words that are half in a link changes only what is different', () => {
    const book = bookOf([paragraph('by ', linked('lamp', 'https://lamp.example/'), ' light')]);
    expect(linksIn(after(book, search('by lamp'), 'by candle'))).toEqual([
      ['candle', 'https://lamp.example/'],
    ]);
    expect(linksIn(after(book, search('lamp light'), 'moon'))).toEqual([['moon', 'https://lamp.example/']]);
  });
  test('by nothing never leaves a link without words', () => {
    const book = bookOf([paragraph('x ', linked('lamp', 'https://lamp.example/'), ' lamp')]);
    const done = replaceAll(book, search('lamp'), '');
    expect([done.changed, done.left, textOf(book, done)]).toEqual([1, 1, ['x lamp ']]);
  });
  test('of two links at once leaves both', () => {
    const book = bookOf([
      paragraph(linked('sea', 'https://a.example/'), linked('side', 'https://b.example/', 'other')),
    ]);
    const done = replaceAll(book, search('seaside'), 'coast');
    expect([done.changed, done.left]).toEqual([0, 1]);
  });
  test('by the same changes nothing', () => {
    const done = replaceAll(bookOf([paragraph('lamp lamp')]), search('lamp'), 'lamp');
    expect([done.changed, done.left, done.chapters]).toEqual([0, 0, []]);
  });
  test('changes addresses that stay addresses, and leaves the others', () => {
    const book = bookOf([
      paragraph(linked('one', 'http://old.example/old'), ' ', linked('two', 'https://b.example/', 'two')),
    ]);
    expect(linksIn(after(book, search('old', { addresses: true }), 'new'))[0]).toEqual([
      'one',
      'http://new.example/new',
    ]);
    const broken = replaceAll(book, search('https://', { addresses: true }), 'javascript:');
    expect([broken.changed, broken.left]).toEqual([0, 1]);
  });

  // The naive model: each run of text by itself, as a program replaces in a string.
  const runsOf = (line: Node): string[] => {
    const runs = [''];
    line.forEach((child) => {
      if (child.isText) runs[runs.length - 1] += child.text ?? '';
      else if (child.type.name === 'hard_break') runs[runs.length - 1] += ' ';
      else runs.push('');
    });
    return runs;
  };
  const linesOf = (book: ReadBook): string[][] => {
    const lines: string[][] = [];
    for (const { doc } of book.chapters)
      doc.descendants((node) => {
        if (node.isTextblock) lines.push(runsOf(node));
        return true;
      });
    return lines;
  };
  const held = (book: ReadBook) => {
    const ids = new Set<string>();
    for (const { doc } of book.chapters)
      doc.descendants((node) => {
        for (const one of node.marks)
          if (one.type === schema.marks.link) ids.add(attrsOf.link(one).id);
          else if (one.type === schema.marks.bookmark) ids.add(attrsOf.bookmark(one).id);
        if (node.attrs.id) ids.add(String(node.attrs.id));
        return true;
      });
    return [...ids].sort();
  };
  test('in any book: as in plain strings, with every link, bookmark, note and place still there', () => {
    fc.assert(
      fc.property(
        anyBook(),
        fc.constantFrom('lamp', 'sea', 'a', 'wick glass', ' ', 'e', 'harbour tide'),
        fc.constantFrom('', 'x', 'lamplight', 'a b', 'sea'),
        (book, words, by) => {
          const wanted = search(words, { matchCase: true });
          const before = linesOf(book);
          const expected = before.map((runs) => runs.map((run) => run.split(words).join(by)));
          const done = replaceAll(book, wanted, by);
          const now = after(book, wanted, by);
          for (const { doc } of now.chapters) {
            doc.check();
            expect(faultInChapter(doc.toJSON())).toBeNull();
          }
          expect(held(now)).toEqual(held(book));
          if (done.left === 0) expect(linesOf(now)).toEqual(expected);
          else expect(linesOf(now).length).toBe(before.length);
        },
      ),
      { numRuns: 60 },
    );
  });
});
