import { hasAreas, type Link } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { NodeSelection, TextSelection, type Command } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useBook, verdictFor } from '../../book/store.js';
import { useNotices } from '../../parts/notices.js';
import { VERDICT_WORDS } from '../../parts/VerdictMark.js';
import { linkAtSelection, linksIn } from '../state/links.js';
import { openArea } from '../state/open-area.js';
import { useEditor } from '../state/store.js';

/** Puts the caret into the next link (or the one before), from the end round to the start. */
export function toLink(chapter: string, direction: 1 | -1): Command {
  return (state, dispatch) => {
    const links = linksIn(state.doc, chapter);
    const current = linkAtSelection(state, chapter);
    const caret = state.selection.from;
    const at = current ? links.findIndex(({ id }) => id === current.id) : -1;
    const beside =
      direction === 1
        ? at >= 0
          ? links[at + 1]
          : links.find((link) => link.from >= caret)
        : at >= 0
          ? links[at - 1]
          : links.findLast((link) => link.from < caret);
    const next = beside ?? links.at(direction === 1 ? 0 : -1);
    if (!next) return false;
    if (dispatch) {
      openArea(next.carrier === 'area' ? next.id : null);
      dispatch(atLink(state.tr, next).scrollIntoView());
      sayLink(next);
    }
    return true;
  };
}

/** What is said of a link that the caret has come into: as a screen reader says links, with its verdict. */
function sayLink(link: Link): void {
  const { verdict } = verdictFor(link, useBook.getState());
  const words = link.text.trim() || 'without words';
  useNotices.getState().announce(`link, ${words}, ${VERDICT_WORDS[verdict].toLowerCase()}`);
}

/** Goes to a link: the caret comes into it, or its picture is selected, and its slip opens. */
export function goToLink(view: EditorView, link: Link): void {
  view.dispatch(atLink(view.state.tr, link));
  openArea(link.carrier === 'area' ? link.id : null);
  view.focus();
}

/** The caret inside a link, where its slip opens and nothing is selected; a picture is selected as a whole. */
function atLink(transaction: EditorView['state']['tr'], link: Link) {
  const node = transaction.doc.nodeAt(link.from);
  if (node && (hasAreas(node) || node.type.name === 'reference'))
    return transaction.setSelection(NodeSelection.create(transaction.doc, link.from));
  const note = noteAround(transaction.doc, link.from);
  if (note !== null) return transaction.setSelection(NodeSelection.create(transaction.doc, note));
  return transaction.setSelection(
    TextSelection.near(transaction.doc.resolve(Math.min(link.from + 1, link.to))),
  );
}

/** The note in whose remark a position is. */
function noteAround(doc: Node, position: number): number | null {
  const $at = doc.resolve(position);
  for (let depth = $at.depth; depth > 0; depth--)
    if ($at.node(depth).type.name === 'note') return $at.before(depth);
  return null;
}

/** Steps through the links from outside the text; the text takes the focus. */
export function stepThroughLinks(direction: 1 | -1): void {
  const { view, chapter } = useEditor.getState();
  if (!view) return;
  toLink(chapter, direction)(view.state, view.dispatch);
  view.focus();
}
