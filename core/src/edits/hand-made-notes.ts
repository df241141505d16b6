import type { Node, ResolvedPos } from 'prosemirror-model';
import {
  attrsOf,
  linksByChapter,
  schema,
  spotsOf,
  wordsOf,
  type ChapterLinks,
  type Link,
  type ReadBook,
  type ReadChapter,
} from '../manuscript/index.js';

/**
 * The block that holds a remark: a paragraph, or an item of a list. Where it is only a sign, the paragraph after it belongs
 * to it, as in a list of terms. Positions in its chapter's doc.
 */
export interface Remark {
  chapter: string;
  from: number;
  to: number;
  /** The block, or an item made of the two. */
  node: Node;
  /** Its words as they stand there, number and all. */
  words: string;
}

/** A note that was made by hand: a link on a number or sign, and the remark that it leads to. */
export interface HandMadeNote {
  /** The link that is the mark. */
  mark: Link;
  remark: Remark;
  /** Links within the remark that lead back to the paragraph of the mark. */
  backs: Link[];
}

/** Links that a file itself calls marks of notes, and those that it calls ways back, by their ids. */
export interface DeclaredNotes {
  marks: ReadonlySet<string>;
  backs: ReadonlySet<string>;
}

/** Words that are a mark: a number, a letter or a sign, bare or in brackets (common practice). */
const MARK = /^[[({]?\s*(\d{1,4}|[a-z]|[*†‡§¶]{1,3})\s*[\])}]?\.?$/iu;
/** The same at the beginning of a remark, where a letter alone is a word. */
const LEADING =
  /^\s*(?:[[({]\s*(?<held>\d{1,4}|[a-z]|[*†‡§¶]{1,3})\s*[\])}][.:]?|(?<stopped>\d{1,4}|[a-z])[.:)]|(?<bare>\d{1,4}(?=\s)|[*†‡§¶]{1,3}))\s*/iu;

/** The number or sign of a mark, without brackets. */
export const signOf = (mark: Link): string | undefined => MARK.exec(mark.text.trim())?.[1];

/** What is written before the words of a remark to say which mark leads there. */
export function leadingSign(words: string): { sign: string; length: number } | null {
  const found = LEADING.exec(words);
  const sign = found?.groups?.held ?? found?.groups?.stopped ?? found?.groups?.bare;
  return found && sign ? { sign, length: found[0].length } : null;
}

/**
 * Every hand-made note of a book in reading order: a link on a mark that leads to the beginning of a block further on,
 * where the block begins with the same mark, is the item of that number in a list, or leads back. Marks that are declared
 * may stand behind their remark.
 */
export function handMadeNotes(
  book: ReadBook,
  byChapter: readonly ChapterLinks[] = linksByChapter(book),
  declared: DeclaredNotes = { marks: new Set(), backs: new Set() },
): HandMadeNote[] {
  const isDeclared = ({ id }: Link) => declared.marks.has(id);
  const marks = byChapter.flatMap(({ links }) =>
    declared.marks.size === 0 ? marksIn(links) : links.filter((link) => isMark(link) || isDeclared(link)),
  );
  if (marks.length === 0) return [];
  const order = new Map(book.chapters.map(({ id }, index) => [id, index]));
  const chapters = new Map(book.chapters.map((chapter) => [chapter.id, chapter]));
  const blocks = new Map(book.chapters.flatMap((chapter) => [...remarksAt(chapter)]));
  const linksIn = linksByRemark(byChapter);
  return marks.flatMap((mark): HandMadeNote[] => {
    const sign = signOf(mark);
    const from = chapters.get(mark.chapter);
    if (!from || mark.destination.kind !== 'place') return [];
    const block = blocks.get(mark.destination.place);
    if (!block) return [];
    const { remark, ordinal } = block;
    const later = (order.get(remark.chapter) ?? 0) - (order.get(mark.chapter) ?? 0);
    const comesLater = later > 0 || (later === 0 && remark.from >= mark.to);
    if (isDeclared(mark) ? isWithin(mark, remark) : !comesLater) return [];
    const within = linksIn(remark);
    const said = within.filter(({ id }) => declared.backs.has(id));
    const backs = said.length > 0 ? said : within.filter((link) => leadsNear(link, mark, from));
    const sameSign = sign !== undefined && [leadingSign(remark.words)?.sign, ordinal].includes(sign);
    return backs.length > 0 || sameSign || isDeclared(mark) ? [{ mark, remark, backs }] : [];
  });
}

const isMark = ({ text, carrier, kind }: Link): boolean =>
  kind === 'place' && carrier === 'text' && MARK.test(text.trim());

/** The marks of a chapter whose text stays as it was are looked up once. */
const known = new WeakMap<readonly Link[], Link[]>();

function marksIn(links: readonly Link[]): Link[] {
  const marks = known.get(links) ?? links.filter(isMark);
  known.set(links, marks);
  return marks;
}

/** Finds the links within a remark, in the order of the text, without looking through all of the book. */
function linksByRemark(byChapter: readonly ChapterLinks[]): (remark: Remark) => Link[] {
  const sorted = new Map<string, Link[]>();
  return (remark) => {
    const { chapter } = remark;
    const links = byChapter.find(({ id }) => id === chapter)?.links ?? [];
    const own = sorted.get(chapter) ?? [...links].sort((one, other) => one.from - other.from);
    sorted.set(chapter, own);
    const first = firstAfter(own, remark.from);
    const end = firstAfter(own, remark.to - 1, first);
    return own.slice(first, end).filter((link) => isWithin(link, remark));
  };
}

/** The index of the first of some links, which are in order, that begins after a position. */
function firstAfter(links: readonly Link[], position: number, from = 0): number {
  let [low, high] = [from, links.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((links[middle]?.from ?? 0) > position) high = middle;
    else low = middle + 1;
  }
  return low;
}

const isWithin = (link: Link, { chapter, from, to }: Remark): boolean =>
  link.chapter === chapter && link.from > from && link.to < to;

/** Those of them whose remark leads back to the very spot of a mark: nothing else is written so. */
export function sureNotes(book: ReadBook, notes: readonly HandMadeNote[]): HandMadeNote[] {
  const chapters = new Map(book.chapters.map((chapter) => [chapter.id, chapter]));
  const leadsTo = (back: Link, mark: Link) => {
    const chapter = chapters.get(mark.chapter);
    const at = chapter && spotOf(back, chapter);
    if (!chapter || at === undefined || at > mark.from) return false;
    const { doc } = chapter;
    return (
      doc.resolve(at).sameParent(doc.resolve(mark.from)) && /^[[(]?$/.test(doc.textBetween(at, mark.from))
    );
  };
  const sure = new Set(
    notes
      .filter(({ mark, backs }) => backs.some((back) => leadsTo(back, mark)))
      .map(({ remark }) => remarkKey(remark)),
  );
  return notes.filter(({ remark }) => sure.has(remarkKey(remark)));
}

/** What tells a remark from the others of its book. */
export const remarkKey = ({ chapter, from }: Pick<Remark, 'chapter' | 'from'>): string =>
  `${chapter} ${from}`;

/** Remarks that stand in a list among those of hand-made notes, and to which no mark leads. */
export function remarksWithoutMark(book: ReadBook, notes: readonly HandMadeNote[]): Remark[] {
  const marked = new Set(notes.map(({ remark }) => remarkKey(remark)));
  const lists = new Set<Node>();
  const found: Remark[] = [];
  for (const { remark } of notes) {
    const chapter = book.chapters.find(({ id }) => id === remark.chapter);
    if (!chapter) continue;
    const $from = chapter.doc.resolve(remark.from);
    if (!isList($from.parent) || lists.has($from.parent)) continue;
    lists.add($from.parent);
    $from.parent.forEach((node, offset) => {
      const from = $from.start() + offset;
      if (marked.has(remarkKey({ chapter: chapter.id, from }))) return;
      found.push({ chapter: chapter.id, from, to: from + node.nodeSize, node, words: wordsOf(node) });
    });
  }
  return found;
}

interface RemarkBlock {
  remark: Remark;
  /** Of an item of a numbered list, its number. */
  ordinal: string | null;
}

/** The blocks that places of a chapter begin, by the ids of these places. */
function remarksAt(chapter: ReadChapter): Map<string, RemarkBlock> {
  const blocks = new Map<string, RemarkBlock>();
  for (const { id, at, kind } of spotsOf(chapter.doc, chapter.id).spots) {
    if (kind !== 'spot' && kind !== 'item' && kind !== 'bookmark') continue;
    const $block = beginningAt(chapter.doc.resolve(at));
    const node = $block?.nodeAfter;
    if (!$block || !node || !isPlain(node)) continue;
    blocks.set(id, { remark: remarkAt($block, node, chapter.id), ordinal: ordinalAt($block) });
  }
  return blocks;
}

function remarkAt($block: ResolvedPos, node: Node, chapter: string): Remark {
  const from = $block.pos;
  const words = wordsOf(node);
  const next = $block.parent.maybeChild($block.index() + 1);
  const isSign = leadingSign(`${words.trim()} `)?.length === words.trim().length + 1;
  if (!isSign || !next || next.type.name !== 'paragraph' || !isPlain(next))
    return { chapter, from, to: from + node.nodeSize, node, words };
  const both = schema.node('list_item', null, [node, next]);
  return { chapter, from, to: from + node.nodeSize + next.nodeSize, node: both, words: wordsOf(both) };
}

/** The position before the block that begins at a spot: the item of a list where it begins one, else the paragraph. */
function beginningAt($spot: ResolvedPos): ResolvedPos | null {
  const { doc } = $spot;
  let $block: ResolvedPos | null = null;
  if ($spot.nodeAfter && BLOCKS.has($spot.nodeAfter.type.name)) $block = $spot;
  for (let depth = $spot.depth; depth > 0; depth--) {
    const said = doc.textBetween($spot.start(depth), $spot.pos, ' ');
    if (said.trim() !== '') break;
    if (BLOCKS.has($spot.node(depth).type.name)) $block = doc.resolve($spot.before(depth));
  }
  return $block;
}

/** Notes are words in paragraphs: what holds anything else stays as it is. */
function isPlain(block: Node): boolean {
  let plain = true;
  block.descendants((node) => {
    plain &&= !NOT_IN_NOTES.has(node.type.name);
  });
  return plain;
}

const NOT_IN_NOTES = new Set(['note', 'note_mark', 'figure', 'table', 'rule', 'contents', 'code_block']);
const BLOCKS = new Set(['paragraph', 'list_item']);
const isList = (node: Node) => node.type.name === 'ordered_list' || node.type.name === 'bullet_list';

function ordinalAt($item: ResolvedPos): string | null {
  if ($item.parent.type.name !== 'ordered_list') return null;
  return String((attrsOf.orderedList($item.parent).start || 1) + $item.index());
}

/** The link leads into the paragraph in which the mark stands. */
function leadsNear(back: Link, mark: Link, chapter: ReadChapter): boolean {
  const at = spotOf(back, chapter);
  const $mark = chapter.doc.resolve(mark.from);
  return at !== undefined && at >= $mark.before() && at < $mark.after();
}

/** Where in a chapter a link leads to, if it leads to a place of it. */
function spotOf({ destination }: Link, { id, doc }: ReadChapter): number | undefined {
  if (destination.kind !== 'place') return undefined;
  return spotsOf(doc, id).spots.find((spot) => spot.id === destination.place)?.at;
}
