import { Fragment, type Node } from 'prosemirror-model';
import { attrsOf, linkMark } from '../../manuscript/index.js';

/**
 * Gives every link an id of its own: one that goes on in another paragraph, as a link around several blocks does, or
 * after words that are not linked, is another link there.
 */
export function separateLinks(doc: Node, mint: () => string): Node {
  const seen = new Set<string>();
  const inBlock = (block: Node): Node => {
    const here = new Map<string, string>();
    let open: string | null = null;
    const children: Node[] = [];
    block.forEach((child) => {
      const mark = linkMark(child);
      const id = mark ? attrsOf.link(mark).id : null;
      if (!mark || id === null) {
        open = null;
        return void children.push(child);
      }
      if (id !== open && seen.has(id)) here.set(id, mint());
      seen.add(id);
      open = id;
      const own = here.get(id);
      const renamed = own ? mark.type.create({ ...mark.attrs, id: own }) : mark;
      children.push(child.mark(renamed.addToSet(child.marks)));
    });
    return block.copy(Fragment.fromArray(children));
  };
  const walk = (node: Node): Node => {
    if (node.isTextblock) return inBlock(node);
    if (node.isLeaf) return node;
    const children: Node[] = [];
    node.forEach((child) => children.push(walk(child)));
    return node.copy(Fragment.fromArray(children));
  };
  return walk(doc);
}
