import { isTag, isText, type ChildNode, type Document } from 'domhandler';
import type { Landing } from './found-link.js';

/** How much of the text after a place is read, and where its words must begin: a number may stand before them. In UTF-16 units. */
const LENGTH = 300;
const WITHIN = 30;
/** How much of the text before a place is read. */
const BEFORE = LENGTH;

/** The text of a document from each of its ids on, in document order; pictures say their alternative text. */
export function landingsIn(document: Document): (id: string) => Landing | undefined {
  let text = '';
  const offsets = new Map<string, number>();
  const walk = (node: ChildNode): void => {
    if (isText(node)) text += node.data;
    if (!isTag(node)) return;
    const { id, alt } = node.attribs;
    if (id !== undefined && !offsets.has(id)) offsets.set(id, text.length);
    if (node.name === 'img') text += alt ?? '';
    node.children.forEach(walk);
  };
  document.children.forEach(walk);
  return (id) => {
    const offset = offsets.get(id);
    if (offset === undefined) return undefined;
    const after = text.slice(offset, offset + LENGTH);
    return { text: after, within: WITHIN, before: text.slice(Math.max(0, offset - BEFORE), offset), after };
  };
}
