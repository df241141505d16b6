import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Fragment, type Node } from 'prosemirror-model';
import { plainWords } from '../language/index.js';
import { linked, paragraph, web } from '../testing/books.js';
import {
  BOUNDS,
  contentWithinBounds,
  docWithinBounds,
  faultInBounds,
  faultInChapter,
  schema,
  type Fitted,
  tableOf,
} from './index.js';

const doc = (...blocks: Node[]) => schema.node('doc', null, blocks);
const heading = (text: string) => schema.node('heading', { level: 1 }, schema.text(text));
const nested = (times: number, inner: Node, type = 'quotation'): Node =>
  Array.from({ length: times }).reduce<Node>(
    (block) =>
      type === 'quotation'
        ? schema.node(type, null, block)
        : schema.node(type, null, [schema.node('list_item', null, block)]),
    inner,
  );
const faultOf = (text: Node) => faultInChapter(text.toJSON())?.message ?? null;

function fitted(text: Node): { text: Node; told: Fitted[] } {
  const told: Fitted[] = [];
  return { text: docWithinBounds(text, (what) => told.push(what)), told };
}

const LONG = 'word '.repeat(30_000).trim();

describe('a text outside the bounds', () => {
  test.each<[string, Node, RegExp, Fitted[]]>([
    [
      '70 quotations in one another',
      doc(nested(70, paragraph('deep'))),
      /nested deeper than 60/,
      new Array<Fitted>(58).fill('depth'),
    ],
    [
      '300 lists in one another',
      doc(nested(300, paragraph('deep'), 'bullet_list')),
      /nested deeper than 60/,
      new Array<Fitted>(288).fill('depth'),
    ],
    [
      'a heading of too many signs',
      doc(heading('x'.repeat(2_001))),
      /a heading has at most 2,000 signs/,
      ['heading'],
    ],
    [
      'a paragraph of too many signs',
      doc(paragraph(LONG)),
      /a paragraph has at most 100,000 signs/,
      ['line'],
    ],
    [
      'a link of 70,000 signs',
      doc(paragraph(linked('w'.repeat(70_000), web('https://a.example/')))),
      /the words of a link/,
      ['linkWords'],
    ],
    [
      'an address of 18,000 signs',
      doc(paragraph(linked('w', web(`https://a.example/${'x'.repeat(18_000)}`)))),
      /at most 8000 signs/,
      ['address'],
    ],
    [
      'a list that begins at one and a half',
      doc(schema.node('ordered_list', { start: 1.5 }, [schema.node('list_item', null, [paragraph('x')])])),
      /whole number/,
      [],
    ],
    [
      'a list that begins before zero',
      doc(schema.node('ordered_list', { start: -3 }, [schema.node('list_item', null, [paragraph('x')])])),
      /whole number/,
      [],
    ],
    [
      'a cell over 1e9 columns',
      doc(
        tableOf([
          schema.node('table_row', null, [schema.node('table_cell', { colspan: 1e9 }, [paragraph('x')])]),
        ]),
      ),
      /1 to 100 columns/,
      [],
    ],
    ['a control character', doc(paragraph('a\u0001b')), /U\+0001/, []],
    ['half of a pair', doc(paragraph('a\ud800b')), /U\+D800/, []],
    [
      '100,000 combining marks',
      doc(paragraph(`e${'\u0301'.repeat(100_000)}`)),
      /100,000 signs|combining marks/,
      [],
    ],
    [
      '33 combining marks over two words of other looks',
      doc(
        schema.node('paragraph', null, [
          schema.text(`e${'\u0301'.repeat(20)}`),
          schema.text('\u0301'.repeat(13), [schema.mark('strong')]),
        ]),
      ),
      /combining marks/,
      [],
    ],
    [
      'a long alternative text',
      doc(schema.node('figure', { enclosure: 'p', alt: 'x'.repeat(5_000) })),
      /alt has at most 4,000/,
      ['words'],
    ],
    [
      'a caption of too many signs',
      doc(schema.node('figure', { enclosure: 'p' }, [schema.node('caption', null, [schema.text(LONG)])])),
      /a caption has at most/,
      ['words'],
    ],
  ])('%s can’t be saved, and is brought within', (_name, text, fault, changes) => {
    expect(faultOf(text)).toMatch(fault);
    const { text: within, told } = fitted(text);
    expect(told).toEqual(changes);
    within.check();
    expect(faultOf(within)).toBeNull();
    expect(fitted(within)).toEqual({ text: within, told: [] });
  });

  test('keeps its words, its order and the ids of what was dissolved', () => {
    const deep = nested(
      60,
      schema.node('bullet_list', { id: 'list' }, [
        schema.node('list_item', { id: 'item' }, [paragraph('deep')]),
      ]),
    );
    const { text } = fitted(doc(paragraph('before'), deep, paragraph('after')));
    expect(text.textContent).toBe('beforedeepafter');
    const ids: unknown[] = [];
    text.descendants(({ attrs }) => void (attrs.id && ids.push(attrs.id)));
    expect(ids).toEqual(['list', 'item']);
  });

  test('is divided between words, and no word is lost', () => {
    const { text } = fitted(doc(paragraph(LONG)));
    expect(text.childCount).toBe(3);
    expect(text.child(0).textContent.length).toBeLessThanOrEqual(BOUNDS.line);
    expect(text.child(1).textContent).toMatch(/^ word/);
    expect(text.textContent).toBe(LONG);
  });

  test('keeps the words of a link that are too many after it', () => {
    const { text } = fitted(doc(paragraph(linked('w'.repeat(2_500), web('https://a.example/')), ' end')));
    const [link, rest] = text.firstChild!.children;
    expect([link!.text!.length, link!.marks.length, rest!.text, rest!.marks.length]).toEqual([
      2_000,
      1,
      `${'w'.repeat(500)} end`,
      0,
    ]);
  });

  test('of areas keeps the first of them', () => {
    const area = (id: number) => ({
      id: `a${id}`,
      name: 'n',
      destination: web('https://a.example/'),
      hoverNote: '',
      frame: null,
      x: 0,
      y: 0,
      width: 0.5,
      height: 0.5,
    });
    const figure = schema.node('figure', {
      enclosure: 'p',
      areas: Array.from({ length: 201 }, (_, index) => area(index)),
      link: { id: 'l', destination: web(`https://a.example/${'x'.repeat(9_000)}`), hoverNote: '' },
    });
    const { text, told } = fitted(doc(figure));
    expect(text.firstChild!.attrs).toMatchObject({ link: null });
    expect((text.firstChild!.attrs.areas as unknown[]).length).toBe(200);
    expect(told.sort()).toEqual(['address', 'areas']);
  });
});

test('a text within the bounds is the same text', () => {
  const text = doc(
    heading('Tides'),
    paragraph('low at nine, é, e\u0301, 漢字, \u{1f30a}'),
    nested(12, paragraph('deep')),
  );
  expect(docWithinBounds(text)).toBe(text);
  expect(faultInBounds(text)).toBeNull();
});

test('signs of any kind become words that every file can carry', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: 'binary', maxLength: 200 }),
      fc.string({ unit: fc.constantFrom('\u0301', '\u0323', 'a', '\ud800', '\u0000') }),
      (one, other) => {
        const words = plainWords(one + other, 150);
        expect(words.length).toBeLessThanOrEqual(150);
        expect(words.isWellFormed()).toBe(true);
        expect(words).not.toMatch(/\p{M}{33,}/u);
        expect(plainWords(words, 150)).toBe(words);
      },
    ),
  );
});

test('what is divided leaves room to write on', () => {
  const { text } = fitted(doc(paragraph('x'.repeat(150_000))));
  expect(text.children.map((block) => block.textContent.length)).toEqual([50_000, 50_000, 50_000]);
});

test('content that is pasted comes within the bounds, whatever it is', () => {
  const inline = fc
    .tuple(
      fc.string({
        unit: fc.constantFrom('a', ' ', '\u0301', '\u0007', '\ud83c'),
        minLength: 1,
        maxLength: 60,
      }),
      fc.boolean(),
    )
    .map(([text, strong]) => schema.text(text, strong ? [schema.mark('strong')] : []));
  const block = fc
    .tuple(fc.array(inline, { maxLength: 5 }), fc.integer({ min: 0, max: 55 }))
    .map(([content, depth]) => nested(depth, schema.node('paragraph', null, content)));
  fc.assert(
    fc.property(fc.array(block, { minLength: 1, maxLength: 4 }), (blocks) => {
      const within = doc(...contentWithinBounds(Fragment.from(blocks)).content);
      within.check();
      expect(faultInBounds(within)).toBeNull();
    }),
    { numRuns: 60 },
  );
});
