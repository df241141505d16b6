import type { Mark, Node } from 'prosemirror-model';
import { linkMark, schema } from '../../manuscript/index.js';

/** Nodes that say something, so that a space after them counts. */
const SAYING = new Set(['picture', 'formula', 'reference', 'return_link', 'note', 'note_mark']);

/** Inline nodes on their way into one textblock, with white space collapsed as HTML does. */
export class InlineRun {
  #nodes: Node[] = [];
  #spaced = true;

  /** Something stands in it that a reader meets: an id alone, or a line that is broken, is nothing to meet. */
  get saysSomething(): boolean {
    return this.#nodes.some(
      (node) => node.isText || SAYING.has(node.type.name) || (node.type.name === 'anchor' && linkMark(node)),
    );
  }

  get length(): number {
    return this.#nodes.length;
  }

  text(text: string, marks: readonly Mark[]): void {
    let collapsed = text.replace(/[ \t\r\n\f]+/g, ' ');
    if (this.#spaced && collapsed.startsWith(' ')) collapsed = collapsed.slice(1);
    if (collapsed === '') return;
    this.#spaced = collapsed.endsWith(' ');
    this.#nodes.push(schema.text(collapsed, marks));
  }

  /** A space where a block began or ended within words. */
  space(marks: readonly Mark[]): void {
    if (!this.#spaced) this.text(' ', marks);
  }

  add(node: Node): void {
    if (node.type.name === 'hard_break') this.#spaced = true;
    else if (SAYING.has(node.type.name)) this.#spaced = false;
    this.#nodes.push(node);
  }

  /** The nodes, without white space at the end. A link that was only white space goes on as an anchor. */
  finish(): Node[] {
    const nodes = [...this.#nodes];
    for (const [last, node] of [...nodes.entries()].reverse()) {
      if (node.type.name === 'anchor') continue;
      if (!node.text?.endsWith(' ')) break;
      const text = node.text.slice(0, -1);
      if (text !== '') nodes[last] = schema.text(text, node.marks);
      else if (linkMark(node)) nodes[last] = schema.node('anchor', null, undefined, node.marks);
      else nodes.splice(last, 1);
      if (text !== '') break;
    }
    return nodes.every((node) => node.type.name === 'hard_break') ? [] : nodes;
  }
}
