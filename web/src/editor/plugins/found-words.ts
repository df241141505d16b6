import { Plugin, PluginKey, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';

/** A stretch of the text that was found; `isCurrent`: the one that is looked at. */
export interface FoundStretch {
  from: number;
  to: number;
  isCurrent: boolean;
}

const key = new PluginKey<DecorationSet>('found words');

/** Shows in the text what was searched for. */
export const showFound = (transaction: Transaction, found: readonly FoundStretch[]): Transaction =>
  transaction.setMeta(key, found).setMeta('addToHistory', false);

export function foundWords(): Plugin {
  return new Plugin({
    key,
    state: {
      init: () => DecorationSet.empty,
      apply(transaction, before: DecorationSet) {
        const found = transaction.getMeta(key) as readonly FoundStretch[] | undefined;
        if (!found) return before.map(transaction.mapping, transaction.doc);
        const { doc } = transaction;
        const drawn = found
          .filter(({ to }) => to <= doc.content.size)
          .map(({ from, to, isCurrent }) =>
            Decoration.inline(from, to, { class: isCurrent ? 'found found-current' : 'found' }),
          );
        return DecorationSet.create(doc, drawn);
      },
    },
    props: { decorations: (state) => key.getState(state) },
  });
}
