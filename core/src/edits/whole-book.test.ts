import { describe, expect, test } from '@jest/globals';
import { Fragment } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { idsIn, sectionsOf, schema } from '../manuscript/index.js';
import {
  bookmarked,
  bookOf,
  counter,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
} from '../testing/books.js';
import { changedBlocks } from '../testing/changed.js';
import { expectAsExample } from '../testing/expected.js';
import { wholeBook } from '../testing/whole-book.js';
import {
  addBookmark,
  bookmarksIn,
  copyInto,
  handMadeNotes,
  keepIdsUnique,
  makeNotes,
  moveSection,
  remarksWithoutMark,
  removeMark,
  withPlaceIds,
} from './index.js';

const book = wholeBook();
const docs = new Map(book.chapters.map(({ id, doc }) => [id, doc]));

describe('the worked example of moving and copying', () => {
  test('every section, before every other and to the end of every chapter', () => {
    const text = bookOf(
      [
        heading(1, 'One', 'one'),
        paragraph('a'),
        heading(2, 'Two', 'two'),
        paragraph('b'),
        heading(2, 'Three', 'three'),
        paragraph('c'),
      ],
      [heading(1, 'Four', 'four'), paragraph('d')],
      [paragraph('e')],
    );
    const all = new Map(text.chapters.map(({ id, doc }) => [id, doc]));
    const places = [...all].flatMap(([chapter, doc]) => [
      ...sectionsOf(doc).map(({ id }) => ({ chapter, before: id })),
      { chapter, before: null },
    ]);
    const moves = [
      ...[...all].flatMap(([chapter, doc]) => sectionsOf(doc).map(({ id }) => ({ chapter, section: id! }))),
      { chapter: 'c1', section: 'gone' },
      { chapter: 'gone', section: 'one' },
    ];
    const made = moves.flatMap((from) =>
      [...places, { chapter: 'c2', before: 'gone' }, { chapter: 'gone', before: null }].map((to) => {
        const moved = moveSection(all, { from, to });
        const words = `${from.section} before ${to.before ?? `the end of ${to.chapter}`}`;
        if (!(moved instanceof Map)) return `${words}: ${moved.refused}`;
        return [
          words,
          ...[...moved].map(
            ([id, { doc }]) => `${id}: ${doc.children.map((one) => one.textContent).join(' ')}`,
          ),
        ].join(' | ');
      }),
    );
    expectAsExample('changes/moves.json', made);
  });

  test('a chapter copied into the same book: what gets new ids, and where its links lead then', () => {
    for (const [id, doc] of docs) {
      const taken = new Set([...docs.values()].flatMap((one) => idsIn(one)));
      const copy = copyInto(doc.content, (one) => taken.has(one), counter('copy'));
      expectAsExample(`changes/copy-${id}.json`, Fragment.from(copy).toJSON());
      expect(copyInto(doc.content, () => false, counter())).toBe(doc.content);
    }
  });

  test('two copies in one chapter: the second gives way', () => {
    for (const [id, doc] of docs) {
      const twice = schema.node('doc', null, doc.content.append(doc.content));
      const transform = new Transform(twice);
      keepIdsUnique(transform, counter('own'));
      const ids = idsIn(transform.doc);
      expectAsExample(`changes/unique-${id}.json`, changedBlocks(twice, transform.doc));
      expect(idsIn(doc).every((one) => ids.includes(one))).toBe(true);
      expect(withPlaceIds(doc, id).toJSON()).toMatchObject({ type: 'doc' });
    }
  });

  test('marks of notes, taken away one by one', () => {
    const { doc } = bookOf([
      paragraph('One', note('n', 'Remark'), ' two', noteMark('n', 'm1'), ' three', noteMark('n', 'm2'), '.'),
      paragraph('Four', noteMark('n', 'm3'), note('o', 'Other')),
    ]).chapters[0]!;
    const marks: number[] = [];
    doc.descendants((node, at) => {
      if (/^note/.test(node.type.name) && node.type.name !== 'note_paragraph') marks.push(at);
    });
    expectAsExample(
      'changes/marks-removed.json',
      [...marks, 0].map((at) => {
        const transform = new Transform(doc);
        removeMark(transform, at);
        return transform.doc.toString();
      }),
    );
  });

  test('notes made by hand, and made real', () => {
    const sup = (words: string, to: string, id: string) =>
      schema.text(words, [
        schema.marks.link.create({ id, destination: place(to) }),
        schema.marks.superscript.create(),
      ]);
    const hand = bookOf(
      [
        heading(1, 'Lamps', 'lamps'),
        schema.node('paragraph', { id: 'said' }, [
          schema.text('A lamp'),
          sup('1', 'r1', 'm1'),
          schema.text(' and oil'),
          sup('[2]', 'r2', 'm2'),
          schema.text('.'),
        ]),
        schema.node('paragraph', { id: 'again' }, [
          schema.text('Again'),
          sup('1', 'r1', 'm3'),
          schema.text(', a star'),
          linked('*', place('r3'), 'm4'),
        ]),
        heading(2, 'Notes', 'notes'),
        schema.node('ordered_list', null, [
          schema.node('list_item', { id: 'r1' }, [
            paragraph('A first remark. ', linked('↩', place('said'), 'b1')),
          ]),
          schema.node('list_item', { id: 'r2' }, [
            paragraph('A second.'),
            paragraph('Its second paragraph. ', linked('back', place('said'), 'b2')),
          ]),
          schema.node('list_item', { id: 'stray' }, [paragraph('No mark leads here.')]),
          schema.node('list_item', { id: 'r6' }, [paragraph('With a table.'), schema.node('rule')]),
        ]),
        schema.node('paragraph', { id: 'r3' }, [schema.text('* A starred remark.')]),
      ],
      [
        paragraph(
          'Elsewhere',
          sup('1', 'r1', 'm5'),
          ' and ',
          linked('a link', place('r2'), 'x'),
          ', ',
          bookmarked('spot', 'spot', 'Spot'),
        ),
      ],
    );
    const found = handMadeNotes(hand);
    const made = makeNotes(hand, found);
    expectAsExample('changes/notes.json', {
      found: found.map(({ mark, remark, backs }) => [mark.id, remark.words, backs.map(({ id }) => id)]),
      stray: remarksWithoutMark(hand, found).map(({ words }) => words),
      made: made.chapters.map(({ id, doc }) => [id, doc.toString(), doc.toJSON()]),
    });
  });

  test('bookmarks get an id from their name, once', () => {
    const { doc } = bookOf([paragraph('Tides and tides')]).chapters[0]!;
    const transform = new Transform(doc);
    const taken = new Set<string>();
    const add = (from: number, to: number, name: string) => {
      const id = addBookmark(transform, { from, to, name }, (one) => taken.has(one));
      taken.add(id);
      return id;
    };
    expect([add(1, 6, 'Low water'), add(11, 16, 'Low water'), add(7, 10, '12')]).toEqual([
      'low-water',
      'low-water-2',
      'b-12',
    ]);
    expect(bookmarksIn(transform.doc).map(({ name, from, to }) => [name, from, to])).toEqual([
      ['Low water', 1, 6],
      ['12', 7, 10],
      ['Low water', 11, 16],
    ]);
  });
});
