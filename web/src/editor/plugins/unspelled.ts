import type { Node } from 'prosemirror-model';
import { Plugin } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';

/** What is an address, or looks like one: with a scheme, of email, or a name with dots between its parts. */
const ADDRESS =
  /(?:https?:\/\/|www\.|mailto:)\S+|[^\s@]{1,64}@[^\s@]{1,255}|[\p{L}\p{N}_-]{1,63}(?:\.[\p{L}\p{N}_-]{1,63})+(?:\/\S*)?/giu;

type Stretch = readonly [from: number, to: number];

const known = new WeakMap<Node, readonly Stretch[]>();

/** Where addresses, code and refused links stand in a line, as long as the line is the same. */
function unspelledIn(line: Node): readonly Stretch[] {
  const before = known.get(line);
  if (before) return before;
  const found: Stretch[] = [];
  line.forEach((child, offset) => {
    if (!child.isText) return;
    if (child.marks.some(({ type }) => type.name === 'code' || type.name === 'unlinked'))
      return void found.push([offset, offset + child.nodeSize]);
    for (const { index, 0: words } of (child.text ?? '').matchAll(ADDRESS))
      found.push([offset + index, offset + index + words.length]);
  });
  known.set(line, found);
  return found;
}

/** The browser looks at the spelling of words, never at that of addresses and code. */
export function unspelled(): Plugin {
  return new Plugin({
    state: {
      init: (_config, { doc }) => drawnIn(doc),
      apply: (transaction, before: DecorationSet) =>
        transaction.docChanged ? drawnIn(transaction.doc) : before,
    },
    props: {
      decorations(state) {
        return this.getState(state);
      },
    },
  });
}

function drawnIn(doc: Node): DecorationSet {
  const drawn: Decoration[] = [];
  doc.descendants((node, position) => {
    if (!node.isTextblock) return true;
    if (node.type.spec.code)
      drawn.push(Decoration.node(position, position + node.nodeSize, { spellcheck: 'false' }));
    else
      for (const [from, to] of unspelledIn(node))
        drawn.push(Decoration.inline(position + 1 + from, position + 1 + to, { spellcheck: 'false' }));
    return false;
  });
  return DecorationSet.create(doc, drawn);
}
