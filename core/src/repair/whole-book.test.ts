import { describe, expect, test } from '@jest/globals';
import { Transform } from 'prosemirror-transform';
import { linksOfChapter, mapOf, schema, type Link, type ReadBook } from '../manuscript/index.js';
import { bookOf, counter, heading, linked, paragraph, place, web } from '../testing/books.js';
import { changedBlocks } from '../testing/changed.js';
import { expectAsExample } from '../testing/expected.js';
import { wholeBook } from '../testing/whole-book.js';
import {
  applyInsideRepair,
  applyRepair,
  findMentions,
  linkMentions,
  repairBook,
  type InsideRepair,
  type MentionSearch,
  type Repair,
} from './index.js';

const LOOK = { light: '#112233', dark: '#ddeeff', underline: 'dotted', weight: 'strong' } as const;
const REPAIRS: Repair[] = [
  { type: 'destination', destination: web('https://new.example/') },
  { type: 'destination', destination: place('lamps') },
  { type: 'text', text: 'the new words' },
  { type: 'text', text: '' },
  { type: 'hover-note', hoverNote: 'A new note' },
  { type: 'look', look: LOOK },
  { type: 'trim' },
  { type: 'unlink' },
  { type: 'make-note' },
];
const INSIDE: InsideRepair[] = [
  { type: 'remove-bookmark' },
  { type: 'rename-bookmark', name: 'Another name' },
  { type: 'new-id' },
  { type: 'remove-note' },
  { type: 'remove-node' },
  { type: 'depth', depth: 4 },
  { type: 'whole-book' },
  { type: 'return-to', to: 'top' },
];
const book = wholeBook();

/** What a repair makes of each link of a book. */
function repaired(of: ReadBook, repair: Repair): Record<string, unknown> {
  const { say } = mapOf(of);
  const made: Record<string, unknown> = {};
  for (const { id: chapter, doc } of of.chapters)
    for (const link of linksOfChapter(doc, chapter, say)) {
      const transform = new Transform(doc);
      applyRepair(transform, link, repair);
      if (transform.docChanged) made[link.id] = changedBlocks(doc, transform.doc);
    }
  return made;
}

describe('the worked example of repairs', () => {
  test('each repair of each link of a book with everything in it', () => {
    // One block of many links changes a little each time: a book of few words shows it as well.
    const few = bookOf([
      heading(1, 'Lamps', 'lamps'),
      paragraph(
        linked('lamp.example', 'https://lamp.example/', 'address'),
        ' and ',
        linked('the wicks', place('lamps'), 'words'),
      ),
      paragraph(
        schema.text('bold ', [
          schema.marks.link.create({ id: 'styled', destination: web('https://a.example/') }),
          schema.marks.strong.create(),
        ]),
        schema.text('words', [
          schema.marks.link.create({ id: 'styled', destination: web('https://a.example/') }),
        ]),
        ' ',
        linked('  padded ', 'https://b.example/', 'padded'),
      ),
      paragraph(
        schema.node('anchor', null, undefined, [
          schema.marks.link.create({ id: 'bare', destination: web('https://c.example/') }),
        ]),
        schema.node('anchor', { id: 'spot' }, undefined, [
          schema.marks.link.create({ id: 'at-spot', destination: web('https://d.example/') }),
        ]),
        schema.node('picture', { enclosure: 'e1', alt: 'a flame' }, undefined, [
          schema.marks.link.create({ id: 'flame', destination: web('https://e.example/') }),
        ]),
      ),
      paragraph(
        'See ',
        schema.node('reference', { id: 'ref', place: 'lamps', form: 'words', own: '', hoverNote: 'n' }),
        '.',
      ),
      paragraph(
        'See ',
        schema.node('reference', { id: 'ref-gone', place: 'gone', form: 'words', own: '', hoverNote: '' }),
        '.',
      ),
      schema.node('figure', {
        enclosure: 'e1',
        alt: 'unsaid',
        decorative: true,
        link: { id: 'figure', destination: web('https://f.example/'), hoverNote: '' },
        areas: [
          {
            id: 'north',
            name: 'North',
            destination: web('https://n.example/'),
            hoverNote: '',
            frame: null,
            x: 0,
            y: 0,
            width: 0.5,
            height: 0.5,
          },
          {
            id: 'south',
            name: 'South',
            destination: web('https://s.example/'),
            hoverNote: '',
            frame: null,
            x: 0.5,
            y: 0.5,
            width: 0.5,
            height: 0.5,
          },
        ],
      }),
    ]);
    expectAsExample(
      'changes/repairs.json',
      REPAIRS.map((repair) => ({ repair, made: repaired(few, repair) })),
    );
    const all = repairBook(book, () => ({ type: 'unlink' }));
    expect(all.changed).toBe(linksOf(book).length);
    expect(all.chapters.flatMap(({ id, doc }) => linksOfChapter(doc, id))).toEqual([]);
  });

  test('each repair of each place, note, list and return link', () => {
    const [, lamps, water] = book.chapters;
    const targets = [
      'low-lamp',
      'n1',
      'n2',
      'n1-again',
      'n-lost',
      'toc-here',
      'toc-book',
      'back-1',
      'back-3',
      'wicks',
      'no-such-thing',
    ];
    const made = INSIDE.map((repair) => ({
      repair,
      made: Object.fromEntries(
        targets.flatMap((id) =>
          [lamps!, water!].flatMap(({ id: chapter, doc }) => {
            const transform = new Transform(doc);
            applyInsideRepair(transform, { id, at: 100_000 }, repair, counter('fresh'));
            return transform.docChanged ? [[`${id} in ${chapter}`, changedBlocks(doc, transform.doc)]] : [];
          }),
        ),
      ),
    }));
    expectAsExample('changes/inside-repairs.json', made);
  });

  test('a block is removed only as it was when that was offered', () => {
    const { doc } = bookOf([
      schema.node('bullet_list', null, [schema.node('list_item', null, [paragraph('only one')])]),
      paragraph('after'),
    ]).chapters[0]!;
    const remove = (at: number, words: string) => {
      const transform = new Transform(doc);
      applyInsideRepair(transform, { id: 'x', at }, { type: 'remove-block', words }, counter());
      return transform.doc.toString();
    };
    expect(remove(1, 'only one')).toBe('doc(paragraph("after"))');
    expect(remove(1, 'only')).toBe(doc.toString());
    const alone = schema.node('doc', null, [paragraph('alone')]);
    const transform = new Transform(alone);
    applyInsideRepair(transform, { id: 'x', at: 0 }, { type: 'remove-block', words: 'alone' }, counter());
    expect(transform.doc.toString()).toBe('doc(paragraph)');
  });

  test('mentions, in every way of looking for them', () => {
    const text = bookOf(
      [
        heading(1, 'The lamp'),
        paragraph(
          'A lamp, the Lamp’s wick, lamps, LAMP and a\u00a0lamp; ',
          linked('a lamp', 'https://a.example/', 'l'),
          '.',
        ),
        schema.node('code_block', null, [schema.text('lamp = lamp')]),
        paragraph(
          'With ',
          schema.text('lamp', [schema.marks.code.create()]),
          ' in code, a la',
          schema.text('mp', [schema.marks.strong.create()]),
          ' in two',
          schema.node('hard_break'),
          'lamp',
        ),
      ],
      [paragraph(`${'words and '.repeat(12)}a lamp far ${'from the start '.repeat(12)}`), paragraph('lamp')],
    );
    const search = (more: Partial<MentionSearch>) =>
      findMentions(text, {
        words: ' lamp ',
        matchCase: false,
        chapters: null,
        headings: true,
        code: true,
        firstOnly: false,
        ...more,
      });
    expectAsExample('changes/mentions.json', {
      all: search({}),
      'match case': search({ matchCase: true }).length,
      'no headings': search({ headings: false }).length,
      'no code': search({ code: false }).length,
      'first only': search({ firstOnly: true }),
      'one chapter': search({ chapters: ['c2'] }).length,
      'two words': search({ words: 'a lamp' }),
      nothing: search({ words: '  ' }),
      german: findMentions(
        { ...text, language: 'de' },
        { words: 'Lamp', matchCase: false, chapters: null, headings: true, code: true, firstOnly: false },
      ).length,
    });
    const { doc } = text.chapters[0]!;
    const transform = new Transform(doc);
    const mentions = search({ chapters: ['c1'] });
    const link = { destination: web('https://lamp.example/'), hoverNote: 'Lamps', look: null };
    const wrong = [
      { from: 1, to: 5, text: 'xxxx' },
      { from: -1, to: 2, text: '' },
      { from: 3, to: 3, text: '' },
      { from: 1, to: 100_000, text: '' },
    ];
    expect(linkMentions(transform, [...mentions, ...wrong], link, counter('m'))).toBe(mentions.length);
    expectAsExample('changes/linked-mentions.json', changedBlocks(doc, transform.doc));
  });
});

const linksOf = (of: ReadBook): Link[] =>
  of.chapters.flatMap(({ id, doc }) => linksOfChapter(doc, id, mapOf(of).say));
