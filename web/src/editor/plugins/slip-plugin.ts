import { Plugin, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { linkAtSelection } from '../state/links.js';
import { slipKey, type Offer, type SlipChange, type SlipState } from '../state/slip.js';

/** How often a slip was asked for, in whatever chapter. */
let asks = 0;

/** Keeps the words of a new link marked while its slip is filled in, and marks the link that the open slip is for. */
export function slipPlugin(chapter: string): Plugin {
  return new Plugin<SlipState>({
    key: slipKey,
    state: {
      init: () => ({ draft: null, offer: null, asked: asks }),
      apply(transaction, before) {
        const change = transaction.getMeta(slipKey) as SlipChange | undefined;
        const { asked } = before;
        if (change && 'ask' in change) return { draft: null, offer: null, asked: ++asks };
        if (change && 'offer' in change) return { draft: null, offer: change.offer, asked };
        if (change) return { draft: change.draft, offer: null, asked: change.draft ? ++asks : asked };
        if (!before.draft && !before.offer) return before;
        // Going on in the text lets the draft go; a change elsewhere moves it along.
        const draft = transaction.selectionSet && !transaction.docChanged ? null : before.draft;
        return { asked, draft: moved(draft, transaction), offer: stillOffered(before.offer, transaction) };
      },
    },
    props: {
      decorations(state) {
        const { draft = null, offer = null } = slipKey.getState(state) ?? {};
        const words = draft ?? offer;
        if (words)
          return DecorationSet.create(state.doc, [
            Decoration.inline(words.from, words.to, { class: 'is-draft' }),
          ]);
        const link = linkAtSelection(state, chapter);
        return link
          ? DecorationSet.create(state.doc, [Decoration.inline(link.from, link.to, { class: 'is-open' })])
          : null;
      },
    },
  });
}

function moved<Range extends { from: number; to: number }>(
  range: Range | null,
  { mapping }: Transaction,
): Range | null {
  return range && { ...range, from: mapping.map(range.from, 1), to: mapping.map(range.to, -1) };
}

/** An offer stands while its words do and the caret stays in their paragraph. */
function stillOffered(offer: Offer | null, transaction: Transaction): Offer | null {
  const now = moved(offer, transaction);
  if (!offer || !now || now.to - now.from !== offer.to - offer.from) return null;
  const { $head } = transaction.selection;
  return $head.start() <= now.from && now.to <= $head.end() ? now : null;
}
