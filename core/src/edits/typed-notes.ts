import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { phrases } from '../language/index.js';
import {
  attrsOf,
  idOf,
  linkMark,
  schema,
  wordsOf,
  type ReadBook,
  type ReadChapter,
} from '../manuscript/index.js';
import { handMadeNotes, leadingSign } from './hand-made-notes.js';
import { makeNotes, type MadeNotes } from './make-notes.js';

/** A note that was typed by hand without any link: a number in the text, and the remark of that number in a list after it. */
export interface TypedNote {
  /** What tells it from the others, as long as the text is the same. */
  key: string;
  chapter: string;
  /** Where the mark stands in its chapter's doc, with its brackets. */
  from: number;
  to: number;
  text: string;
  before: string;
  /** The words of its remark, number and all. */
  remark: string;
  /** Every remark of the list has its marks, in the order of the list. */
  isSure: boolean;
}

/** How marks are written: `[1]`, `(1)`, a raised number, or the raised figures of Unicode (common practice). */
type Style = 'bracket' | 'paren' | 'raised' | 'figure';

interface TypedMark {
  chapter: string;
  from: number;
  to: number;
  text: string;
  before: string;
  number: number;
  style: Style;
}

/** A remark of a list: its block and its number. Positions are in its chapter's doc. */
interface TypedRemark {
  from: number;
  node: Node;
  number: number;
  words: string;
}

interface RemarkList {
  chapter: string;
  from: number;
  to: number;
  remarks: TypedRemark[];
  /** It may be a list of steps: its numbers are plain, and no heading says that it is one of notes. */
  mayBeSteps: boolean;
}

const AROUND = 60;
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹';
const RAISED_RUN = new RegExp(`[${RAISED}]{1,4}`, 'gu');
const plainFigures = (words: string): string =>
  words.replace(new RegExp(`[${RAISED}]`, 'gu'), (figure) => String(RAISED.indexOf(figure)));

/** Every note that was typed by hand, in the order of the lists of remarks and of the text. */
export function typedNotes(book: ReadBook): TypedNote[] {
  return found(book).map(({ remark: _remark, mark, words, isSure }) => ({
    key: keyOf(mark),
    chapter: mark.chapter,
    from: mark.from,
    to: mark.to,
    text: mark.text,
    before: mark.before,
    remark: words,
    isSure,
  }));
}

/** Makes real notes of those whose keys are taken. `mint` gives a new id at each call. */
export function makeTypedNotes(book: ReadBook, take: ReadonlySet<string>, mint: () => string): MadeNotes {
  const taken = found(book).filter(({ mark }) => take.has(keyOf(mark)));
  const { linked, transforms, ids } = asLinks(book, taken, mint);
  const made = makeNotes(
    linked,
    handMadeNotes(linked).filter(({ mark }) => ids.has(mark.id)),
  );
  return {
    ...made,
    chapters: made.chapters.map(({ id, doc, transform: then }) => {
      const transform = transforms.get(id) ?? new Transform(then.docs[0] ?? doc);
      for (const step of then.steps) transform.step(step);
      return { id, doc, transform };
    }),
  };
}

interface Found {
  mark: TypedMark;
  remark: { chapter: string; from: number; number: number };
  words: string;
  isSure: boolean;
}

const keyOf = ({ chapter, from, number }: TypedMark): string => `${chapter} ${from} ${number}`;

function found(book: ReadBook): Found[] {
  const all: Found[] = [];
  const lists = book.chapters.flatMap((chapter) => remarkLists(chapter, phrases(book.language).notes));
  const marks = lists.length === 0 ? [] : book.chapters.flatMap(marksIn);
  const order = new Map(book.chapters.map(({ id }, index) => [id, index]));
  const used = new Set<TypedMark>();
  for (const list of lists) {
    const isBefore = ({ chapter, to }: TypedMark) =>
      chapter === list.chapter ? to <= list.from : order.get(chapter)! < order.get(list.chapter)!;
    const own = marks.filter((mark) => mark.chapter === list.chapter && isBefore(mark) && !used.has(mark));
    // Remarks after the whole book are those of all its chapters.
    const meant = own.length > 0 ? own : marks.filter((mark) => isBefore(mark) && !used.has(mark));
    const best = bestStyle(meant, list);
    for (const mark of best.marks) {
      used.add(mark);
      const remark = list.remarks.find(({ number }) => number === mark.number)!;
      all.push({
        mark,
        remark: { chapter: list.chapter, from: remark.from, number: mark.number },
        words: remark.words,
        isSure: best.isSure,
      });
    }
  }
  return all;
}

/** The marks of the one style that fits a list best; none where none does. */
function bestStyle(
  marks: readonly TypedMark[],
  { remarks, mayBeSteps }: RemarkList,
): { marks: TypedMark[]; isSure: boolean } {
  const numbers = new Set(remarks.map(({ number }) => number));
  let best: { marks: TypedMark[]; isSure: boolean; met: number } = { marks: [], isSure: false, met: 0 };
  for (const style of ['bracket', 'raised', 'figure', 'paren'] as const) {
    const own = marks.filter((mark) => mark.style === style && numbers.has(mark.number));
    const firsts = [...new Set(own.map(({ number }) => number))];
    const inOrder = firsts.every((number, at) => at === 0 || firsts[at - 1]! < number);
    const isSure = firsts.length === numbers.size && inOrder;
    // Numbers in round brackets count many things.
    if (style === 'paren' && (!isSure || mayBeSteps)) continue;
    if (firsts.length > best.met) best = { marks: own, isSure, met: firsts.length };
  }
  return best.met * 2 >= numbers.size ? best : { marks: [], isSure: false };
}

/** The marks of a chapter: numbers that are no link, and do not begin their block. */
function marksIn({ id: chapter, doc }: ReadChapter): TypedMark[] {
  const marks: TypedMark[] = [];
  doc.descendants((block, at) => {
    if (!block.isTextblock) return true;
    if (block.type.spec.code) return false;
    block.forEach((node, offset) => {
      if (!node.isText || linkMark(node) || schema.marks.code.isInSet(node.marks)) return;
      const text = node.text ?? '';
      const add = (index: number, length: number, number: number, style: Style) => {
        const from = at + 1 + offset + index;
        const before = doc.textBetween(Math.max(at + 1, from - AROUND), from, ' ', ' ');
        if (before.trim() === '') return;
        marks.push({
          chapter,
          from,
          to: from + length,
          text: text.slice(index, index + length),
          before,
          number,
          style,
        });
      };
      if (schema.marks.superscript.isInSet(node.marks)) {
        const [whole, number] = /^\s*[[(]?(\d{1,4})[\])]?\s*$/.exec(text) ?? [];
        if (whole !== undefined) add(0, text.length, Number(number), 'raised');
        return;
      }
      for (const { index, 0: whole, 1: number } of text.matchAll(/\[(\d{1,4})\]/g))
        add(index, whole.length, Number(number), 'bracket');
      for (const { index, 0: whole, 1: number } of text.matchAll(/\((\d{1,3})\)/g))
        add(index, whole.length, Number(number), 'paren');
      for (const { index, 0: whole } of text.matchAll(RAISED_RUN))
        // After a figure or one letter it is a power: m², 10³.
        if (/(?:\p{L}{3}|[.,;:!?…"'’”»)\]])$/u.test(text.slice(0, index)))
          add(index, whole.length, Number(plainFigures(whole)), 'figure');
    });
    return false;
  });
  return marks;
}

/** The lists of remarks of a chapter: neighbours whose numbers rise by one. */
function remarkLists({ id: chapter, doc }: ReadChapter, title: string): RemarkList[] {
  const lists: RemarkList[] = [];
  const blocks: { node: Node; at: number }[] = [];
  doc.forEach((node, at) => blocks.push({ node, at }));
  let open: TypedRemark[] = [];
  let isPlain = true;
  const end = (next: number) => {
    const [first] = open;
    const last = open.at(-1);
    const isSaid = first !== undefined && isUnder(blocks, first.from, title);
    if (first && last && (open.length > 1 || isSaid)) {
      const isLast = blocks
        .slice(next)
        .every(({ node }) => node.type.name === 'rule' || wordsOf(node) === '');
      // Numbers with a stop count steps too: these stand at the end, or below a heading for notes.
      if (!isPlain || isLast || isSaid)
        lists.push({
          chapter,
          from: first.from,
          to: last.from + last.node.nodeSize,
          remarks: open,
          mayBeSteps: isPlain && !isSaid,
        });
    }
    open = [];
  };
  blocks.forEach(({ node, at }, index) => {
    if (node.type.name === 'ordered_list' || node.type.name === 'bullet_list') {
      end(index);
      open = itemsOf(node, at);
      isPlain = node.type.name === 'ordered_list';
      return end(index + 1);
    }
    const sign = node.type.name === 'paragraph' ? signBefore(wordsOf(node)) : null;
    if (!sign || (open.length > 0 && sign.number !== open.at(-1)!.number + 1)) end(index);
    if (!sign) return;
    if (open.length === 0) isPlain = sign.isPlain;
    open.push({ from: at, node, number: sign.number, words: wordsOf(node) });
  });
  end(blocks.length);
  return lists;
}

/** The items of a list as remarks, where all of them have numbers; none otherwise. */
function itemsOf(list: Node, at: number): TypedRemark[] {
  const remarks: TypedRemark[] = [];
  const start = list.type.name === 'ordered_list' ? attrsOf.orderedList(list).start : null;
  list.forEach((node, offset, index) => {
    const number = start === null ? signBefore(wordsOf(node))?.number : start + index;
    if (number !== undefined) remarks.push({ from: at + 1 + offset, node, number, words: wordsOf(node) });
  });
  const isRow = remarks.every(
    ({ number }, index) => index === 0 || number === remarks[index - 1]!.number + 1,
  );
  return isRow && remarks.length === list.childCount ? remarks : [];
}

/** The number before a remark; `isPlain` where it is written as before steps, `1.` */
function signBefore(words: string): { number: number; isPlain: boolean } | null {
  const sign = leadingSign(plainFigures(words).replace(/^(\s*\d{1,4})(?=\p{L})/u, '$1 '));
  if (!sign || !/^\d+$/.test(sign.sign)) return null;
  return { number: Number(sign.sign), isPlain: !/^\s*[[(⁰¹²³⁴-⁹]/u.test(words) };
}

/** Whether what stands before a block is a heading for notes, or a rule. */
function isUnder(blocks: readonly { node: Node; at: number }[], from: number, title: string): boolean {
  const before = blocks.findLast(
    ({ node, at }) => at < from && wordsOf(node) !== '' && at + node.nodeSize <= from,
  );
  const ruled = blocks.some(({ node, at }) => node.type.name === 'rule' && at + node.nodeSize === from);
  return (
    ruled ||
    (before?.node.type.name === 'heading' && wordsOf(before.node).toLowerCase() === title.toLowerCase())
  );
}

/** The book with a link at each mark that leads to its remark, so that the notes are ones made by hand with links. */
function asLinks(book: ReadBook, taken: readonly Found[], mint: () => string) {
  const transforms = new Map<string, Transform>();
  const transformOf = (id: string): Transform => {
    const known =
      transforms.get(id) ?? new Transform(book.chapters.find((chapter) => chapter.id === id)!.doc);
    transforms.set(id, known);
    return known;
  };
  const ids = new Set<string>();
  const places = new Map<string, string>();
  for (const { mark, remark } of taken) {
    const { doc } = transformOf(remark.chapter);
    const at = `${remark.chapter} ${remark.from}`;
    const place = places.get(at) ?? idOf(doc.nodeAt(remark.from)!) ?? mint();
    if (!places.has(at)) transformOf(remark.chapter).setNodeAttribute(remark.from, 'id', place);
    places.set(at, place);
    const id = mint();
    ids.add(id);
    const destination = { kind: 'place' as const, place };
    transformOf(mark.chapter).addMark(mark.from, mark.to, schema.marks.link.create({ id, destination }));
  }
  // Raised figures become plain ones, which go with the marks and the signs before the remarks; from the end on, so that all else stays
  // where it is.
  for (const { mark } of taken) {
    if (mark.style !== 'figure') continue;
    const transform = transformOf(mark.chapter);
    const { marks = [] } = transform.doc.nodeAt(mark.from) ?? {};
    transform.replaceWith(mark.from, mark.to, schema.text(plainFigures(mark.text), marks));
  }
  const remarks = new Map(taken.map(({ remark }) => [`${remark.chapter} ${remark.from}`, remark]));
  for (const { chapter, from } of [...remarks.values()].sort((one, other) => other.from - one.from)) {
    const transform = transformOf(chapter);
    const { start, sign } = signAt(transform.doc, from);
    if (sign !== '')
      transform.replaceWith(start, start + sign.length, schema.text(`[${plainFigures(sign)}]`));
  }
  const linked: ReadBook = {
    ...book,
    chapters: book.chapters.map((chapter) => ({
      ...chapter,
      doc: transforms.get(chapter.id)?.doc ?? chapter.doc,
    })),
  };
  return { linked, transforms, ids };
}

/** The raised figures before a remark, and where they stand; empty where there are none. */
function signAt(doc: Node, from: number): { start: number; sign: string } {
  const block = doc.nodeAt(from);
  let start = from + 1;
  for (let node = block; node && !node.isTextblock; node = node.firstChild) start += 1;
  const [sign = ''] = new RegExp(`^[${RAISED}]+`, 'u').exec(block?.textContent ?? '') ?? [];
  return { start, sign };
}
