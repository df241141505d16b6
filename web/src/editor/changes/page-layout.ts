import { beginsPage, canBeginPage, schema } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { NodeSelection, type Command, type EditorState } from 'prosemirror-state';
import { useNotices } from '../../parts/notices.js';
import { mint } from '../state/mint.js';
import { askForSlip } from '../state/slip.js';
import { lineAfter, putBlock } from './put-block.js';

/** The block at the caret that can begin a page: one of the chapter's own, within no other. */
function blockAt({ selection, doc }: EditorState): { at: number; isOn: boolean } | null {
  const { $from } = selection;
  const at = $from.depth === 0 ? $from.pos : $from.before(1);
  const node = doc.nodeAt(at);
  // The first one begins its page by the chapter.
  return node && at > 0 && canBeginPage(node) ? { at, isOn: beginsPage(node) } : null;
}

/** True where the block at the caret begins a page. */
export const isOnNewPage = (state: EditorState): boolean => blockAt(state)?.isOn ?? false;

/** Lets the block at the caret begin a page, or no longer. */
export const toggleNewPage: Command = (state, dispatch) => {
  const block = blockAt(state);
  if (!block) return false;
  if (!dispatch) return true;
  const tr = closeHistory(state.tr).setNodeAttribute(block.at, 'newPage', !block.isOn);
  if (state.selection instanceof NodeSelection) tr.setSelection(NodeSelection.create(tr.doc, block.at));
  dispatch(tr);
  useNotices.getState().announce(block.isOn ? 'It begins no page any more' : 'It begins a page');
  return true;
};

/** Puts room to write after the block at the caret, and asks for its slip. */
export const insertRoom: Command = (state, dispatch) => {
  const { $from } = state.selection;
  if ($from.depth === 0) return false;
  if (!dispatch) return true;
  const tr = closeHistory(state.tr);
  const at = putBlock(tr, $from, schema.nodes.room.create({ id: mint() }));
  lineAfter(tr, at + 1);
  dispatch(askForSlip(tr.setSelection(NodeSelection.create(tr.doc, at)).scrollIntoView()));
  return true;
};
