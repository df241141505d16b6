import { Plugin, PluginKey, type EditorState, type Transaction } from 'prosemirror-state';

type Spots = ReadonlyMap<number, number>;
type Change = { keep: number; at: number } | { drop: number };

const key = new PluginKey<Spots>('kept-spots');
let last = 0;

/** Remembers spots of the text while it changes around them: where a picture goes that is still being sent. */
export function keptSpots(): Plugin {
  return new Plugin<Spots>({
    key,
    state: {
      init: () => new Map(),
      apply(transaction, before) {
        const change = transaction.getMeta(key) as Change | undefined;
        if (!change && (before.size === 0 || !transaction.docChanged)) return before;
        const after = new Map([...before].map(([id, at]) => [id, transaction.mapping.map(at)]));
        if (change && 'keep' in change) after.set(change.keep, change.at);
        if (change && 'drop' in change) after.delete(change.drop);
        return after;
      },
    },
  });
}

/** Begins to remember a spot. The number by which it is asked for comes back. */
export function keepSpot(transaction: Transaction, at: number): number {
  last += 1;
  transaction.setMeta(key, { keep: last, at } satisfies Change);
  return last;
}

export const spotIn = (state: EditorState, id: number): number | undefined => key.getState(state)?.get(id);
export const dropSpot = (transaction: Transaction, id: number): Transaction =>
  transaction.setMeta(key, { drop: id } satisfies Change);
