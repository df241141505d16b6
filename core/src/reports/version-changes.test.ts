import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { linksOf } from '../manuscript/index.js';
import { replaceAll } from '../repair/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookOf, heading, linked, paragraph } from '../testing/index.js';
import { versionChanges } from './index.js';

test('says which links came, went and lead elsewhere, and what became of each chapter', () => {
  const first = [
    heading(1, 'One'),
    paragraph(linked('old', 'https://a.example/', 'a'), ' ', linked('it', 'https://b.example/', 'b')),
  ];
  const second = [heading(1, 'Two')];
  const before = bookOf(first, second);
  const after = bookOf([
    heading(1, 'One'),
    paragraph('now ', linked('it', 'https://c.example/', 'b'), ' ', linked('new', 'https://d.example/', 'd')),
  ]);
  expect(versionChanges(before, after)).toEqual({
    words: { before: 4, after: 4 },
    chapters: [
      { id: 'c1', title: 'Chapter 1', words: 3, fate: 'changed' },
      { id: 'c2', title: 'Chapter 2', words: 1, fate: 'gone' },
    ],
    added: [],
    links: {
      added: [{ id: 'd', text: 'new', href: 'https://d.example/' }],
      gone: [{ id: 'a', text: 'old', href: 'https://a.example/' }],
      changed: [
        {
          id: 'b',
          before: { id: 'b', text: 'it', href: 'https://b.example/' },
          after: { id: 'b', text: 'it', href: 'https://c.example/' },
        },
      ],
    },
  });
});

test('in any book: nothing is otherwise than in itself; forwards and backwards say the same; all links are accounted for', () => {
  fc.assert(
    fc.property(anyBook(), fc.constantFrom('lamp', 'sea', 'a'), (book, words) => {
      const search = {
        words,
        matchCase: true,
        wholeWords: false,
        ignoreAccents: false,
        chapters: null,
        addresses: false,
      };
      const { chapters } = replaceAll(book, search, 'other');
      const later = {
        ...book,
        chapters: book.chapters.slice(book.chapters.length > 1 ? 1 : 0).map((one) => ({
          ...one,
          doc: chapters.find(({ id }) => id === one.id)?.doc ?? one.doc,
        })),
      };
      const same = versionChanges(book, book);
      expect([same.links, same.added]).toEqual([{ added: [], gone: [], changed: [] }, []]);
      expect(same.chapters.every(({ fate }) => fate === 'same')).toBe(true);
      const forth = versionChanges(book, later);
      const back = versionChanges(later, book);
      expect(back.links.added.map(({ id }) => id).sort()).toEqual(
        forth.links.gone.map(({ id }) => id).sort(),
      );
      expect(back.words).toEqual({ before: forth.words.after, after: forth.words.before });
      const ids = (one: typeof book) => new Set(linksOf(one).map(({ id }) => id));
      expect(ids(later).size).toBe(ids(book).size - forth.links.gone.length + forth.links.added.length);
    }),
    { numRuns: 40 },
  );
});
