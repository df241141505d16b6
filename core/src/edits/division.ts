import { Fragment, type Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import {
  attrsOf,
  countWords,
  idOf,
  schema,
  wordsOf,
  type Format,
  type Matter,
  type ReadChapter,
} from '../manuscript/index.js';
import { placesNamed } from './keep-ids.js';

/** A place at which a chapter begins, or could begin: the top of a chapter, or a heading in the flow of its text. */
export interface DivisionLine {
  /** The id of the chapter or of the heading. */
  id: string;
  title: string;
  /** Of its heading, 1 to 6; 1 where the chapter has none. */
  level: number;
  /** How many words stand from here to the next line. */
  words: number;
  begins: boolean;
}

/** How a book is divided, and where else it could be. */
export function divisionOf(chapters: readonly ReadChapter[]): DivisionLine[] {
  return chapters.flatMap(({ id, title, doc }) => {
    const starts = [{ at: 0, line: { id, title, level: levelOf(doc.firstChild) ?? 1, begins: true } }];
    placesNamed(doc, id).doc.forEach((node, at) => {
      const level = levelOf(node);
      const own = attrsOf.heading(node).id;
      if (at > 0 && level !== null && own)
        starts.push({ at, line: { id: own, title: wordsOf(node), level, begins: false } });
    });
    return starts.map(({ at, line }, index) => ({
      ...line,
      words: countWords(doc.cut(at, starts[index + 1]?.at ?? doc.content.size)),
    }));
  });
}

const levelOf = (node: Node | null): number | null =>
  node?.type.name === 'heading' ? attrsOf.heading(node).level : null;

/** The lines at which chapters begin when the book is divided one level of headings higher: the deepest that do don't any more. */
export function oneLevelUp(lines: readonly DivisionLine[]): Set<string> {
  const deepest = Math.max(...lines.filter(({ begins }) => begins).map(({ level }) => level));
  return idsWhere(lines, ({ begins, level }, index) => index === 0 || (begins && level < deepest));
}

/** The same one level lower: the highest that don't begin a chapter do now. */
export function oneLevelDown(lines: readonly DivisionLine[]): Set<string> {
  const highest = Math.min(...lines.filter(({ begins }) => !begins).map(({ level }) => level));
  return idsWhere(lines, ({ begins, level }) => begins || level === highest);
}

const idsWhere = (
  lines: readonly DivisionLine[],
  isMeant: (line: DivisionLine, index: number) => boolean,
): Set<string> => new Set(lines.filter(isMeant).map(({ id }) => id));

/** A chapter of a book that was divided anew. */
export interface DividedChapter {
  /** The chapter that it is, where it was there before. */
  kept: string | null;
  /** The place at which it begins. */
  begin: string;
  matter: Matter;
  leftOutOf: Format[];
  /** Its text, and for one that was there the steps to it. */
  doc: Node;
  change: Transform;
}

/**
 * Divides a book anew: chapters begin at the places that are told, and at its top. A place is the id of a chapter, of a heading, or of
 * an anchor at the first words of a block. What led to a chapter that is none any more leads to where its text begins now.
 */
export function divided(chapters: readonly ReadChapter[], begins: ReadonlySet<string>): DividedChapter[] {
  const parts: (Omit<DividedChapter, 'doc'> & { more: Fragment })[] = [];
  for (const { id, matter, leftOutOf, doc: stored } of chapters) {
    const named = placesNamed(stored, id);
    const { doc } = named;
    const cuts = beginningsIn(doc, begins);
    const end = cuts[0]?.at ?? doc.content.size;
    const before = parts.at(-1);
    if (before && !begins.has(id)) before.more = before.more.append(withAnchor(doc.cut(0, end), id).content);
    else {
      if (end < doc.content.size) named.delete(end, doc.content.size);
      parts.push({ kept: id, begin: id, matter, leftOutOf, change: named, more: Fragment.empty });
    }
    cuts.forEach(({ at, id: begin }, index) => {
      const piece = doc.cut(at, cuts[index + 1]?.at ?? doc.content.size);
      const change = new Transform(withoutAnchor(piece, begin));
      parts.push({ kept: null, begin, matter, leftOutOf, change, more: Fragment.empty });
    });
  }
  return parts.map(({ more, ...part }) => {
    const { change } = part;
    if (more.size > 0) change.insert(change.doc.content.size, more);
    if (change.doc.childCount === 0) change.insert(0, schema.node('paragraph'));
    return { ...part, doc: change.doc };
  });
}

/** The blocks, but for the first, at which a chapter is to begin. */
function beginningsIn(doc: Node, begins: ReadonlySet<string>): { at: number; id: string }[] {
  const found: { at: number; id: string }[] = [];
  doc.forEach((block, at) => {
    const id = at > 0 ? placesAtStart(block).find((one) => begins.has(one)) : undefined;
    if (id !== undefined) found.push({ at, id });
  });
  return found;
}

/** The anchors at the first words of a block, and its own id. */
function placesAtStart(block: Node): string[] {
  const ids: string[] = [];
  let text: Node | null = block;
  while (text && !text.isTextblock) text = text.firstChild;
  for (const node of text?.children ?? []) {
    const id = node.type.name === 'anchor' ? idOf(node) : null;
    if (!id) break;
    ids.push(id);
  }
  const own = block.type.name === 'heading' ? attrsOf.heading(block).id : null;
  return own ? [...ids, own] : ids;
}

/** A text with the place of its chapter at its first words. */
export function withAnchor(doc: Node, id: string): Node {
  const transform = new Transform(doc);
  let done = false;
  doc.descendants((node, at) => {
    if (done || !node.isTextblock) return !done;
    transform.insert(at + 1, schema.node('anchor', { id }));
    done = true;
    return false;
  });
  // What is only a picture or a rule has no words to stand at.
  if (!done) transform.insert(0, schema.node('paragraph', null, [schema.node('anchor', { id })]));
  return transform.doc;
}

/** A text whose chapter has its own place again. */
export function withoutAnchor(doc: Node, id: string): Node {
  const transform = new Transform(doc);
  doc.descendants((node, at) => {
    if (node.type.name === 'anchor' && node.attrs.id === id)
      transform.delete(transform.mapping.map(at), transform.mapping.map(at + 1));
  });
  return transform.doc;
}
