import type { Node } from 'prosemirror-model';

const blocks = (doc: Node): string[] => doc.children.map((node) => JSON.stringify(node.toJSON()));

/** What a change did to a doc, block by block: those that are new in their order, those that are gone, and how many there are. */
export function changedBlocks(before: Node, after: Node): unknown {
  const [old, now] = [blocks(before), blocks(after)];
  const parsed = (list: string[]) => list.map((one): unknown => JSON.parse(one));
  return {
    blocks: `${old.length} → ${now.length}`,
    order: now.map((one) => old.indexOf(one)).join(' '),
    fresh: parsed(now.filter((one) => !old.includes(one))),
  };
}
