import { trimmedEnds } from '@vennet/core/repair';
import { Plugin, PluginKey, type Command, type EditorState, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { linkAtSelection, wordAt } from './links.js';

/** Words that are about to become a link: what the open slip is for while there is no link yet. */
export interface Draft {
  from: number;
  to: number;
}

interface SlipState {
  draft: Draft | null;
  /** Goes up when the slip is asked for by key or button: then the caret goes into it. */
  asked: number;
}

type Change = { draft: Draft | null } | { ask: true };

const key = new PluginKey<SlipState>('slip');

/** Keeps the words of a new link marked while its slip is filled in, and marks the link that the open slip is for. */
export function slipPlugin(chapter: string): Plugin {
  return new Plugin<SlipState>({
    key,
    state: {
      init: () => ({ draft: null, asked: 0 }),
      apply(transaction, before) {
        const change = transaction.getMeta(key) as Change | undefined;
        if (change && 'ask' in change) return { draft: null, asked: before.asked + 1 };
        if (change) return { draft: change.draft, asked: change.draft ? before.asked + 1 : before.asked };
        if (!before.draft) return before;
        // Going on in the text lets the draft go; a change elsewhere moves it along.
        if (transaction.selectionSet && !transaction.docChanged) return { ...before, draft: null };
        const { mapping } = transaction;
        return {
          ...before,
          draft: { from: mapping.map(before.draft.from, 1), to: mapping.map(before.draft.to, -1) },
        };
      },
    },
    props: {
      decorations(state) {
        const draft = key.getState(state)?.draft;
        if (draft)
          return DecorationSet.create(state.doc, [
            Decoration.inline(draft.from, draft.to, { class: 'is-draft' }),
          ]);
        const link = linkAtSelection(state, chapter);
        return link
          ? DecorationSet.create(state.doc, [Decoration.inline(link.from, link.to, { class: 'is-open' })])
          : null;
      },
    },
  });
}

export const draftIn = (state: EditorState): Draft | null => key.getState(state)?.draft ?? null;
export const askedIn = (state: EditorState): number => key.getState(state)?.asked ?? 0;
/** True for a change by which a slip is opened or closed. */
export const asksForSlip = (transaction: Transaction): boolean => transaction.getMeta(key) !== undefined;
export const dropDraft = (transaction: Transaction): Transaction =>
  transaction.setMeta(key, { draft: null } satisfies Change);

/**
 * Opens the slip: of the link at the caret, or of a new one for the selected words (without space and punctuation at
 * their ends) or for the word at the caret.
 */
export function openSlip(chapter: string): Command {
  return (state, dispatch) => {
    if (linkAtSelection(state, chapter)) {
      dispatch?.(state.tr.setMeta(key, { ask: true } satisfies Change));
      return true;
    }
    const { from, to, empty } = state.selection;
    const draft = empty ? wordAt(state) : trimmed(state, from, to);
    dispatch?.(state.tr.setMeta(key, { draft } satisfies Change));
    return true;
  };
}

function trimmed(state: EditorState, from: number, to: number): Draft {
  const text = state.doc.textBetween(from, to, '\ufffc', '\ufffc');
  if (text.length !== to - from) return { from, to };
  const { start, end } = trimmedEnds(text);
  return start < end ? { from: from + start, to: from + end } : { from, to };
}
