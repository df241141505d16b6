import { describe, expect, test } from '@jest/globals';
import type { Node } from 'prosemirror-model';
import { faultInChapter, mapOf, schema, wordsOf, type ReadBook } from '../manuscript/index.js';
import { bookOf, counter, heading, linked, paragraph } from '../testing/index.js';
import { makeTypedNotes, typedNotes } from './index.js';

const raised = (words: string) => schema.text(words, [schema.marks.superscript.create()]);
const items = (...words: string[]) =>
  schema.node(
    'ordered_list',
    null,
    words.map((one) => schema.node('list_item', null, [paragraph(one)])),
  );
const told = (book: ReadBook) => typedNotes(book).map(({ text, remark, isSure }) => [text, remark, isSure]);
function made(book: ReadBook): { doc: Node; notes: string[] } {
  const keys = new Set(typedNotes(book).map(({ key }) => key));
  const { chapters } = makeTypedNotes(book, keys, counter('n'));
  const after = {
    ...book,
    chapters: book.chapters.map((one) => {
      const changed = chapters.find(({ id }) => id === one.id);
      // The steps lead from the text as it was to the text as it is.
      if (changed) expect(changed.transform.before.eq(one.doc)).toBe(true);
      if (changed) expect(changed.transform.doc.eq(changed.doc)).toBe(true);
      return { ...one, doc: changed?.doc ?? one.doc };
    }),
  };
  for (const { doc } of after.chapters) expect(faultInChapter(doc.toJSON() as object)).toBeNull();
  const { notes } = mapOf(after);
  return { doc: after.chapters[0]!.doc, notes: notes.map(({ node }) => node.textContent) };
}

describe('notes typed without links', () => {
  test.each<[string, Node[]]>([
    [
      '[1]',
      [
        paragraph('Oil [1] and wick.[2]'),
        heading(2, 'Notes'),
        paragraph('[1] Whale oil.'),
        paragraph('[2] Of cotton.'),
      ],
    ],
    ['(1)', [paragraph('Oil (1) and wick.(2)'), paragraph('(1) Whale oil.'), paragraph('(2) Of cotton.')]],
    [
      'a raised number',
      [
        paragraph('Oil', raised('1'), ' and wick.', raised('2')),
        heading(2, 'Notes'),
        items('Whale oil.', 'Of cotton.'),
      ],
    ],
    [
      '¹',
      [
        paragraph('Oil¹ and wick.²'),
        schema.node('rule'),
        paragraph('¹ Whale oil.'),
        paragraph('²Of cotton.'),
      ],
    ],
    [
      '1.',
      [
        paragraph('Oil [1] and wick [2].'),
        heading(2, 'Notes'),
        paragraph('1. Whale oil.'),
        paragraph('2. Of cotton.'),
      ],
    ],
  ])('as %s are found, and become real ones', (_name, blocks) => {
    const book = bookOf([heading(1, 'One'), ...blocks]);
    expect(typedNotes(book).map(({ isSure }) => isSure)).toEqual([true, true]);
    const { doc, notes } = made(book);
    expect(notes).toEqual(['Whale oil.', 'Of cotton.']);
    // The list is gone, with its heading.
    expect(doc.children.map((node) => node.type.name)).toEqual(['heading', 'paragraph']);
    expect(wordsOf(doc.child(1)).replace(/\s/g, '')).toMatch(/^Oiland ?wick\.?$/);
  });

  test('may be marked twice, and a remark without a mark stays', () => {
    const book = bookOf([
      heading(1, 'One'),
      paragraph('a [1] b [2] c [1]'),
      paragraph('[1] First.'),
      paragraph('[2] Second.'),
      paragraph('[3] Third.'),
    ]);
    expect(told(book)).toEqual([
      ['[1]', '[1] First.', false],
      ['[2]', '[2] Second.', false],
      ['[1]', '[1] First.', false],
    ]);
    const { doc, notes } = made(book);
    expect(notes).toEqual(['First.', 'Second.']);
    expect(doc.lastChild?.textContent).toBe('[3] Third.');
  });

  test('are sure by the order of their first marks, however often one is marked', () => {
    const book = bookOf([
      heading(1, 'One'),
      paragraph('a [1] b [2] c [1]'),
      paragraph('[1] First.'),
      paragraph('[2] Second.'),
    ]);
    expect(typedNotes(book).map(({ isSure }) => isSure)).toEqual([true, true, true]);
  });

  test('after the book belong to all its chapters', () => {
    const book = bookOf(
      [heading(1, 'One'), paragraph('a [1]')],
      [heading(1, 'Two'), paragraph('b [2]')],
      [heading(1, 'Notes'), paragraph('[1] First.'), paragraph('[2] Second.')],
    );
    expect(made(book).notes).toEqual(['First.', 'Second.']);
  });

  test('are none where numbers count something else', () => {
    for (const blocks of [
      [paragraph('There are three ways: (1) by boat, (2) on foot.'), items('Row.', 'Walk.')],
      [paragraph('Steps:'), items('Row.', 'Walk.'), paragraph('That is all [1].')],
      [
        paragraph('It is 5 m² and 10³.'),
        schema.node('rule'),
        paragraph('² Of that.'),
        paragraph('³ Of this.'),
      ],
      [paragraph('See ', linked('[1]', 'https://a.example/'), '.'), paragraph('[1] A.'), paragraph('[2] B.')],
      [paragraph('1. One [7]'), paragraph('2. Two [8]')],
    ])
      expect(told(bookOf([heading(1, 'One'), ...blocks]))).toEqual([]);
  });
});
