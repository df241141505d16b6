import type { Node } from 'prosemirror-model';
import { Plugin } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';

const isEmpty = (node: Node | null): boolean => node !== null && node.isTextblock && node.content.size === 0;

/** What a chapter without words says at its heading and in its first line: what belongs there. */
export function firstLines(): Plugin {
  return new Plugin({
    props: {
      decorations({ doc }) {
        const [heading, first] = [doc.firstChild, doc.childCount > 1 ? doc.child(1) : null];
        if (doc.childCount > 2 || heading?.type.name !== 'heading') return null;
        const drawn: Decoration[] = [];
        if (isEmpty(heading))
          drawn.push(Decoration.node(0, heading.nodeSize, { 'data-hint': 'Title of this chapter' }));
        if (first && isEmpty(first) && first.type.name === 'paragraph')
          drawn.push(
            Decoration.node(heading.nodeSize, heading.nodeSize + first.nodeSize, {
              'data-hint': 'Write here, or paste what you have.',
            }),
          );
        return DecorationSet.create(doc, drawn);
      },
    },
  });
}
