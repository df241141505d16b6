import { schema } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { TextSelection, type Command, type Transaction } from 'prosemirror-state';
import { putBlock } from './put-block.js';

const { nodes } = schema;

/** Puts a rule at the selection, with the caret in the line below it; `null` where none can stand. */
export function withRule(tr: Transaction): Transaction | null {
  const { $from } = tr.selection;
  if (!$from.parent.isTextblock) return null;
  const index = $from.indexAfter(-1);
  if (!$from.node(-1).canReplaceWith(index, index, nodes.rule)) return null;
  const below = putBlock(tr, $from, nodes.rule.create()) + 1;
  if (!tr.doc.nodeAt(below)?.isTextblock) tr.insert(below, nodes.paragraph.create());
  return tr.setSelection(TextSelection.create(tr.doc, below + 1));
}

/** Puts a rule after the block at the caret, in the place of an empty paragraph; the caret goes on below it. */
export const putRule: Command = (state, dispatch) => {
  const made = withRule(closeHistory(state.tr));
  if (made) dispatch?.(made.scrollIntoView());
  return made !== null;
};
