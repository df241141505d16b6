import { Schema, type Attrs, type DOMOutputSpec, type NodeSpec } from 'prosemirror-model';
import { faultInDestination } from '../destination/index.js';
import { faultInArea, type LinkArea } from './area.js';
import { idOf, type FigureLink } from './attrs.js';
import { parsed } from './carried.js';
import { insideNodes } from './inside-nodes.js';
import { marks } from './marks.js';
import { pageNodes } from './page.js';

/** Version of the chapter JSON. It goes up when stored chapters need to be rewritten to be read. */
export const SCHEMA_VERSION = 2;

const id = { id: { default: null as string | null, validate: 'string|null' } };
function isLevel(value: unknown): void {
  if (!Number.isInteger(value) || Number(value) < 1 || Number(value) > 6)
    throw new RangeError(`a heading's level is 1 to 6, not ${String(value)}`);
}

function isWidth(value: unknown): void {
  if (value !== null && !(typeof value === 'number' && value >= 5 && value <= 100))
    throw new RangeError(`a picture's width is 5 to 100 percent of the text, not ${String(value)}`);
}

/** The least and the most room to write, in mm. */
export const ROOM = { least: 5, most: 200 } as const;

/** A height that room to write can have, nearest to the one that is wanted. */
export const roomHeight = (wanted: number): number =>
  Math.min(ROOM.most, Math.max(ROOM.least, Math.round(wanted) || 40));

function isHeight(value: unknown): void {
  if (!(Number.isInteger(value) && Number(value) >= ROOM.least && Number(value) <= ROOM.most))
    throw new RangeError(`room to write is ${ROOM.least} to ${ROOM.most} mm high, not ${String(value)}`);
}

/** Whether a heading, a paragraph or a figure begins a new page, where there are pages. */
const newPage = { newPage: { default: false, validate: 'boolean' } };
const pageMark = ({ attrs }: { attrs: Attrs }): Record<string, string> =>
  attrs.newPage ? { 'data-new-page': '' } : {};
const readPage = (element: HTMLElement): Attrs => ({ newPage: element.hasAttribute('data-new-page') });

function figureFrom(json: string): Attrs | false {
  const { enclosure, alt, decorative, link, areas, width, newPage: begins } = (parsed(json) ?? {}) as Attrs;
  if (typeof enclosure !== 'string' || !Array.isArray(areas) || areas.some(faultInArea)) return false;
  const whole = (link ?? null) as FigureLink | null;
  return {
    enclosure,
    alt: String(alt ?? ''),
    decorative: decorative === true,
    areas,
    link: whole && faultInDestination(whole.destination) === null ? whole : null,
    width: typeof width === 'number' ? Math.min(100, Math.max(5, width)) : null,
    newPage: begins === true,
  };
}

function idAttribute(attrs: Attrs): Record<string, string> {
  const id = idOf({ attrs });
  return id ? { id } : {};
}

const readId = (element: HTMLElement): Attrs => ({ id: element.getAttribute('id') || null });

function block(tag: string, content: string, more: Partial<NodeSpec> = {}): NodeSpec {
  return {
    content,
    group: 'block',
    attrs: id,
    parseDOM: [{ tag, getAttrs: readId }],
    toDOM: (node) => [tag, idAttribute(node.attrs), 0],
    ...more,
  };
}

/** What a line of the text holds: words and all that stands among them, notes too. */
const LINE = '(inline | noting)*';

const nodes = {
  /** A text, or the pages of a finished file with the entries of its outline. */
  doc: { content: 'block+ | (page+ entry*)' },
  paragraph: block('p', LINE, {
    attrs: { ...id, ...newPage },
    parseDOM: [{ tag: 'p', getAttrs: (element) => ({ ...readId(element), ...readPage(element) }) }],
    toDOM: (node) => ['p', { ...idAttribute(node.attrs), ...pageMark(node) }, 0],
  }),
  heading: {
    content: LINE,
    group: 'block',
    defining: true,
    attrs: {
      ...id,
      level: { default: 1, validate: isLevel },
      /** Left out when the headings of the book are counted. */
      uncounted: { default: false, validate: 'boolean' },
      ...newPage,
    },
    parseDOM: [1, 2, 3, 4, 5, 6].map((level) => ({
      tag: `h${level}`,
      getAttrs: (element: HTMLElement) => ({
        ...readId(element),
        ...readPage(element),
        level,
        uncounted: element.hasAttribute('data-uncounted'),
      }),
    })),
    toDOM: (node) => [
      `h${node.attrs.level}`,
      {
        ...idAttribute(node.attrs),
        ...(node.attrs.uncounted ? { 'data-uncounted': '' } : {}),
        ...pageMark(node),
      },
      0,
    ],
  },
  quotation: block('blockquote', 'block+', { defining: true }),
  bullet_list: block('ul', 'list_item+'),
  ordered_list: {
    content: 'list_item+',
    group: 'block',
    attrs: { ...id, start: { default: 1, validate: 'number' } },
    parseDOM: [
      {
        tag: 'ol',
        getAttrs: (element: HTMLElement) => ({
          ...readId(element),
          start: Number.parseInt(element.getAttribute('start') ?? '1', 10) || 1,
        }),
      },
    ],
    toDOM: (node) => [
      'ol',
      { ...idAttribute(node.attrs), ...(node.attrs.start === 1 ? {} : { start: String(node.attrs.start) }) },
      0,
    ],
  },
  list_item: block('li', 'block+', { group: '', defining: true }),
  /** Terms, each with what it means or what is said of it. */
  term_list: block('dl', '(term+ meaning+)+'),
  term: block('dt', LINE, { group: '', defining: true }),
  meaning: block('dd', 'block+', { group: '', defining: true }),
  code_block: block('pre', '(text | anchor)*', {
    marks: 'link bookmark unlinked',
    code: true,
    defining: true,
    parseDOM: [{ tag: 'pre', preserveWhitespace: 'full', getAttrs: readId }],
    toDOM: (node) => ['pre', idAttribute(node.attrs), ['code', 0]],
  }),
  rule: {
    group: 'block',
    attrs: id,
    parseDOM: [{ tag: 'hr', getAttrs: readId }],
    toDOM: (node) => ['hr', idAttribute(node.attrs)],
  },
  figure: {
    content: 'caption? credit?',
    group: 'block',
    isolating: true,
    attrs: {
      ...id,
      enclosure: { validate: 'string' },
      alt: { default: '', validate: 'string' },
      decorative: { default: false, validate: 'boolean' },
      link: { default: null as FigureLink | null },
      areas: { default: [] as readonly LinkArea[] },
      /** Share of the width of the text, in percent; `null`: as wide as the picture is, where it fits. */
      width: { default: null as number | null, validate: isWidth },
      ...newPage,
    },
    parseDOM: [
      {
        tag: 'figure[data-figure]',
        contentElement: 'div',
        getAttrs: (element: HTMLElement) => {
          const read = figureFrom(element.dataset.figure ?? '');
          return read && { ...readId(element), ...read };
        },
      },
    ],
    toDOM: (node) => [
      'figure',
      { ...idAttribute(node.attrs), ...pageMark(node), 'data-figure': JSON.stringify(node.attrs) },
      pictureElement(node.attrs),
      ['div', 0],
    ],
  },
  caption: {
    content: LINE,
    parseDOM: [{ tag: 'figcaption' }],
    toDOM: () => ['figcaption', 0],
  },
  /** Where a picture comes from and who may be asked for it, below the picture and its caption. */
  credit: {
    content: LINE,
    parseDOM: [{ tag: 'div[data-credit]' }],
    toDOM: () => ['div', { 'data-credit': '' }, 0],
  },
  /** Room to write in, of a height in mm; with ruled lines or blank. */
  room: {
    group: 'block',
    atom: true,
    attrs: {
      ...id,
      height: { default: 40, validate: isHeight },
      ruled: { default: true, validate: 'boolean' },
    },
    parseDOM: [
      {
        tag: 'div[data-room]',
        getAttrs: (element: HTMLElement) => ({
          ...readId(element),
          height: roomHeight(Number(element.dataset.room)),
          ruled: element.hasAttribute('data-ruled'),
        }),
      },
    ],
    toDOM: ({ attrs }) => [
      'div',
      {
        ...idAttribute(attrs),
        'data-room': String(attrs.height),
        style: `height: ${String(attrs.height)}mm`,
        ...(attrs.ruled ? { 'data-ruled': '' } : {}),
      },
    ],
  },
  /** `tableRole` tells the nodes by which tables are edited (`prosemirror-tables`); the caption is none of them. */
  table: block('table', 'table_caption? table_body', { isolating: true }),
  table_caption: {
    content: LINE,
    parseDOM: [{ tag: 'caption' }],
    toDOM: () => ['caption', 0],
  },
  table_body: {
    content: 'table_row+',
    tableRole: 'table',
    isolating: true,
    toDOM: () => ['tbody', 0],
  },
  table_row: block('tr', '(table_cell | table_header)+', { group: '', tableRole: 'row' }),
  table_cell: cell('td', 'cell'),
  table_header: cell('th', 'header_cell'),
  text: { group: 'inline' },
  hard_break: {
    inline: true,
    group: 'inline',
    selectable: false,
    parseDOM: [{ tag: 'br' }],
    toDOM: () => ['br'],
    leafText: () => '\n',
  },
  picture: {
    inline: true,
    group: 'inline',
    attrs: {
      ...id,
      enclosure: { validate: 'string' },
      alt: { default: '', validate: 'string' },
      decorative: { default: false, validate: 'boolean' },
    },
    parseDOM: [
      {
        tag: 'img[src^="/api/enclosures/"]',
        getAttrs: (element: HTMLElement) => {
          const alt = element.getAttribute('alt') ?? '';
          const enclosure = (element.getAttribute('src') ?? '').replace('/api/enclosures/', '');
          return { ...readId(element), enclosure, alt, decorative: alt === '' };
        },
      },
    ],
    toDOM: (node) => pictureElement(node.attrs, idAttribute(node.attrs)),
  },
  /** A formula in MathML; `words` are its signs in reading order. */
  formula: {
    inline: true,
    group: 'inline',
    atom: true,
    attrs: {
      mathml: { validate: 'string' },
      words: { default: '', validate: 'string' },
    },
    parseDOM: [
      {
        tag: 'span[data-formula]',
        getAttrs: ({ dataset }: HTMLElement) => ({ mathml: dataset.formula, words: dataset.words ?? '' }),
      },
    ],
    toDOM: ({ attrs: { mathml, words } }) => ['span', { 'data-formula': mathml, 'data-words': words }, words],
    leafText: ({ attrs }) => String(attrs.words),
  },
  /** A place without words of its own, such as `<a id="p12"></a>`; also what carries a link that has no words. */
  anchor: {
    inline: true,
    group: 'inline',
    atom: true,
    selectable: false,
    attrs: id,
    parseDOM: [{ tag: 'span[data-anchor]', getAttrs: readId }],
    toDOM: (node) => ['span', { ...idAttribute(node.attrs), 'data-anchor': '' }],
  },
  ...insideNodes,
  ...pageNodes,
} satisfies Record<string, NodeSpec>;

function cell(tag: 'td' | 'th', tableRole: string): NodeSpec {
  return {
    content: 'block+',
    isolating: true,
    tableRole,
    attrs: {
      ...id,
      colspan: { default: 1, validate: 'number' },
      rowspan: { default: 1, validate: 'number' },
    },
    parseDOM: [
      {
        tag,
        getAttrs: (element: HTMLElement) => ({
          ...readId(element),
          colspan: Number(element.getAttribute('colspan')) || 1,
          rowspan: Number(element.getAttribute('rowspan')) || 1,
        }),
      },
    ],
    toDOM: (node) => [tag, { ...idAttribute(node.attrs), ...spans(node.attrs) }, 0],
  };
}

/** `colspan` and `rowspan` of a cell, where they say anything. */
export function spans(attrs: Attrs): Record<string, string> {
  return {
    ...(attrs.colspan > 1 ? { colspan: String(attrs.colspan) } : {}),
    ...(attrs.rowspan > 1 ? { rowspan: String(attrs.rowspan) } : {}),
  };
}

function pictureElement(attrs: Attrs, more: Record<string, string> = {}): DOMOutputSpec {
  return [
    'img',
    { ...more, src: `/api/enclosures/${attrs.enclosure}`, alt: attrs.decorative ? '' : attrs.alt },
  ];
}

/** The one schema of a chapter: of the editor, the server's check, bringing in and every export. */
export const schema = new Schema({ nodes, marks });
