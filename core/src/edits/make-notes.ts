import { Fragment, type Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { phrases } from '../language/index.js';
import {
  attrsOf,
  groupedBy,
  idOf,
  linkMark,
  linksOf,
  markIdOf,
  schema,
  sectionsOf,
  spotsOf,
  wordsOf,
  type Link,
  type ReadBook,
  type ReadChapter,
  type Section,
} from '../manuscript/index.js';
import { leadingSign, remarkKey, signOf, type HandMadeNote } from './hand-made-notes.js';

/** A chapter that was changed: the steps, and its text after them. */
export interface ChangedChapter {
  id: string;
  doc: Node;
  transform: Transform;
}

/** What became of the chapters in which hand-made notes were: their new docs, and those of which nothing is left. */
export interface MadeNotes {
  chapters: ChangedChapter[];
  emptied: string[];
  /** How many marks became marks of real notes. */
  changed: number;
}

/**
 * Turns hand-made notes into real ones: the first mark of a remark (in the chapter of the remark, where one is there)
 * becomes the note, the others its further marks, and the remark goes from where it stood, with its list and its heading
 * when nothing is left of them.
 */
export function makeNotes(book: ReadBook, notes: readonly HandMadeNote[]): MadeNotes {
  const edits = new Map<string, Edit[]>(book.chapters.map(({ id }) => [id, []]));
  const groups = byRemark(notes);
  const made = new Set<string>();
  const text = textOf(book);
  for (const { mark, remark, backs } of notes) {
    const { owner, waysBack } = groups.get(remarkKey(remark)) ?? { owner: mark, waysBack: new Set<string>() };
    if (owner.destination.kind !== 'place') continue;
    // The remark's own place becomes the note, so that whatever else leads there still does.
    const id = owner.destination.place;
    const node =
      mark === owner
        ? schema.node('note', { id }, remarkWords(remark.node, signOf(mark), waysBack))
        : schema.node('note_mark', { id: mark.id, to: id });
    edits.get(mark.chapter)?.push({ from: mark.from, to: mark.to, put: node });
    edits.get(mark.chapter)?.push(...spotsOnlyFor(mark, backs, text), ...bracketsAround(mark, text));
    if (mark === owner) edits.get(remark.chapter)?.push({ from: remark.from, to: remark.to, put: null });
    made.add(id);
  }
  const markPlaces = new Set([...made].map(markIdOf));
  const result: MadeNotes = { chapters: [], emptied: [], changed: notes.length };
  for (const { id, doc } of book.chapters) {
    const own = edits.get(id) ?? [];
    if (own.length === 0) continue;
    const after = applied(doc, own, markPlaces, phrases(book.language).notes);
    if (after) result.chapters.push({ id, doc: after.doc, transform: after });
    else result.emptied.push(id);
  }
  return result;
}

/** For each remark the mark that becomes the note, and the links in it that lead back. */
function byRemark(notes: readonly HandMadeNote[]): Map<string, { owner: Link; waysBack: Set<string> }> {
  const groups = new Map<string, { owner: Link; waysBack: Set<string> }>();
  for (const { mark, remark, backs } of notes) {
    const { owner, waysBack } = groups.get(remarkKey(remark)) ?? { owner: mark, waysBack: new Set<string>() };
    const isNearer = owner.chapter !== remark.chapter && mark.chapter === remark.chapter;
    for (const { id } of backs) waysBack.add(id);
    groups.set(remarkKey(remark), { owner: isNearer ? mark : owner, waysBack });
  }
  return groups;
}

interface Edit {
  from: number;
  to: number;
  /** What comes in its place, if anything; `null` takes the block away. */
  put: Node | [] | null;
}

/** What a book says of its spots without words: where they are, and which links lead to each. */
interface BookText {
  docs: ReadonlyMap<string, Node>;
  /** By chapter and id. */
  anchors: ReadonlyMap<string, ReadonlyMap<string, number>>;
  /** The links that lead to each place. */
  ledTo: ReadonlyMap<string, readonly Link[]>;
}

function textOf(book: ReadBook): BookText {
  const anchorsOf = ({ id, doc }: ReadChapter) =>
    new Map(
      spotsOf(doc, id).spots.flatMap((spot): [string, number][] =>
        doc.nodeAt(spot.at)?.type.name === 'anchor' ? [[spot.id, spot.at]] : [],
      ),
    );
  return {
    docs: new Map(book.chapters.map(({ id, doc }) => [id, doc])),
    anchors: new Map(book.chapters.map((chapter) => [chapter.id, anchorsOf(chapter)])),
    ledTo: groupedBy(linksOf(book), ({ destination: to }) => (to.kind === 'place' ? to.place : '')),
  };
}

/** The spots without words for ways back, just before the mark or led to by nothing else: real notes need none. */
function spotsOnlyFor(mark: Link, backs: readonly Link[], { docs, anchors, ledTo }: BookText): Edit[] {
  const own = new Set(backs.map((back) => back.id));
  const places = new Set(backs.flatMap(({ destination: to }) => (to.kind === 'place' ? [to.place] : [])));
  const before = docs.get(mark.chapter)?.resolve(mark.from).nodeBefore;
  const spot = before?.type.name === 'anchor' ? idOf(before) : null;
  if (spot) places.add(spot);
  return [...places].flatMap((place): Edit[] => {
    const at = anchors.get(mark.chapter)?.get(place);
    const isOnlyFor = ledTo.get(place)?.every(({ id }) => own.has(id)) ?? true;
    return at !== undefined && isOnlyFor ? [{ from: at, to: at + 1, put: [] }] : [];
  });
}

/** The brackets that stand right before and after a mark, outside of its link: a note needs none. */
function bracketsAround(mark: Link, { docs }: BookText): Edit[] {
  const doc = docs.get(mark.chapter);
  if (!doc) return [];
  let from = mark.from;
  while (doc.resolve(from).nodeBefore?.type.name === 'anchor') from--;
  const before = doc.resolve(from).nodeBefore?.text?.at(-1) ?? '';
  const after = doc.resolve(mark.to).nodeAfter?.text?.at(0) ?? '';
  if (!PAIRS.has(before + after)) return [];
  return [
    { from: from - 1, to: from, put: [] },
    { from: mark.to, to: mark.to + 1, put: [] },
  ];
}

/**
 * The edits of a doc, which do not overlap, as steps; `null` when nothing is left in it. `markPlaces` belong to the marks now.
 * Headings under which nothing is left go with the remarks, up to the one that reads “Notes” in the book's language.
 */
function applied(
  doc: Node,
  edits: readonly Edit[],
  markPlaces: ReadonlySet<string>,
  title: string,
): Transform | null {
  const transform = new Transform(doc);
  giveUp(transform, markPlaces);
  const once = new Map(edits.map((edit) => [edit.from, edit]));
  for (const { from, to, put } of [...once.values()].sort((one, other) => other.from - one.from))
    if (put === null) takeAway(transform, from, to);
    else if (Array.isArray(put)) transform.delete(from, to);
    else transform.replaceWith(spaceBefore(transform.doc, from, to), to, put);
  if (!edits.some(({ put }) => put === null)) return transform;
  if (!takeBareHeadings(transform, doc, title)) return null;
  // A rule that set the remarks apart from the text.
  const { lastChild: last } = transform.doc;
  if (last?.type.name === 'rule' && doc.lastChild?.type.name !== 'rule' && transform.doc.childCount > 1)
    transform.delete(transform.doc.content.size - last.nodeSize, transform.doc.content.size);
  return transform.doc.children.every(isEmpty) ? null : transform;
}

/** Takes the headings away under which nothing is left; `false` when that is all there is. */
function takeBareHeadings(transform: Transform, before: Node, title: string): boolean {
  const bareBefore = sectionsOf(before).filter((section) => isBare(before, section));
  const kept = new Set(bareBefore.map(({ id }) => id));
  const left = () =>
    sectionsOf(transform.doc).findLast((section) => isBare(transform.doc, section) && !kept.has(section.id));
  for (let bare = left(); bare; bare = left()) {
    const { from, to } = bare;
    if (to - from === transform.doc.content.size) return false;
    if (wordsOf(transform.doc.child(transform.doc.resolve(from).index())) === title)
      for (const section of sectionsOf(transform.doc))
        if (section.from < from && section.to >= to) kept.add(section.id);
    transform.delete(from, to);
  }
  return true;
}

/** Takes ids that belong to marks of notes now from whatever bore them. */
function giveUp(transform: Transform, places: ReadonlySet<string>): void {
  transform.doc.descendants((node, at) => {
    if (places.has(idOf(node) ?? '')) transform.setNodeAttribute(at, 'id', null);
    for (const mark of node.marks)
      if (mark.type === schema.marks.bookmark && places.has(attrsOf.bookmark(mark).id))
        transform.removeMark(at, at + node.nodeSize, mark);
  });
}

/** True for a section of which there is nothing but the heading, and no note in that. */
function isBare(doc: Node, { from, to }: Section): boolean {
  const [heading, ...blocks] = doc.slice(from, to).content.content;
  return !heading?.children.some(({ type }) => NOTING.has(type.name)) && blocks.every(isEmpty);
}

const NOTING = new Set(['note', 'note_mark']);

const isEmpty = (node: Node): boolean =>
  node.type.name === 'rule' ||
  (node.type.name === 'paragraph' && wordsOf(node) === '' && node.childCount === 0);

/** A mark in brackets often stands after a space; a raised number does not. */
function spaceBefore(doc: Node, from: number, to: number): number {
  const bracketed = /^[[({]/.test(doc.textBetween(from, to).trim());
  return bracketed && doc.textBetween(Math.max(0, from - 1), from) === ' ' ? from - 1 : from;
}

/** Takes a remark away, and the list or quotation that would be left empty. */
function takeAway(transform: Transform, from: number, to: number): void {
  const $from = transform.doc.resolve(from);
  const $to = transform.doc.resolve(to);
  const isAll = (depth: number) =>
    $from.node(depth).childCount === (depth === $from.depth ? $to.index() - $from.index() : 1);
  let depth = $from.depth;
  while (depth > 0 && isAll(depth)) depth--;
  const [start, end] = depth === $from.depth ? [from, to] : [$from.before(depth + 1), $from.after(depth + 1)];
  if (end - start === transform.doc.content.size) transform.replaceWith(start, end, schema.node('paragraph'));
  else transform.delete(start, end);
}

/** The paragraphs of a note from the block of a remark, without the sign of its mark and its ways back. */
function remarkWords(block: Node, sign: string | undefined, backs: ReadonlySet<string>): Node[] {
  const textblocks: Node[] = [];
  if (block.isTextblock) textblocks.push(block);
  else
    block.descendants((node) => {
      if (node.isTextblock) textblocks.push(node);
      return !node.isTextblock;
    });
  const paragraphs = textblocks.map((textblock, index) => {
    const kept = withoutBacks(textblock.children, backs);
    return trimmed(index === 0 ? withoutSign(kept, sign) : kept);
  });
  const filled = paragraphs.filter((content) => content.length > 0);
  return (filled.length > 0 ? filled : [[]]).map((content) =>
    schema.node('note_paragraph', null, Fragment.fromArray(content)),
  );
}

/** The words of a remark without its ways back, the brackets around each, and what no note holds. */
function withoutBacks(nodes: readonly Node[], backs: ReadonlySet<string>): Node[] {
  const kept: Node[] = [];
  let hasGone = false;
  for (const node of nodes) {
    const mark = linkMark(node);
    const isBack = mark !== undefined && backs.has(attrsOf.link(mark).id);
    hasGone ||= isBack;
    if (isBack || node.type.name === 'note' || node.type.name === 'anchor') continue;
    const before = kept.at(-1);
    const [opening, closing] = [OPENING.exec(before?.text ?? ''), CLOSING.exec(node.text ?? '')];
    if (hasGone && before && opening && closing && PAIRS.has(`${opening[1]}${closing[1]}`)) {
      kept.pop();
      kept.push(...cutTo(before, 0, opening.index), ...cutTo(node, closing[0].length));
    } else kept.push(node);
    hasGone = false;
  }
  return kept;
}

const OPENING = /([[(])\s*$/;
const CLOSING = /^\s*([\])])/;
const PAIRS: ReadonlySet<string> = new Set(['[]', '()']);

const cutTo = (node: Node, from: number, to = node.text?.length ?? 0): Node[] =>
  from < to ? [node.cut(from, to)] : [];

function withoutSign(nodes: Node[], sign: string | undefined): Node[] {
  const [first, ...more] = nodes;
  const text = first?.text ?? '';
  const leading = leadingSign(text);
  if (!first || leading?.sign !== sign || !leading) return nodes;
  return leading.length === text.length ? more : [first.cut(leading.length), ...more];
}

/** Without white space at both ends, and without the brackets that stood around a way back. */
function trimmed(nodes: Node[]): Node[] {
  const kept = [...nodes];
  for (let first = kept[0]; first?.isText; first = kept[0]) {
    const cut = /^\s*/.exec(first.text ?? '')?.[0].length ?? 0;
    if (cut < (first.text?.length ?? 0)) {
      kept[0] = first.cut(cut);
      break;
    }
    kept.shift();
  }
  for (let last = kept.at(-1); last?.isText; last = kept.at(-1)) {
    const text = (last.text ?? '').replace(/(?:\s|\(\s*\)|\[\s*\])+$/, '');
    if (text !== '') {
      kept[kept.length - 1] = last.cut(0, text.length);
      break;
    }
    kept.pop();
  }
  return kept;
}
