import type { Mark, Node } from 'prosemirror-model';
import type { Destination } from '../destination/index.js';
import { DEFAULT_FRAME, readBook, schema, type Book, type ReadBook } from '../manuscript/index.js';
import type { OtherBook, Surroundings } from '../shelf/index.js';
import type { EnclosureFile } from '../publish/index.js';
import { bookmarked, note, noteMark, place, reference, web } from './books.js';
import { shelfFile } from './shelf.js';
import { PIXEL } from './zip.js';

type Content = string | Node;

const node = (type: string, attrs: Record<string, unknown> | null, ...content: Content[]): Node =>
  schema.node(
    type,
    attrs,
    content.map((one) => (typeof one === 'string' ? schema.text(one) : one)),
  );
const mark = (type: string, attrs?: Record<string, unknown>): Mark => schema.mark(type, attrs);
const marked = (text: string, ...marks: Mark[]): Node => schema.text(text, marks);
const linkMark = (id: string, destination: Destination, more: Record<string, unknown> = {}): Mark =>
  mark('link', { id, destination, ...more });
const link = (id: string, text: string, destination: Destination, more: Record<string, unknown> = {}): Node =>
  marked(text, linkMark(id, destination, more));
const p = (...content: Content[]): Node => node('paragraph', null, ...content);
const cell = (words: string, attrs: Record<string, unknown> | null = null, type = 'table_cell'): Node =>
  node(type, attrs, p(words));

const MAIL: Destination = {
  kind: 'mail',
  to: ['keeper@lamp.example', 'watch@lamp.example'],
  cc: ['log@lamp.example'],
  bcc: [],
  subject: 'Oil & wicks',
  body: 'Good evening,\nthe lamp is low.',
};
const file = (enclosure: string, fragment?: string): Destination => ({
  kind: 'file',
  enclosure,
  ...(fragment === undefined ? {} : { fragment }),
});

const preface = [
  p('A book for keepers. ', link('w-front', 'The keepers’ society', web('https://keepers.example/'))),
];

const lamps = [
  node('heading', { level: 1, id: 'lamps' }, 'Lamps & wicks'),
  node(
    'paragraph',
    { id: 'first' },
    marked('Oil', mark('emphasis')),
    ' and ',
    marked('wick', mark('strong')),
    ' make ',
    marked('light < 3', mark('code')),
    ', H',
    marked('2', mark('subscript')),
    'O and 10',
    marked('3', mark('superscript')),
    ', ',
    marked('candles', mark('struck')),
    ' ',
    marked('Trinity House', mark('small_capitals')),
    ', ',
    marked('not.a-link.example', mark('unlinked')),
    '.',
    node('hard_break', null),
    'See ',
    marked('the ', linkMark('w-tables', web('https://a.example/?a=1&b=2'), { hoverNote: 'Tables "A"' })),
    marked(
      'tide',
      linkMark('w-tables', web('https://a.example/?a=1&b=2'), { hoverNote: 'Tables "A"' }),
      mark('emphasis'),
    ),
    marked(' tables', linkMark('w-tables', web('https://a.example/?a=1&b=2'), { hoverNote: 'Tables "A"' })),
    ' or ',
    link('w-look', 'the almanac', web('https://almanac.example/2026#june'), {
      look: { light: '#7a1f1f', dark: '#ffb0b0', underline: 'dotted', weight: 'strong' },
    }),
    ', ',
    link('m-keeper', 'write to the keeper', MAIL),
    ', read ',
    link('f-inside', 'the tide table', file('f-inside', 'page=3')),
    ', ',
    link('f-beside', 'the film', file('f-beside')),
    ', ',
    link('f-public', 'the chart', file('f-public', 'north')),
    ', ',
    link('f-review', 'the draft', file('f-review')),
    ', ',
    link('f-gone', 'a lost file', file('f-gone')),
    ', ',
    link('b-sister', 'the sister book', { kind: 'book', book: 'sister', place: 'oil' }),
    ', ',
    link('b-apart', 'the other book', { kind: 'book', book: 'apart' }),
    ', ',
    link('p-deep', 'deep water', place('deep')),
    ' or ',
    link('p-gone', 'nowhere', place('gone')),
    '.',
  ),
  p(
    'The ',
    bookmarked('low lamp', 'low-lamp', 'The low lamp'),
    ' burns',
    note(
      'n1',
      ['A first remark with ', link('w-note', 'a link', web('https://remark.example/'))],
      'Its second paragraph.',
    ),
    ' and burns',
    note('n2', 'A second remark.'),
    ' again',
    noteMark('n1', 'n1-again'),
    ', it goes on',
    noteMark('n-gone', 'n-lost'),
    '. ',
    node('anchor', { id: 'spot' }),
    'Here is a spot, and ',
    schema.node('anchor', { id: 'wordless' }, undefined, [
      linkMark('w-wordless', web('https://wordless.example/')),
    ]),
    'a link without words, ',
    node('picture', { enclosure: 'e1', alt: 'a flame', id: 'flame' }),
    ' ',
    schema.node('picture', { enclosure: 'e2', alt: 'a wick' }, undefined, [
      linkMark('w-picture', web('https://wick.example/')),
    ]),
    node('picture', { enclosure: 'e1', alt: 'unsaid', decorative: true }),
    node('picture', { enclosure: 'e-gone', alt: 'a lost picture' }),
  ),
  p(
    'As said in ',
    reference('deep', 'words', 'r1'),
    ', ',
    reference('deep', 'number', 'r2'),
    ', ',
    reference('deep', 'number-words', 'r3'),
    ', ',
    reference('deep', 'page', 'r4'),
    ', ',
    reference('lamps', 'where', 'r5'),
    ', ',
    reference('dot', 'own', 'r6', 'see {number} on page {page}'),
    ', ',
    reference('gone', 'words', 'r7'),
    '.',
  ),
  node('contents', { id: 'toc-here', scope: 'section', depth: 2, back: true, backWords: 'Up' }),
  node('contents', { id: 'toc-book', scope: 'book', depth: 3 }),
  node('heading', { level: 2, id: 'wicks' }, 'Wicks'),
  node(
    'quotation',
    { id: 'said' },
    p('“Trim it.”'),
    node(
      'bullet_list',
      null,
      node('list_item', null, p('daily')),
      node('list_item', { id: 'twice' }, p('twice'), p('at dusk')),
    ),
  ),
  node(
    'ordered_list',
    { id: 'steps', start: 12 },
    node('list_item', null, p('Open.'), node('ordered_list', null, node('list_item', null, p('Slowly.')))),
    node('list_item', null, node('paragraph', { id: 'close' }, 'Close.')),
  ),
  node(
    'code_block',
    { id: 'code' },
    'lamp = on\n  wick < 3 ',
    link('w-code', 'manual', web('https://manual.example/')),
  ),
  node('rule', { id: 'break' }),
  p(
    node('return_link', { id: 'back-1', to: 'top' }),
    ' ',
    node('return_link', { id: 'back-2', to: 'contents', own: 'All chapters' }),
  ),
];

const water = [
  node(
    'heading',
    { level: 2, id: 'deep' },
    'Deep ',
    link('w-heading', 'water', web('https://water.example/')),
  ),
  p(
    link('p-lamps', 'Back to lamps', place('lamps')),
    ', ',
    link('p-note', 'a remark', place('n1')),
    ', ',
    link('p-left-out', 'the sources', place('sources')),
    ', ',
    link('p-mark', 'its mark', place('n1.mark')),
    ', ',
    link('p-low', 'the low lamp', place('low-lamp')),
    ', ',
    link('p-dot', 'the figure', place('dot')),
    '.',
    note('n3', 'A third remark.'),
  ),
  node('heading', { level: 4, id: 'shallow', uncounted: true }, 'Shallow water'),
  node(
    'figure',
    {
      id: 'dot',
      enclosure: 'e1',
      alt: 'A "dot"',
      width: 40,
      link: { id: 'w-figure', destination: web('https://dots.example/'), hoverNote: 'Dots' },
      areas: [
        {
          id: 'a-north',
          name: 'North',
          destination: web('https://north.example/'),
          hoverNote: 'Up there',
          frame: { ...DEFAULT_FRAME, line: 'dashed', width: 2 },
          x: 0.1,
          y: 0.05,
          width: 0.333,
          height: 0.25,
        },
        {
          id: 'a-south',
          name: 'South',
          destination: place('lamps'),
          hoverNote: '',
          frame: null,
          x: 0.5,
          y: 0.5,
          width: 0.25,
          height: 0.5,
        },
        {
          id: 'a-gone',
          name: 'Gone',
          destination: place('gone'),
          hoverNote: '',
          frame: null,
          x: 0,
          y: 0,
          width: 0.1,
          height: 0.1,
        },
      ],
    },
    node('caption', null, 'A dot, ', link('w-caption', 'in colour', web('https://colour.example/')), '.'),
  ),
  node('figure', { enclosure: 'e3', alt: '', decorative: true }),
  node(
    'table',
    { id: 'tides' },
    node('table_caption', null, 'Tides', note('n4', 'A remark in a caption.')),
    node(
      'table_body',
      null,
      node(
        'table_row',
        null,
        cell('Day', null, 'table_header'),
        cell('High', { colspan: 2 }, 'table_header'),
      ),
      node('table_row', null, cell('Monday', { rowspan: 2, id: 'monday' }), cell('5'), cell('17')),
      node(
        'table_row',
        null,
        node('table_cell', null, p(link('w-cell', 'six', web('https://six.example/')))),
        cell('18'),
      ),
    ),
  ),
  p('The end. ', node('return_link', { id: 'back-3', to: 'origin', place: 'deep' })),
];

const sources = [
  node('heading', { level: 1, id: 'sources' }, 'Sources'),
  p(link('w-source', 'https://source.example/', web('https://source.example/'))),
];

/** A book with everything in it that a book can have: each node and mark, each kind of destination, and what leads nowhere. */
export function wholeBook(more: Partial<Book> = {}): ReadBook {
  const chapter = (
    id: string,
    title: string,
    matter: 'front' | 'main' | 'back',
    blocks: Node[],
    leftOutOf: ('epub' | 'pdf' | 'web')[] = [],
  ) => ({ id, title, matter, leftOutOf, doc: schema.node('doc', null, blocks).toJSON() as object });
  return readBook({
    id: '6ba7b810-9dad-11d1-80b4-00c04fd430c8',
    title: 'Lamps & tides of the northern lights',
    subtitle: 'A <short> account for keepers',
    author: 'A. Uthor & Son',
    language: 'en-GB',
    description: 'What keepers know, & more.',
    look: { light: '#0b5a6b', dark: '#8fd3e0', underline: 'solid', weight: 'regular' },
    structure: {
      numbering: 'decimal',
      notes: { count: 'chapter', stand: 'chapter', back: '' },
      returns: { after: 2, to: ['contents', 'origin'] },
      offered: 6,
    },
    chapters: [
      chapter('c-preface', 'Before the text', 'front', preface),
      chapter('c-lamps', 'Lamps & wicks', 'main', lamps),
      chapter('c-water', 'Deep water', 'main', water),
      chapter('c-sources', 'Sources', 'back', sources, ['web']),
    ],
    ...more,
  });
}

const GIF = Uint8Array.from(atob('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7'), (sign) =>
  sign.charCodeAt(0),
);
const SVG = new TextEncoder().encode(
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 9" width="90" height="9"><path d="M0 4h90" stroke="#12343b"/></svg>',
);

/** The pictures that it shows. */
export const wholeBookPictures: EnclosureFile[] = [
  { id: 'e1', name: 'dot.png', type: 'image/png', bytes: PIXEL },
  { id: 'e2', name: 'wick.gif', type: 'image/gif', bytes: GIF },
  { id: 'e3', name: 'line.svg', type: 'image/svg+xml', bytes: SVG },
  { id: 'f-inside', name: 'tide-table.pdf', type: 'application/pdf', bytes: PIXEL },
];

/** The files and the other books that it leads to. */
export const wholeBookSurroundings: Surroundings = {
  files: new Map(
    [
      shelfFile({ id: 'f-inside', description: 'Tides of a year.' }),
      shelfFile({
        id: 'f-beside',
        name: 'Fìlm of 1926.mp4',
        type: 'video/mp4',
        size: 5_300_000,
        travels: 'beside',
      }),
      shelfFile({
        id: 'f-public',
        name: 'chart.svg',
        type: 'image/svg+xml',
        size: 2048,
        travels: 'public',
        address: 'https://files.example/chart.svg',
      }),
      shelfFile({
        id: 'f-review',
        name: 'draft.txt',
        type: 'text/plain',
        size: 1,
        opensFor: 'reviewers',
        description: 'Not yet.',
      }),
    ].map((one) => [one.id, one]),
  ),
  books: new Map<string, OtherBook>([
    [
      'sister',
      { id: 'sister', title: 'Oil', author: 'B. Other', address: 'https://books.example/oil', places: null },
    ],
    ['apart', { id: 'apart', title: 'Wind', author: '', address: null, places: null }],
  ]),
};
