import type { Destination } from '@vennet/core/destination';
import { flatText } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import {
  NodeSelection,
  Plugin,
  PluginKey,
  type Command,
  type EditorState,
  type Transaction,
} from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { figureAt, insideNodeAt, linkAtSelection, wordAt } from '../state/links.js';

/** Words that are about to become a link: what the open slip is for while there is no link yet. */
export interface Draft {
  from: number;
  to: number;
  what: 'link' | 'bookmark';
}

/** A bare domain that was typed: it can become a link, if the author says so. */
export interface Offer {
  from: number;
  to: number;
  destination: Destination;
}

interface SlipState {
  draft: Draft | null;
  offer: Offer | null;
  /** Goes up when the slip is asked for by key or button: then the caret goes into it. */
  asked: number;
}

type Change = { draft: Draft | null } | { ask: true } | { offer: Offer | null };

const key = new PluginKey<SlipState>('slip');
/** How often a slip was asked for, in whatever chapter. */
let asks = 0;

/** Keeps the words of a new link marked while its slip is filled in, and marks the link that the open slip is for. */
export function slipPlugin(chapter: string): Plugin {
  return new Plugin<SlipState>({
    key,
    state: {
      init: () => ({ draft: null, offer: null, asked: asks }),
      apply(transaction, before) {
        const change = transaction.getMeta(key) as Change | undefined;
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
        const { draft = null, offer = null } = key.getState(state) ?? {};
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

export const draftIn = (state: EditorState): Draft | null => key.getState(state)?.draft ?? null;
export const offerIn = (state: EditorState): Offer | null => key.getState(state)?.offer ?? null;
export const makeOffer = (transaction: Transaction, offer: Offer | null): Transaction =>
  transaction.setMeta(key, { offer } satisfies Change);
export const askedIn = (state: EditorState): number => key.getState(state)?.asked ?? 0;
/** True for a change by which a slip is opened or closed. */
export const asksForSlip = (transaction: Transaction): boolean => transaction.getMeta(key) !== undefined;
export const askForSlip = (transaction: Transaction): Transaction =>
  transaction.setMeta(key, { ask: true } satisfies Change);
export const dropDraft = (transaction: Transaction): Transaction =>
  transaction.setMeta(key, { draft: null } satisfies Change);

/**
 * Opens the slip: of the link at the caret, or of a new one for the selected words (without space and punctuation at
 * their ends) or for the word at the caret.
 */
export function openSlip(chapter: string): Command {
  return (state, dispatch) => {
    if (linkAtSelection(state, chapter) || figureAt(state) || insideNodeAt(state)) {
      dispatch?.(askForSlip(state.tr));
      return true;
    }
    const { from, to, empty } = state.selection;
    const words = empty ? wordAt(state) : trimmed(state, from, to);
    const draft: Draft = { ...words, what: 'link' };
    dispatch?.(state.tr.setMeta(key, { draft } satisfies Change));
    return true;
  };
}

/** Asks for the slip of what is selected in the line: a note, a reference, a return link, a list. */
export const openSelected: Command = (state, dispatch) => {
  const { selection } = state;
  const isReference = selection instanceof NodeSelection && selection.node.type.name === 'reference';
  if (!isReference && !insideNodeAt(state)) return false;
  dispatch?.(askForSlip(state.tr));
  return true;
};

/** Opens the slip of a new bookmark on the selected words, or on the word at the caret. */
export const draftBookmark: Command = (state, dispatch) => {
  const { from, to, empty, $from } = state.selection;
  const end = Math.min(to, $from.end());
  const words = empty || !$from.parent.isTextblock ? wordAt(state) : trimmed(state, from, end);
  if (words.from === words.to) return false;
  const draft: Draft = { ...words, what: 'bookmark' };
  dispatch?.(state.tr.setMeta(key, { draft } satisfies Change));
  return true;
};

interface Words {
  from: number;
  to: number;
}

function trimmed(state: EditorState, selectedFrom: number, selectedTo: number): Words {
  const { from, to } = withinBlocks(state, selectedFrom, selectedTo);
  const text = flatText(state.doc, from, to);
  if (text.length !== to - from) return { from, to };
  const { start, end } = trimmedEnds(text);
  return start < end ? { from: from + start, to: from + end } : { from, to };
}

/** A selection that runs on to the start of the next paragraph, or begins at the end of the one before, ends at the words. */
function withinBlocks({ doc }: EditorState, from: number, to: number): Words {
  let words: Words | null = null;
  doc.nodesBetween(from, to, (node, position) => {
    if (!node.isTextblock) return true;
    const [start, end] = [Math.max(from, position + 1), Math.min(to, position + 1 + node.content.size)];
    if (start < end) words = { from: words?.from ?? start, to: end };
    return false;
  });
  return words ?? { from, to };
}
