import type { Destination } from '@vennet/core/destination';
import { flatText, idOf } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import {
  NodeSelection,
  PluginKey,
  type Command,
  type EditorState,
  type Transaction,
} from 'prosemirror-state';
import type { Draft } from './kept-drafts.js';
import { bookmarkAt, figureAt, insideNodeAt, linkAtSelection, wordAt } from './links.js';
import { mint } from './mint.js';

/** A bare domain that was typed: it can become a link, if the author says so. */
export interface Offer {
  from: number;
  to: number;
  destination: Destination;
}

export interface SlipState {
  draft: Draft | null;
  offer: Offer | null;
  /** Goes up when the slip is asked for by key or button: then the caret goes into it. */
  asked: number;
  /** What the caret is at, when its slip was closed: it stays closed until the caret goes elsewhere or it is asked for. */
  shut: string | null;
}

/** How a transaction changes the slip: what is named is set, everything else goes on as the text does. */
export interface SlipChange {
  draft?: Draft | null;
  offer?: Offer | null;
  ask?: true;
  shut?: boolean;
}

export const slipKey = new PluginKey<SlipState>('slip');
export const draftIn = (state: EditorState): Draft | null => slipKey.getState(state)?.draft ?? null;
export const offerIn = (state: EditorState): Offer | null => slipKey.getState(state)?.offer ?? null;
export const askedIn = (state: EditorState): number => slipKey.getState(state)?.asked ?? 0;
export const isShut = (state: EditorState): boolean => (slipKey.getState(state)?.shut ?? null) !== null;
/** True for a change by which a slip is opened or closed. */
export const asksForSlip = (transaction: Transaction): boolean => transaction.getMeta(slipKey) !== undefined;

const change = (transaction: Transaction, what: SlipChange): Transaction =>
  transaction.setMeta(slipKey, what);
export const makeOffer = (transaction: Transaction, offer: Offer | null) => change(transaction, { offer });
export const askForSlip = (transaction: Transaction) => change(transaction, { ask: true });
export const openDraft = (transaction: Transaction, draft: Draft) => change(transaction, { draft });
export const dropDraft = (transaction: Transaction) => change(transaction, { draft: null });
/** Closes the slip of what the caret is at. */
export const shutSlip = (transaction: Transaction) => change(transaction, { shut: true });
export const unshutSlip = (transaction: Transaction) => change(transaction, { shut: false });

/** A new draft for a stretch of the text. */
const draftFor = (words: Words, what: 'link' | 'bookmark'): Draft => ({
  id: mint(),
  ...words,
  what,
  values: null,
});

/** What the caret is at that has a slip, by its id. */
export function subjectOf(state: EditorState, chapter: string): string | null {
  const node = figureAt(state)?.node ?? insideNodeAt(state)?.node;
  return (node && idOf(node)) ?? linkAtSelection(state, chapter)?.id ?? bookmarkAt(state)?.id ?? null;
}

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
    dispatch?.(openDraft(state.tr, draftFor(words, 'link')));
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
  dispatch?.(openDraft(state.tr, draftFor(words, 'bookmark')));
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
