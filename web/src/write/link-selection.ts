import { boxesOf } from '@vennet/core/ground';
import { boxAround, pagesOf } from '@vennet/core/manuscript';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { knownText } from '../book/ground-file.js';
import { draftArea } from '../editor/state/open-area.js';
import { askForSlip } from '../editor/state/slip.js';
import { selectedWords } from '../editor/views/text-layer.js';

/** Begins a link on the words of a page that are selected; `false` where none are. */
export function linkSelection(view: EditorView): boolean {
  const chosen = selectedWords(view.dom, knownText);
  const text = chosen && knownText(chosen.page);
  const page = chosen && pagesOf(view.state.doc).find(({ attrs }) => attrs.number === chosen.page);
  if (!chosen || !text || !page) return false;
  const lines = boxesOf(text, chosen.stretches);
  if (lines.length === 0) return false;
  window.getSelection()?.removeAllRanges();
  const { tr } = view.state;
  draftArea({ ...boxAround(lines), lines, words: chosen.words });
  view.dispatch(askForSlip(tr.setSelection(NodeSelection.create(tr.doc, page.at))));
  return true;
}
