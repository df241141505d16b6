import type { Node } from 'prosemirror-model';
import { phrases } from '../../language/index.js';
import {
  attrsOf,
  beginsPage,
  figureParts,
  linksOnFigure,
  roomLines,
  rowsOf,
  RULED,
  tableCaption,
  wordsOf,
  type Note,
} from '../../manuscript/index.js';
import { otherDirection } from '../edition/direction.js';
import { afterBook, atFoot, notesOfChapter } from '../edition/note-backs.js';
import { contentsLines } from '../edition/said.js';
import { placeCells } from '../edition/table-grid.js';
import { settled } from './settled.js';
import { addressOfPlace } from './own-address.js';
import { address, inline, leadsTo, picture, remark } from './typeset-inline.js';
import { fitOf, SIGN, type ColumnNeed } from './table-fit.js';
import { anchors, fitting, type Content, type TypesetContext, type TypesetNode } from './typeset-node.js';

/** Places of a block stand where its first words do, or at its picture: `before` are those of the blocks around it. */
export function block(node: Node, context: TypesetContext, before: readonly string[] = []): TypesetNode {
  const set = plainBlock(node, context, before);
  const dir = otherDirection(node, context.edition);
  return {
    ...set,
    ...(dir === null ? {} : { dir }),
    // Within a list, a quotation or a table no page can begin.
    ...(context.outer && beginsPage(node) ? { newPage: true } : {}),
  };
}

function plainBlock(node: Node, context: TypesetContext, before: readonly string[]): TypesetNode {
  const own = context.once(node.attrs.id);
  const ids = own ? [...before, own] : [...before];
  const blocks = () => {
    const { room } = context;
    const within = { ...context, outer: false, room: { ...room, width: room.width - INDENT } };
    return node.children.map((child, index) => block(child, within, index === 0 ? ids : []));
  };
  switch (node.type.name) {
    case 'paragraph': {
      const c = settled([...anchors(ids), ...inline(node, { ...context, displays: true })]);
      return c.some(isDisplay) ? { t: 'flow', c: aroundFormulas(c) } : { t: 'p', c };
    }
    case 'heading':
      return heading(node, ids, context);
    case 'quotation':
      return { t: 'quote', c: blocks() };
    case 'bullet_list':
      return { t: 'ul', c: blocks() };
    case 'ordered_list':
      return { t: 'ol', start: attrsOf.orderedList(node).start, c: blocks() };
    case 'list_item':
      return { t: 'li', c: blocks() };
    case 'term_list':
      return { t: 'terms', c: blocks() };
    case 'term':
      return { t: 'term', c: settled([...anchors(ids), ...inline(node, context)]) };
    case 'meaning':
      return { t: 'meaning', c: blocks() };
    case 'code_block':
      return code(node, ids, context);
    case 'rule':
      return { t: 'rule', ids };
    case 'figure':
      return { t: 'figure', ...figure(node, ids, context) };
    case 'table':
      return { t: 'table', ...table(node, ids, context) };
    case 'room': {
      const { height, ruled } = attrsOf.room(node);
      return { t: 'room', ids, height, lines: ruled ? roomLines(height) : 0, step: RULED };
    }
    case 'contents':
      return contentsList(node, ids, context);
    default:
      throw new RangeError(`no way to typeset a ${node.type.name}`);
  }
}

/** A formula that stands on a line of its own. */
const isDisplay = (node: Content[number]): boolean =>
  typeof node !== 'string' && node.t === 'formula' && node.block === true;

/** The lines of a paragraph between formulas that stand on lines of their own. Places before a formula stand at it. */
function aroundFormulas(content: Content): TypesetNode[] {
  const parts: TypesetNode[] = [];
  let line: Content = [];
  const isSpot = (node: Content[number]) =>
    typeof node === 'string' ? node.trim() === '' : node.t === 'anchor';
  const spots = () => line.flatMap((node) => (typeof node === 'string' ? [] : (node.id ?? [])));
  for (const node of content) {
    if (!isDisplay(node)) {
      line.push(node);
      continue;
    }
    if (!line.every(isSpot)) {
      parts.push({ t: 'p', c: line });
      line = [];
    }
    parts.push({ t: 'display', ids: spots(), c: [node] });
    line = [];
  }
  const last = parts.at(-1);
  if (!line.every(isSpot)) parts.push({ t: 'p', c: line });
  else if (last) last.ids = [...(last.ids ?? []), ...spots()];
  return parts;
}

/** What a list, a quotation or an item takes from the width, in points. */
const INDENT = 12;
/** The widest sign of a heading, in points. */
const HEAD_SIGN = 11;

/** The template breaks the lines of code where they end the page; `longest` has so many signs. */
function code(node: Node, ids: readonly string[], context: TypesetContext): TypesetNode {
  const unbroken = { ...context, room: { width: Infinity, sign: 1 } };
  const longest = Math.max(...node.textContent.split('\n').map((line) => line.length));
  const [blank = ''] = /^\n*/.exec(node.textContent) ?? [];
  const [words, ...rest] = inline(node, unbroken);
  // Its place is where its words begin, after empty lines.
  const content =
    typeof words === 'string' && words.startsWith(blank)
      ? [...(blank ? [blank] : []), ...anchors(ids), words.slice(blank.length), ...rest]
      : [...anchors(ids), ...(words === undefined ? [] : [words]), ...rest];
  return { t: 'code', longest, c: settled(content, blank === '') };
}

/** The number of a place before its words. */
const numberOf = (id: unknown, { edition }: TypesetContext): string =>
  (typeof id === 'string' && edition.places.get(id)?.label) || '';

function heading(node: Node, ids: readonly string[], context: TypesetContext): TypesetNode {
  const number = numberOf(node.attrs.id, context);
  const within = { ...context, room: { ...context.room, sign: HEAD_SIGN * context.sheet.scale } };
  const words = fitting(wordsOf(node, context.edition.say), context.room);
  return {
    t: 'h',
    level: context.level(attrsOf.heading(node).level),
    c: settled([...anchors(ids), ...(number ? [`${number} `] : []), ...inline(node, within)]),
    words: number ? `${number} ${words}` : words,
  };
}

function caption(
  node: Node | null | undefined,
  id: unknown,
  context: TypesetContext,
  ids: readonly string[] = [],
): Content {
  if (!node) return [];
  const number = numberOf(id, context);
  return settled([
    ...anchors(ids),
    ...(number ? [{ t: 'strong', c: [number] }, ' '] : []),
    ...inline(node, context),
  ]);
}

function figure(node: Node, ids: readonly string[], context: TypesetContext): Record<string, unknown> {
  const { link, areas, width } = attrsOf.figure(node);
  const { caption: title, credit } = figureParts(node);
  const led = linksOnFigure(node).filter(({ id }) => context.edition.origins.has(id));
  return {
    ids: [...ids, ...led.map(({ id }) => id)],
    ...picture(node, context, title ? wordsOf(title) : ''),
    ...(link ? leadsTo(link.id, link.destination, context) : {}),
    width,
    areas: areas.map(({ id, name, x, y, width, height, frame, destination }) => ({
      name,
      x,
      y,
      width,
      height,
      frame,
      ...leadsTo(id, destination, context),
    })),
    addresses: [...(link ? [link] : []), ...areas].flatMap(({ id, destination }) =>
      address(id, destination, context),
    ),
    caption: caption(title, node.attrs.id, context),
    credit: credit ? settled(inline(credit, context)) : [],
  };
}

function table(node: Node, ids: readonly string[], context: TypesetContext): Record<string, unknown> {
  const title = tableCaption(node);
  const rows = rowsOf(node);
  const { columns, cells } = placeCells(
    rows.map((row) =>
      row.children.map((cell) => ({
        colspan: attrsOf.cell(cell).colspan,
        rowspan: attrsOf.cell(cell).rowspan,
        cell,
      })),
    ),
  );
  const first = rows[0]?.children ?? [];
  const { room, outer } = context;
  const fit = fitOf(needsOf(columns, cells), room.width, outer, context.sheet);
  const within = (x: number, colspan: number): TypesetContext => {
    const width = fit.widths.slice(x, x + colspan).reduce((all, one) => all + one, 0);
    return { ...context, outer: false, room: { width, sign: SIGN * fit.size } };
  };
  return {
    fit: { shares: fit.shares, size: fit.size, inset: fit.inset, turned: fit.turned },
    key: context.key(),
    // The typesetter would set the notes of a repeated head again and again.
    repeats:
      !(atFoot(context.edition) && first.some(hasNote)) &&
      !(context.printed.where === 'foot' && first.some(hasLink)),
    columns,
    header: first.every((cell) => cell.type.name === 'table_header' && attrsOf.cell(cell).rowspan === 1),
    caption: title ? caption(title, node.attrs.id, context, ids) : [],
    cells: cells.map(({ x, y, colspan, rowspan, cell }, index) => ({
      x,
      y,
      colspan,
      rowspan,
      strong: cell.type.name === 'table_header',
      c: cellBlocks(cell, !title && index === 0 ? ids : [], within(x, colspan)),
    })),
  };
}

/** What stands in each column; what spans several is no need of one. */
function needsOf(
  columns: number,
  cells: readonly { x: number; colspan: number; cell: Node }[],
): ColumnNeed[] {
  const needs = Array.from({ length: columns }, () => ({ word: 0, cell: 0 }));
  for (const { x, colspan, cell } of cells) {
    const need = needs[x];
    if (!need || colspan > 1) continue;
    const words = cell.children.map((block) => block.textContent).join(' ');
    need.cell = Math.max(need.cell, words.length);
    for (const word of words.split(/[\s\-/]+/)) need.word = Math.max(need.word, word.length);
  }
  return needs;
}

/** Whether something within a node is so. */
function holds(node: Node, isSo: (node: Node) => boolean): boolean {
  let found = false;
  node.descendants((child) => {
    found ||= isSo(child);
    return !found;
  });
  return found;
}

const hasNote = (node: Node): boolean => holds(node, ({ type }) => type.name === 'note');
const hasLink = (node: Node): boolean =>
  holds(node, ({ marks }) => marks.some(({ type }) => type.name === 'link'));

function cellBlocks(cell: Node, before: readonly string[], context: TypesetContext): TypesetNode[] {
  const own = context.once(cell.attrs.id);
  const ids = own ? [...before, own] : before;
  return cell.children.map((child, index) => block(child, context, index === 0 ? ids : []));
}

/** A computed list of contents, with pages. */
function contentsList(node: Node, ids: readonly string[], { edition, room }: TypesetContext): TypesetNode {
  return {
    t: 'contents',
    ids: [...ids],
    look: attrsOf.contents(node).look,
    lines: contentsLines(edition, attrsOf.contents(node).id).map(({ place, words, depth }) => ({
      place,
      to: addressOfPlace(place, words),
      depth,
      words: fitting(words, room),
    })),
  };
}

/** The notes of a chapter, where they stand after it. */
export function notesAfterChapter(chapter: string, context: TypesetContext): TypesetNode[] {
  const { edition } = context;
  const notes = notesOfChapter(edition, chapter);
  if (notes.length === 0 || atFoot(edition) || afterBook(edition)) return [];
  return [title(phrases(edition.book.language).notes, context.level(2), context), listOf(notes, context)];
}

/** The notes of the book, where they stand after its text. */
export function notesAfterBook(context: TypesetContext): TypesetNode[] {
  const { book, map } = context.edition;
  if (!afterBook(context.edition) || map.notes.length === 0) return [];
  const head = title(phrases(book.language).notes, 1, context);
  if (book.structure.notes.count === 'book') return [head, listOf(map.notes, context)];
  const lists = book.chapters.flatMap((chapter) => {
    const notes = notesOfChapter(context.edition, chapter.id);
    return notes.length === 0 ? [] : [title(chapter.title, 2, context), listOf(notes, context)];
  });
  return [head, ...lists];
}

const title = (words: string, level: number, { sheet }: TypesetContext): TypesetNode => {
  const fit = fitting(words, { width: sheet.width, sign: HEAD_SIGN * sheet.scale });
  return { t: 'h', level, c: [fit], words: fit };
};

const listOf = (notes: readonly Note[], context: TypesetContext): TypesetNode => ({
  t: 'notes',
  items: notes.map((note) => ({ number: note.number, remark: remark(note, context) })),
});
