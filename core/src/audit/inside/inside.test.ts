import { describe, expect, test } from '@jest/globals';
import { Transform } from 'prosemirror-transform';
import { schema, type ReadBook } from '../../manuscript/index.js';
import { applyInsideRepair } from '../../repair/index.js';
import { NO_SURROUNDINGS } from '../../shelf/index.js';
import {
  bookmarked,
  bookOf,
  contents,
  counter,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
} from '../../testing/books.js';
import { auditBook } from '../index.js';

const returning = (id: string, to = 'origin') => schema.node('return_link', { id, to });
const found = (book: ReadBook) =>
  auditBook(book, NO_SURROUNDINGS).inside.map(({ rule, subject }) => `${rule} ${subject.id}`);
const ofLinks = (book: ReadBook) =>
  [...auditBook(book, NO_SURROUNDINGS).findings].map(([id, findings]) => [
    id,
    findings.map(({ rule }) => rule),
  ]);

/** What is found of a book after the first repair of the first finding. */
function repaired(book: ReadBook): string[] {
  const [finding] = auditBook(book, NO_SURROUNDINGS).inside;
  const chapters = book.chapters.map((chapter) => {
    if (chapter.id !== finding!.subject.chapter) return chapter;
    const transform = new Transform(chapter.doc);
    applyInsideRepair(transform, finding!.subject, finding!.repairs[0]!.repair, counter('new'));
    return { ...chapter, doc: transform.doc };
  });
  return found({ ...book, chapters });
}

const FAULTS: [string, ReadBook, string[]][] = [
  [
    'a bookmark that nothing leads to',
    bookOf([paragraph(bookmarked('low', 'low', 'Low'))]),
    ['unused-bookmark low'],
  ],
  [
    'two bookmarks of one name',
    bookOf([
      paragraph(bookmarked('low', 'a', 'Low'), ' ', bookmarked('wet', 'b', 'Low')),
      paragraph(linked('x', place('a')), linked('y', place('b'))),
    ]),
    ['bookmark-name-twice b'],
  ],
  [
    'an id that two chapters have',
    bookOf([heading(1, 'Tides', 'x')], [heading(1, 'Lamps', 'x')]),
    ['doubled-id x'],
  ],
  ['a note without words', bookOf([paragraph('a', note('n', ''))]), ['note-without-words n']],
  [
    'a note without words to which two marks lead',
    bookOf([paragraph('a', note('n', ''), ' b', noteMark('n', 'm'))]),
    ['note-without-words n'],
  ],
  ['a mark whose note is gone', bookOf([paragraph('a', noteMark('gone', 'm'))]), ['mark-without-note m']],
  [
    'a list that leaves out headings',
    bookOf([heading(1, 'T', 't'), contents({}, 'toc'), heading(2, 'A', 'a'), heading(3, 'B', 'b')]),
    ['contents-leave-out toc'],
  ],
  ['a list that lists nothing', bookOf([heading(1, 'T', 't'), contents({}, 'toc')]), ['contents-empty toc']],
  [
    'a return link in a section to which nothing leads',
    bookOf([heading(1, 'T', 't'), paragraph(returning('r'))]),
    ['return-nowhere r'],
  ],
];

describe('inside the book', () => {
  test.each(FAULTS)('%s is found, and its repair does away with it', (_what, book, rules) => {
    expect(found(book)).toEqual(rules);
    expect(repaired(book)).toEqual([]);
  });

  test('nothing is found where all is well', () => {
    const book = bookOf([
      heading(1, 'Tides', 'tides'),
      contents({}, 'toc'),
      paragraph(bookmarked('low', 'low', 'Low'), note('n', 'Said.'), noteMark('n', 'm')),
      heading(2, 'Springs', 'springs'),
      paragraph(linked('low water', place('low')), reference('tides'), returning('r', 'top')),
    ]);
    expect(found(book)).toEqual([]);
    expect(ofLinks(book)).toEqual([]);
  });

  test('a link to a place that is gone offers the place that is called most like it', () => {
    const book = bookOf([
      heading(1, 'Keeping the wick', 'wick'),
      paragraph(linked('keeping the wicks', place('missing-x'), 'k'), reference('gone', 'number', 'r')),
    ]);
    const { findings } = auditBook(book, NO_SURROUNDINGS);
    expect(ofLinks(book)).toEqual([
      ['k', ['place-gone']],
      ['r', ['place-gone']],
    ]);
    expect(findings.get('k')?.[0]!.repairs.map(({ label }) => label)).toEqual([
      'Lead to “Keeping the wick”',
      'Remove the link',
    ]);
  });

  test('a link into a chapter that an edition leaves out is found, unless its own chapter is left out too', () => {
    const whole = bookOf([paragraph(linked('lamps', place('lamps'), 'k'))], [heading(1, 'Lamps', 'lamps')]);
    const leavingOut = (...forms: ('pdf' | 'epub')[][]) => ({
      ...whole,
      chapters: whole.chapters.map((chapter, index) => ({ ...chapter, leftOutOf: forms[index] ?? [] })),
    });
    expect(ofLinks(leavingOut([], ['pdf']))).toEqual([['k', ['place-left-out']]]);
    expect(ofLinks(leavingOut(['pdf'], ['pdf']))).toEqual([]);
  });

  test('notes made by hand are found; gravely where they have no way back', () => {
    const item = (id: string, ...content: Parameters<typeof paragraph>) =>
      schema.node('list_item', { id }, [paragraph(...content)]);
    const book = bookOf([
      paragraph(
        schema.node('anchor', { id: 'here' }),
        'a',
        linked('1', place('f1'), 'k1'),
        linked('2', place('f2'), 'k2'),
      ),
      schema.node('ordered_list', null, [
        item('f1', 'Said. ', linked('back up', place('here'))),
        item('f2', 'Seen.'),
        item('f3', 'Idle.'),
      ]),
    ]);
    expect(ofLinks(book)).toEqual([
      ['k1', ['hand-made-note']],
      ['k2', ['no-way-back']],
    ]);
    expect(found(book)).toEqual([expect.stringMatching(/^note-without-mark /)]);
    expect(repaired(book)).toEqual([]);
  });
});
