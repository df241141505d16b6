import { Slice, type Mark, type Node } from 'prosemirror-model';
import {
  AddMarkStep,
  AttrStep,
  Mapping,
  RemoveMarkStep,
  ReplaceStep,
  Transform,
  type Step,
  type StepMap,
} from 'prosemirror-transform';
import { AreaStep } from '../manuscript/index.js';
import { resultOf } from './applied.js';
import { nameOf } from './words.js';

/** A change to a text as it was made. */
export interface DoneSteps {
  steps: readonly Step[];
  inverses: readonly Step[];
}

export interface TakenBack {
  transform: Transform;
  /** By name, what can't be taken back any more: somebody has changed it again since. */
  left: string[];
}

interface Range {
  from: number;
  to: number;
}

/**
 * Takes a change back in the text as it is now. Each of its steps is inverted and moved over what came `later`. What was written
 * since stays, within words that the change had put in too; what was changed again since stays as it is now, and is named. `putBack` are
 * those of the later steps that only put back what had been there: nothing was written by them.
 */
export function takeBack(
  doc: Node,
  { steps, inverses }: DoneSteps,
  later: readonly Step[],
  putBack: ReadonlySet<Step> = new Set(),
): TakenBack {
  const transform = new Transform(doc);
  const left: string[] = [];
  const mapping = new Mapping([...steps, ...later].map((step) => step.getMap()));
  let known: Range[] | null = null;
  const written = () => mapped((known ??= writtenIn(later, putBack)), transform);
  for (let index = steps.length - 1; index >= 0; index--) {
    const [step, inverse] = [steps[index], inverses[index]];
    if (!step || !inverse) continue;
    const onward = mapping.slice(index + 1);
    const moved = inverse.map(onward);
    const before = transform.steps.length;
    if (!moved) left.push(nameAt(transform.doc, inverse, onward));
    else undoStep(transform, moved, step, written);
    const made = transform.steps.slice(before);
    if (moved && made.length === 0 && changesText(step)) left.push(nameAt(transform.doc, inverse, onward));
    made.forEach((one, at) =>
      mapping.appendMap(one.getMap(), at === 0 && made.length === 1 ? index : undefined),
    );
  }
  return { transform, left: [...new Set(left)] };
}

/** Where words were put in by these steps, as they stand after the last of them. */
function writtenIn(later: readonly Step[], putBack: ReadonlySet<Step>): Range[] {
  const maps = later.map((step) => step.getMap());
  return maps.flatMap((map, index) => {
    const step = later[index];
    if (step && putBack.has(step)) return [];
    const onward = new Mapping(maps.slice(index + 1));
    return insertedBy(map).flatMap(({ from, to }): Range[] => {
      const range = { from: onward.map(from, 1), to: onward.map(to, -1) };
      return range.from < range.to ? [range] : [];
    });
  });
}

function insertedBy(map: StepMap): Range[] {
  const ranges: Range[] = [];
  map.forEach((_oldFrom, _oldTo, from, to) => {
    if (to > from) ranges.push({ from, to });
  });
  return ranges;
}

const mapped = (ranges: readonly Range[], { mapping }: Transform): Range[] =>
  ranges
    .map(({ from, to }) => ({ from: mapping.map(from, 1), to: mapping.map(to, -1) }))
    .filter(({ from, to }) => from < to);

/** Steps that only draw a border anew, such as splitting a paragraph, have nothing to be named by. */
const changesText = (step: Step): boolean =>
  !(step instanceof ReplaceStep && step.from === step.to && step.slice.size === 0);

function undoStep(transform: Transform, inverse: Step, step: Step, written: () => readonly Range[]): void {
  const marking = markSteps(inverse);
  if (marking) return undoMarks(transform, marking);
  if (inverse instanceof AttrStep && step instanceof AttrStep) {
    const now: unknown = transform.doc.nodeAt(inverse.pos)?.attrs[inverse.attr];
    if (JSON.stringify(now) !== JSON.stringify(step.value)) return;
  }
  if (inverse instanceof AreaStep && inverse.before) {
    const areas = transform.doc.nodeAt(inverse.pos)?.attrs.areas as readonly { id: string }[] | undefined;
    const now = areas?.find(({ id }) => id === inverse.id);
    if (JSON.stringify(now) !== JSON.stringify(inverse.before)) return;
  }
  if (inverse instanceof ReplaceStep && inverse.from < inverse.to) {
    const kept = written().filter(({ from, to }) => from < inverse.to && to > inverse.from);
    if (kept.some((range) => hasWords(transform.doc, range))) return deleteAround(transform, inverse, kept);
  }
  if (resultOf(inverse, transform.doc).doc) transform.step(inverse);
}

const hasWords = (doc: Node, { from, to }: Range): boolean =>
  doc.textBetween(from, Math.min(to, doc.content.size), ' ', ' ').trim() !== '';

/** The steps of marks that a step is made of; `null` for any other step. */
function markSteps(step: Step): (AddMarkStep | RemoveMarkStep)[] | null {
  const parts = 'steps' in step ? (step.steps as Step[]) : [step];
  const marking = parts.filter((one) => one instanceof AddMarkStep || one instanceof RemoveMarkStep);
  return marking.length === parts.length ? marking : null;
}

/**
 * Words that still bear a mark that the change gave them lose it, and get back what they had before. Words that got another
 * mark of the kind since, or lost theirs, stay as they are.
 */
function undoMarks(transform: Transform, parts: readonly (AddMarkStep | RemoveMarkStep)[]): void {
  const freed: (Range & { mark: Mark })[] = [];
  for (const part of parts) {
    if (!(part instanceof RemoveMarkStep)) continue;
    const { mark } = part;
    // What was typed at the end of a link belongs to it.
    const within = 'id' in mark.attrs ? linesOf(transform.doc, part) : part;
    for (const range of wordsIn(transform.doc, within, (node) => mark.isInSet(node.marks))) {
      transform.removeMark(range.from, range.to, mark);
      freed.push({ ...range, mark });
    }
  }
  for (const { from, to, mark } of parts.filter((part) => part instanceof AddMarkStep)) {
    const instead = parts.some((part) => part instanceof RemoveMarkStep && part.mark.type === mark.type);
    const ranges = instead
      ? freed.filter((one) => one.mark.type === mark.type && one.from < to && one.to > from)
      : [{ from, to }];
    for (const range of ranges)
      for (const free of wordsIn(transform.doc, range, (node, parent) => takes(mark, node, parent)))
        transform.addMark(free.from, free.to, mark);
  }
}

/** The blocks that a range begins and ends in, as a range. */
const linesOf = (doc: Node, { from, to }: Range): Range => ({
  from: doc.resolve(from).start(),
  to: doc.resolve(to).end(),
});

const takes = (mark: Mark, { marks }: Node, parent: Node): boolean =>
  parent.type.allowsMarkType(mark.type) && !mark.type.isInSet(marks);

/** The inline nodes of a range that are so, cut to the range. */
function wordsIn(doc: Node, { from, to }: Range, isSo: (node: Node, parent: Node) => boolean): Range[] {
  const found: Range[] = [];
  doc.nodesBetween(from, to, (node, at, parent) => {
    if (node.isInline && parent && isSo(node, parent))
      found.push({ from: Math.max(from, at), to: Math.min(to, at + node.nodeSize) });
  });
  return found;
}

/** Deletes a range but for what was written into it since, and puts back what stood there before. */
function deleteAround(transform: Transform, { from, to, slice }: ReplaceStep, kept: readonly Range[]): void {
  const gaps = gapsIn({ from, to }, kept);
  for (const gap of gaps.reverse())
    for (const piece of piecesOf(transform.doc, gap).reverse()) {
      const deleted = new ReplaceStep(piece.from, piece.to, Slice.empty);
      if (resultOf(deleted, transform.doc).doc) transform.step(deleted);
    }
  if (slice.size === 0) return;
  const put = new ReplaceStep(from, from, slice);
  if (resultOf(put, transform.doc).doc) transform.step(put);
}

function gapsIn({ from, to }: Range, kept: readonly Range[]): Range[] {
  const gaps: Range[] = [];
  let at = from;
  for (const range of [...kept].sort((one, other) => one.from - other.from)) {
    if (range.from > at) gaps.push({ from: at, to: Math.min(range.from, to) });
    at = Math.max(at, range.to);
  }
  if (at < to) gaps.push({ from: at, to });
  return gaps;
}

/** What of a range can be deleted without joining blocks: blocks that lie in it as a whole, and words in others. */
function piecesOf(doc: Node, { from, to }: Range): Range[] {
  const pieces: Range[] = [];
  doc.nodesBetween(from, to, (node, at) => {
    const end = at + node.nodeSize;
    if (at >= from && end <= to) {
      pieces.push({ from: at, to: end });
      return false;
    }
    if (!node.isText) return true;
    pieces.push({ from: Math.max(from, at), to: Math.min(to, end) });
    return false;
  });
  return pieces;
}

function nameAt(doc: Node, step: Step, onward: Mapping): string {
  const [first, last] = endsOf(step);
  const start = Math.min(doc.content.size, onward.map(first, 1));
  return nameOf(doc, start, Math.max(start, onward.map(last, -1)));
}

/** Where a step begins and ends. */
function endsOf(step: Step): [number, number] {
  if ('steps' in step) {
    const ends = (step.steps as Step[]).map(endsOf);
    return [Math.min(...ends.map(([from]) => from)), Math.max(...ends.map(([, to]) => to))];
  }
  const { from, to, pos = 0 } = step as Step & Partial<Range & { pos: number }>;
  return [from ?? pos, to ?? pos + 1];
}
