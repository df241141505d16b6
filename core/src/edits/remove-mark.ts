import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import { attrsOf } from '../manuscript/index.js';

/** Marks of one note in a chapter: their positions, that of the one which holds the remark among them. */
function marksOf(doc: Node, note: string): { at: number; node: Node }[] {
  const marks: { at: number; node: Node }[] = [];
  doc.descendants((node, at) => {
    if (noteOf(node) === note) marks.push({ at, node });
  });
  return marks;
}

/** The note that a mark leads to. */
function noteOf(node: Node): string | null {
  const { name } = node.type;
  return name === 'note' ? attrsOf.note(node).id : name === 'note_mark' ? attrsOf.noteMark(node).to : null;
}

/**
 * Takes one mark of a note away. When it is the one that holds the remark, the remark goes to another mark of the note in the
 * chapter; without one, it goes with its mark.
 */
export function removeMark(transform: Transform, at: number): void {
  const node = transform.doc.nodeAt(at);
  const note = node && noteOf(node);
  if (!node || !note) return;
  const other = marksOf(transform.doc, note).find((mark) => mark.at !== at);
  transform.delete(at, at + node.nodeSize);
  if (node.type.name !== 'note' || !other) return;
  const next = other.at > at ? other.at - node.nodeSize : other.at;
  transform.replaceWith(next, next + other.node.nodeSize, node);
}

/** Takes a note away with all its marks in the chapter. */
export function removeNote(transform: Transform, note: string): void {
  for (const { at, node } of marksOf(transform.doc, note).reverse()) transform.delete(at, at + node.nodeSize);
}
