import type { Node } from 'prosemirror-model';
import { BETWEEN_RETURNS, idOf, linksOfLine, schema, type ReturnLine } from '../../manuscript/index.js';

/** A chapter with its computed return links: each line as a paragraph where it stands. */
export function withReturnLines(doc: Node, lines: ReadonlyMap<number, ReturnLine>): Node {
  if (lines.size === 0) return doc;
  const children: Node[] = [];
  const lineAt = (at: number) => {
    const line = lines.get(at);
    if (line) children.push(paragraphOf(line));
  };
  doc.forEach((node, offset) => {
    if (offset > 0) lineAt(offset);
    children.push(node);
  });
  lineAt(doc.content.size);
  return schema.node('doc', null, children);
}

/** True for a line of return links that was computed. */
export const isReturnLine = (node: Node): boolean =>
  node.firstChild?.type.name === 'return_link' && /-return-\d+$/.test(idOf(node.firstChild) ?? '');

const paragraphOf = (line: ReturnLine): Node =>
  schema.node(
    'paragraph',
    null,
    linksOfLine(line).flatMap((link, index) => (index === 0 ? [link] : [schema.text(BETWEEN_RETURNS), link])),
  );
