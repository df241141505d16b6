import { schema, type ReturnTo } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { NodeSelection, type Command, type EditorState, type Transaction } from 'prosemirror-state';
import { mint } from '../state/mint.js';
import { askForSlip } from '../state/slip.js';

const { nodes } = schema;

/** Puts something into the line at the end of the selection, selects it and asks for its slip. */
function putInLine(state: EditorState, node: ReturnType<typeof nodes.note.create>): Transaction | null {
  const { to } = state.selection;
  const $to = state.doc.resolve(to);
  if (!$to.parent.canReplaceWith($to.index(), $to.index(), node.type)) return null;
  const transaction = closeHistory(state.tr).insert(to, node);
  return askForSlip(transaction.setSelection(NodeSelection.create(transaction.doc, to)).scrollIntoView());
}

/** A note at the caret; its slip opens for its words. */
export const insertNote: Command = (state, dispatch) => {
  const note = nodes.note.create({ id: mint() }, nodes.note_paragraph.create());
  const transaction = putInLine(state, note);
  if (transaction) dispatch?.(transaction);
  return transaction !== null;
};

/** A return link at the caret. */
export const insertReturn =
  (to: ReturnTo): Command =>
  (state, dispatch) => {
    const transaction = putInLine(state, nodes.return_link.create({ id: mint(), to }));
    if (transaction) dispatch?.(transaction);
    return transaction !== null;
  };

/** A list of contents after the block at the caret. */
export const insertContents =
  (attrs: { scope: 'book' | 'section'; back?: boolean }): Command =>
  (state, dispatch) => {
    const { $from } = state.selection;
    const node = nodes.contents.create({ id: mint(), depth: attrs.scope === 'book' ? 2 : 1, ...attrs });
    const at = $from.depth === 0 ? $from.pos : $from.after(1);
    const transaction = closeHistory(state.tr).insert(at, node);
    transaction.setSelection(NodeSelection.create(transaction.doc, at)).scrollIntoView();
    dispatch?.(askForSlip(transaction));
    return true;
  };
