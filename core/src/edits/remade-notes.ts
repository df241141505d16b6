import { Fragment, type Node } from 'prosemirror-model';
import { ReplaceStep, type Step, type Transform } from 'prosemirror-transform';
import { attrsOf, schema } from '../manuscript/index.js';

/** The notes that steps have put in, by their ids. */
export function notesPutIn(steps: readonly Step[]): Map<string, Node> {
  const notes = new Map<string, Node>();
  for (const step of steps)
    if (step instanceof ReplaceStep)
      step.slice.content.descendants((node) => {
        if (node.type.name === 'note') notes.set(attrsOf.note(node).id, node);
      });
  return notes;
}

/** The notes of a text that read otherwise than they did, with where they stand. */
export function notesChanged(
  doc: Node,
  before: ReadonlyMap<string, Node>,
): { at: number; before: Node; now: Node }[] {
  const changed: { at: number; before: Node; now: Node }[] = [];
  doc.descendants((now, at) => {
    const known = now.type.name === 'note' ? before.get(attrsOf.note(now).id) : undefined;
    if (known && !known.content.eq(now.content)) changed.push({ at, before: known, now });
  });
  return changed;
}

/**
 * Gives the remark that a note was made of the words that the note has now. The block of the remark is the one that the id of the note leads
 * to. `false` where there is none.
 */
export function refillRemark(transform: Transform, before: Node, now: Node): boolean {
  const block = remarkBlock(transform.doc, attrsOf.note(before).id);
  if (!block) return false;
  const lines = linesIn(block);
  const spots = before.children.map((paragraph, index) => {
    const line = lines[index] ?? lines.at(-1);
    return line ? spotOf(line, paragraph) : null;
  });
  const last = lines.at(-1);
  const more = now.children
    .slice(before.childCount)
    .map(({ content }) => schema.node('paragraph', null, content));
  // From the end, so that what stands before stays where it is.
  if (last && more.length > 0) transform.insert(last.at + last.node.nodeSize, more);
  for (const [index, spot] of [...spots.entries()].reverse())
    if (spot) transform.replaceWith(spot.from, spot.to, now.maybeChild(index)?.content ?? Fragment.empty);
  return true;
}

/** Gives a note that is still there the words that it had. `false` where it is not there. */
export function refillNote(transform: Transform, before: Node, now: Node): boolean {
  let found: { at: number; node: Node } | null = null;
  transform.doc.descendants((node, at) => {
    if (node.type === before.type && node.attrs.id === before.attrs.id) found ??= { at, node };
  });
  if (found === null) return false;
  const { at, node } = found as { at: number; node: Node };
  transform.replaceWith(at + 1, at + 1 + node.content.size, now.content);
  return true;
}

interface Line {
  node: Node;
  at: number;
}

function remarkBlock(doc: Node, id: string): Line | null {
  let found: Line | null = null;
  doc.descendants((node, at) => {
    if (found || node.type.name === 'note') return false;
    if (node.attrs.id === id || node.marks.some(({ attrs }) => attrs.id === id)) {
      const $at = doc.resolve(at);
      found = node.isBlock ? { node, at } : { node: $at.parent, at: $at.before() };
    }
    return !found;
  });
  return found;
}

function linesIn({ node, at }: Line): Line[] {
  if (node.isTextblock) return [{ node, at }];
  const lines: Line[] = [];
  node.descendants((child, offset) => {
    if (child.isTextblock) lines.push({ node: child, at: at + 1 + offset });
    return !child.isTextblock;
  });
  return lines;
}

/** Where the words of a paragraph stand in a line; at its end, where they do not stand there any more. */
function spotOf({ node, at }: Line, paragraph: Node): { from: number; to: number } {
  const words = signsOf(paragraph);
  const offset = words === '' ? -1 : signsOf(node).indexOf(words);
  const from = at + 1 + (offset < 0 ? node.content.size : offset);
  return { from, to: offset < 0 ? from : from + words.length };
}

/** The text of a line, a sign for each of its positions. */
const signsOf = (line: Node): string => line.textBetween(0, line.content.size, '', '\ufffc');
