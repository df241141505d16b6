import type { Node } from 'prosemirror-model';

/** What stands in flat text for everything that is no text. */
export const OBJECT = '\ufffc';

/**
 * The text of a stretch in which each sign stands at its offset: whatever is no text is as many `OBJECT` signs as it
 * takes positions, notes with all that is in them. Over several blocks it is shorter than the stretch.
 */
export function flatText(doc: Node, from: number, to: number): string {
  let text = '';
  doc.nodesBetween(from, to, (node, position) => {
    const end = position + node.nodeSize;
    const within = position < from && to < end;
    if (!node.isInline || (within && !node.isLeaf)) return true;
    const first = Math.max(from, position) - position;
    const last = Math.min(to, end) - position;
    text += node.isText ? (node.text ?? '').slice(first, last) : OBJECT.repeat(last - first);
    return false;
  });
  return text;
}
