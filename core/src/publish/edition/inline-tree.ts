import type { Mark, Node } from 'prosemirror-model';
import { wordsOfLeaf } from '../../manuscript/index.js';

/** The inline content of a textblock as elements within each other, as files have it. */
export type InlineTree = { mark: Mark; children: InlineTree[] } | { leaf: Node };

/** Nests the marks of a textblock by their rank; a mark goes on over neighbours that bear the same one. */
export function inlineTree(block: Node): InlineTree[] {
  const root: InlineTree[] = [];
  const open: { mark: Mark; children: InlineTree[] }[] = [];
  block.forEach((leaf) => {
    const other = open.findIndex(({ mark }, depth) => !leaf.marks[depth]?.eq(mark));
    if (other >= 0) open.length = other;
    for (const mark of leaf.marks.slice(open.length)) {
      const element = { mark, children: [] };
      (open.at(-1)?.children ?? root).push(element);
      open.push(element);
    }
    (open.at(-1)?.children ?? root).push({ leaf });
  });
  return root;
}

/** The words of a tree, those of its pictures too. */
export function wordsOfTree(tree: InlineTree): string {
  return 'leaf' in tree ? wordsOfLeaf(tree.leaf) : tree.children.map(wordsOfTree).join('');
}
