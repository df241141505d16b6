import { schema } from '@vennet/core/manuscript';
import type { Node, ResolvedPos } from 'prosemirror-model';
import type { Transaction } from 'prosemirror-state';

/** Puts a block in the place of the empty paragraph at a spot, or after the innermost block beside which it can stand. Gives where it begins. */
export function putBlock(tr: Transaction, $at: ResolvedPos, block: Node): number {
  const isEmptyLine =
    $at.depth > 0 && $at.parent.type === schema.nodes.paragraph && $at.parent.content.size === 0;
  if (isEmptyLine && $at.node(-1).canReplaceWith($at.index(-1), $at.indexAfter(-1), block.type)) {
    tr.replaceWith($at.before(), $at.after(), block);
    return $at.before();
  }
  const after = placeAfter($at, block);
  tr.insert(after, block);
  return after;
}

/** Where a block ends its text, a line is put after it, so that one can write there. */
export function lineAfter(tr: Transaction, end: number): void {
  if (tr.doc.resolve(end).nodeAfter === null) tr.insert(end, schema.nodes.paragraph.create());
}

function placeAfter($at: ResolvedPos, { type }: Node): number {
  for (let depth = $at.depth; depth > 0; depth--) {
    const index = $at.indexAfter(depth - 1);
    if ($at.node(depth - 1).canReplaceWith(index, index, type)) return $at.after(depth);
  }
  return $at.pos;
}
