import { Plugin, type EditorState, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { movedDraft } from '../state/kept-drafts.js';
import { linkAtSelection } from '../state/links.js';
import {
  slipKey,
  subjectOf,
  unshutSlip,
  type Offer,
  type SlipChange,
  type SlipState,
} from '../state/slip.js';

/** How often a slip was asked for, in whatever chapter. */
let asks = 0;

/** Keeps the words of a new link marked while its slip is filled in, and marks the link that the open slip is for. */
export function slipPlugin(chapter: string): Plugin {
  /** What was shut stays so while the caret is at it. */
  const shutAfter = (change: SlipChange, before: string | null, state: EditorState): string | null => {
    if (change.shut) return subjectOf(state, chapter);
    if (before === null || change.shut === false || change.ask || change.draft) return null;
    return subjectOf(state, chapter) === before ? before : null;
  };
  return new Plugin<SlipState>({
    key: slipKey,
    state: {
      init: () => ({ draft: null, offer: null, asked: asks, shut: null }),
      apply(transaction, before, _old, state) {
        const told = transaction.getMeta(slipKey) as SlipChange | undefined;
        if (!told && !before.draft && !before.offer && before.shut === null) return before;
        const change = told ?? {};
        const isNew = 'draft' in change || 'offer' in change || change.ask;
        return {
          asked: change.ask || change.draft ? ++asks : before.asked,
          draft: isNew ? (change.draft ?? null) : stillDrafted(before, transaction),
          offer: isNew ? (change.offer ?? null) : stillOffered(before.offer, transaction),
          shut: shutAfter(change, before.shut, state),
        };
      },
    },
    props: {
      handleDOMEvents: {
        // Pressing what the caret is at already opens its slip again.
        mousedown(view) {
          if ((slipKey.getState(view.state)?.shut ?? null) !== null) view.dispatch(unshutSlip(view.state.tr));
          return false;
        },
      },
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

/** Going on in the text lets the draft go; a change elsewhere moves it along. */
function stillDrafted({ draft }: SlipState, transaction: Transaction): SlipState['draft'] {
  if (!draft || (transaction.selectionSet && !transaction.docChanged)) return null;
  return movedDraft(draft, transaction.mapping);
}

/** An offer stands while its words do and the caret stays in their paragraph. */
function stillOffered(offer: Offer | null, { mapping, selection }: Transaction): Offer | null {
  if (!offer) return null;
  const [from, to] = [mapping.map(offer.from, 1), mapping.map(offer.to, -1)];
  if (to - from !== offer.to - offer.from) return null;
  const { $head } = selection;
  return $head.start() <= from && to <= $head.end() ? { ...offer, from, to } : null;
}
