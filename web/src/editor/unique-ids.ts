import { linkMark } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { Plugin, type Transaction } from 'prosemirror-state';
import { mint } from './mint.js';

/** True when a change may have left one id in two spots: something was split, joined, moved or pasted. */
function mayDouble(transaction: Transaction): boolean {
  return transaction.steps.some((step) => {
    const { slice, mark } = step as {
      slice?: { openStart: number; openEnd: number; content: { size: number } };
      mark?: unknown;
    };
    return (
      mark !== undefined ||
      (slice !== undefined && (slice.openStart > 0 || slice.openEnd > 0 || slice.content.size > 1))
    );
  });
}

/** Keeps ids unique in a chapter: the first of two stays, the later one gets an id of its own, or none. */
export function uniqueIds(): Plugin {
  return new Plugin({
    appendTransaction(transactions, _before, state) {
      if (!transactions.some((one) => one.docChanged && mayDouble(one))) return null;
      const transaction = state.tr;
      const seen = new Set<string>();
      state.doc.descendants((node, position) => {
        const id = node.attrs.id as string | null | undefined;
        if (id && seen.has(id)) transaction.setNodeAttribute(position, 'id', null);
        if (id) seen.add(id);
        if (node.isTextblock) separate(node, position + 1, seen, transaction);
        return true;
      });
      return transaction.docChanged ? transaction.setMeta('addToHistory', false) : null;
    },
  });
}

/** A link that goes on in another paragraph, or after words that are not linked, is another link there. */
function separate(block: Node, start: number, seen: Set<string>, transaction: Transaction): void {
  let open: { old: string; id: string } | null = null;
  block.forEach((child, offset) => {
    const mark = linkMark(child);
    if (!mark) return void (open = null);
    const old = mark.attrs.id as string;
    if (open?.old !== old) open = { old, id: seen.has(old) || old === '' ? mint() : old };
    seen.add(open.id);
    const from = start + offset;
    if (open.id !== old)
      transaction.addMark(from, from + child.nodeSize, mark.type.create({ ...mark.attrs, id: open.id }));
  });
}
