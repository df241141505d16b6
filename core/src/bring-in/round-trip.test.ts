import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { faultInChapter, linksOf, mapOf, readBook, type ReadBook } from '../manuscript/index.js';
import { editionOf, makeEpub } from '../publish/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { counter } from '../testing/books.js';
import { bringIn } from './index.js';

const picture = { id: 'e1', name: 'lamp.png', type: 'image/png', bytes: new Uint8Array() };

/** What leads inside a book, by ids: its notes with their marks, its bookmarks, its references and lists. */
function insideOf(book: ReadBook) {
  const { notes, places } = mapOf(book);
  // A link on a number that leads to a remark is a mark of it to whoever reads the file.
  const asMarks = (note: string) =>
    linksOf(book).filter(
      ({ text, destination: to }) => /^\d+\.?$/.test(text.trim()) && to.kind === 'place' && to.place === note,
    );
  const references: string[] = [];
  const lists: unknown[] = [];
  for (const { doc } of book.chapters)
    doc.descendants(({ type, attrs }) => {
      if (type.name === 'reference') references.push(`${attrs.place} ${attrs.form} ${attrs.own}`);
      if (type.name === 'contents') lists.push([attrs.id, attrs.scope, attrs.depth, attrs.back]);
    });
  return {
    chapters: book.chapters.length,
    notes: notes.map(({ id, marks }) => [id, marks.length + asMarks(id).length]).sort(),
    bookmarks: [...places.values()].flatMap(({ id, kind, words }) =>
      kind === 'bookmark' ? [[id, words]] : [],
    ),
    references: references.sort(),
    lists,
  };
}

describe('a book that goes out as an e-book and comes in again', () => {
  test('has its chapters, notes, marks, bookmarks, references and lists, and nothing in it leads nowhere', () => {
    fc.assert(
      fc.property(anyBook(), (book) => {
        const bytes = makeEpub(editionOf(book, [picture], 'epub'), { modified: new Date(0) });
        const { book: brought } = bringIn({ name: 'book.epub', bytes }, counter('new'));
        for (const { doc } of brought.chapters) expect(faultInChapter(doc)).toBeNull();
        const again = readBook({ ...brought, structure: book.structure });
        expect(insideOf(again)).toEqual(insideOf(book));
        const { places } = mapOf(again);
        const dangling = linksOf(again).filter(
          ({ destination: to }) => to.kind === 'place' && !places.has(to.place),
        );
        expect(dangling).toEqual([]);
      }),
      { numRuns: 100, seed: 3, endOnFailure: true },
    );
  });
});
