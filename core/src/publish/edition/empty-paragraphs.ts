import { Fragment, type Node } from 'prosemirror-model';
import { idOf } from '../../manuscript/index.js';

/** A paragraph that shows nothing, and that nothing leads to. */
const isEmpty = (node: Node): boolean =>
  node.type.name === 'paragraph' && node.content.size === 0 && idOf(node) === null;

/** A text without the empty paragraphs that were left while writing; where a cell or an item has nothing else, one stays. */
export function withoutEmptyParagraphs(node: Node): Node {
  if (node.isTextblock || node.isLeaf) return node;
  const said = node.children.filter((child) => !isEmpty(child));
  // What stands first may have to be a block of some kind, as in an item of a list.
  const left = said.length > 0 ? said : node.children.slice(0, 1);
  const children = left.map(withoutEmptyParagraphs);
  const isSame =
    children.length === node.childCount && children.every((child, index) => child === node.child(index));
  if (isSame) return node;
  const content = Fragment.from(children);
  return node.type.validContent(content) ? node.copy(content) : node;
}
