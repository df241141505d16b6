import type { Node } from 'prosemirror-model';
import { Decoration, DecorationSet } from 'prosemirror-view';

/** A stretch of a line that is drawn in some way: offsets in its content, and what is said of it in HTML. */
export interface DrawnStretch {
  from: number;
  to: number;
  attrs: Record<string, string>;
}

/** What is drawn in a text, where it follows from each line by itself: a line that is the same is not looked through again. */
export function drawnByLine(
  stretchesIn: (line: Node) => readonly DrawnStretch[],
): (doc: Node) => DecorationSet {
  const known = new WeakMap<Node, readonly DrawnStretch[]>();
  const of = (line: Node) => {
    const found = known.get(line) ?? stretchesIn(line);
    known.set(line, found);
    return found;
  };
  return (doc) => {
    const drawn: Decoration[] = [];
    doc.descendants((node, position) => {
      if (!node.isTextblock) return true;
      for (const { from, to, attrs } of of(node))
        drawn.push(Decoration.inline(position + 1 + from, position + 1 + to, attrs));
      return false;
    });
    return DecorationSet.create(doc, drawn);
  };
}
