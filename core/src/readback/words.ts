import { isTag, isText, type ChildNode } from 'domhandler';

/** The words that an element is read as: its text, and the alternative text of pictures in it. */
export function wordsOfElement(node: ChildNode): string {
  if (isText(node)) return node.data;
  if (!isTag(node)) return '';
  if (node.name === 'img') return node.attribs.alt ?? '';
  return node.name === 'br' ? ' ' : node.children.map(wordsOfElement).join('');
}
