import { schema } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { TextSelection, type Command } from 'prosemirror-state';

const { nodes } = schema;

/** Puts a rule after the block at the caret, in the place of an empty paragraph; the caret goes on below it. */
export const putRule: Command = (state, dispatch) => {
  const { $from } = state.selection;
  if (!$from.parent.isTextblock) return false;
  const depth = $from.depth;
  const index = $from.indexAfter(depth - 1);
  if (!$from.node(depth - 1).canReplaceWith(index, index, nodes.rule)) return false;
  if (!dispatch) return true;
  const tr = closeHistory(state.tr);
  const isEmpty = $from.parent.type === nodes.paragraph && $from.parent.content.size === 0;
  const at = isEmpty ? $from.before() : $from.after();
  if (isEmpty) tr.replaceWith(at, $from.after(), nodes.rule.create());
  else tr.insert(at, nodes.rule.create());
  const next = tr.doc.nodeAt(at + 1);
  if (!next?.isTextblock) tr.insert(at + 1, nodes.paragraph.create());
  dispatch(tr.setSelection(TextSelection.create(tr.doc, at + 2)).scrollIntoView());
  return true;
};
