import type { Element } from 'domhandler';
import { textContent } from 'domutils';
import { CREDIT, roomClass, roomNamed } from '../../manuscript/index.js';
import { element, inside, put } from './elements.js';

/** The item of a list that a paragraph is. */
export interface Item {
  /** Which list it belongs to. */
  key: string;
  /** How deep, from 0. */
  level: number;
  ordered: boolean;
  /** Its number. */
  number: number;
  /** How its numbers are written, as HTML's `type` says it; empty for plain ones. */
  type: string;
}

/** A block of a page on its way: flat, as word processors write them one after another. */
export interface Block {
  element: Element;
  item?: Item;
  /** It goes on with the item before it, at this level of lists. */
  continues?: number;
  /** The element that neighbours of one kind stand in together. */
  within?: 'blockquote' | 'pre' | 'dl';
  isCaption?: boolean;
  /** Where the picture before it comes from. */
  isCredit?: boolean;
  /** It is to stand on one page with what follows. */
  goesWithNext?: boolean;
}

/** Blocks that stand one after another as elements in each other: lists, quotations, code, captions with what they are of. */
export function nested(blocks: readonly Block[]): Element[] {
  const made: Element[] = [];
  let lists: { list: Element; item: Item }[] = [];
  let around: { name: string; element: Element } | null = null as { name: string; element: Element } | null;
  for (const block of withCaptions(blocks)) {
    const { item, continues, within } = block;
    if (item) {
      around = null;
      lists = lists.filter(({ item: open }) => isAbove(open, item));
      if (lists.at(-1)?.item.level !== item.level) lists.push({ list: listFor(item, lists, made), item });
      const list = lists.at(-1)?.list;
      if (list) put(list, element('li', {}, [block.element]));
    } else if (continues !== undefined && lists.length > 0) {
      around = null;
      const open = lists.findLast(({ item: { level } }) => level <= continues) ?? lists[0];
      lists = lists.filter(({ item: { level } }) => level <= (open?.item.level ?? 0));
      const last = open && inside(open.list).at(-1);
      if (last) put(last, block.element);
    } else if (within) {
      lists = [];
      const isFirst = around?.name !== within;
      if (!around || isFirst) {
        around = { name: within, element: element(within, within === 'pre' ? block.element.attribs : {}) };
        made.push(around.element);
      }
      if (within === 'pre' && !isFirst) put(around.element, element('br'), ...spotOf(block.element));
      put(around.element, ...(within === 'pre' ? [...block.element.children] : [block.element]));
    } else {
      lists = [];
      around = null;
      made.push(block.element);
    }
  }
  return made;
}

/** The place of a line of code within a passage of it. */
const spotOf = ({ attribs: { id } }: Element): Element[] => (id ? [element('a', { id })] : []);

/** A list stays open for an item of its own, and for lists within it. */
const isAbove = (open: Item, item: Item): boolean =>
  open.level < item.level ||
  (open.level === item.level && open.key === item.key && open.ordered === item.ordered);

function listFor(item: Item, lists: readonly { list: Element }[], made: Element[]): Element {
  const { ordered, number, type } = item;
  const list = element(
    ordered ? 'ol' : 'ul',
    ordered ? { ...(number === 1 ? {} : { start: String(number) }), ...(type ? { type } : {}) } : {},
  );
  const outer = lists.at(-1)?.list;
  const last = outer && inside(outer).at(-1);
  if (last) put(last, list);
  else made.push(list);
  return list;
}

/** Captions go to the picture or the table beside them: a picture has its caption below, a table above, where both are possible. */
function withCaptions(blocks: readonly Block[]): Block[] {
  const kept: Block[] = [];
  const taken = new Set<Block>();
  blocks.forEach((block, at) => {
    if (taken.has(block)) return;
    const [before, after] = [kept.at(-1), blocks[at + 1]];
    if (block.isCredit && before && credited(before, block)) return;
    if (!block.isCaption) return void kept.push(block);
    if (block.goesWithNext && after?.element.name === 'table') caption(after.element, block);
    else if (before && isPicture(before.element))
      kept[kept.length - 1] = { ...before, element: figure(before, block) };
    else if (after?.element.name === 'table' && !hasCaption(after.element)) caption(after.element, block);
    else if (before?.element.name === 'table' && !hasCaption(before.element)) caption(before.element, block);
    else if (after && isPicture(after.element)) {
      taken.add(after);
      kept.push({ ...after, element: figure(after, block) });
    } else kept.push(block);
  });
  return kept;
}

/** Puts a credit below a picture and its caption; false where there is no picture. */
function credited(before: Block, { element: { children } }: Block): boolean {
  if (isPicture(before.element)) {
    const { attribs } = before.element;
    before.element = element('figure', {}, [
      element('p', attribs, before.element.children),
      element('figcaption', {}, []),
    ]);
  }
  const words = inside(before.element).find(({ name }) => name === 'figcaption');
  if (before.element.name !== 'figure' || !words) return false;
  put(words, element('div', { class: CREDIT }, [...children]));
  return true;
}

/** Room to write, as the name of a part tells it (`publish/docx`, `publish/odt`); `null` for any other. */
export function roomOf(name: string, content: () => Element[]): Element | null {
  const room = roomNamed(name);
  return (
    room && element('div', { 'data-room': String(room.height), class: roomClass(room.ruled) }, content())
  );
}

const hasCaption = (table: Element): boolean => inside(table).some(({ name }) => name === 'caption');

/** What leads to a caption leads to what it is of. */
function caption(table: Element, { element: { attribs, children } }: Block): void {
  const { id, ...more } = attribs;
  const made = element('caption', table.attribs.id ? attribs : more, [...children]);
  if (id) table.attribs.id ??= id;
  table.children.unshift(made);
  made.parent = table;
}

/** A paragraph that is one picture, with its link and its areas, and nothing else. */
export function isPicture(block: Element): boolean {
  if (!/^(?:p|div)$/.test(block.name) || textContent(block).trim() !== '') return false;
  let pictures = 0;
  const count = (one: Element): void => {
    if (one.name === 'img') pictures++;
    inside(one).forEach(count);
  };
  count(block);
  return pictures === 1;
}

function figure({ element: picture }: Block, { element: { attribs, children } }: Block): Element {
  const { id, ...more } = attribs;
  return element('figure', id ? { id } : {}, [picture, element('figcaption', more, [...children])]);
}
