import { keepIdsUnique } from '@vennet/core/edits';
import { Plugin, type Transaction } from 'prosemirror-state';
import { mint } from '../state/mint.js';

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

/** Keeps ids unique in a chapter while it is edited. */
export function uniqueIds(): Plugin {
  return new Plugin({
    appendTransaction(transactions, _before, state) {
      if (!transactions.some((one) => one.docChanged && mayDouble(one))) return null;
      const transaction = state.tr;
      keepIdsUnique(transaction, mint);
      return transaction.docChanged ? transaction.setMeta('addToHistory', false) : null;
    },
  });
}
