import type { Destination } from '@vennet/core/destination';
import { flatText, LEADING_NODES, OBJECT, schema, type Link, type LinkLook } from '@vennet/core/manuscript';
import { applyRepair, type Repair } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import type { Mark, Node } from 'prosemirror-model';
import { NodeSelection, TextSelection, type Command, type Transaction } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { linkAtSelection, linksIn } from '../state/links.js';
import { rememberPlace } from '../state/recent-places.js';
import { openArea } from '../state/open-area.js';
import { mint } from '../state/mint.js';
import { dropDraft, type Draft } from '../plugins/slip-plugin.js';

/** What a slip says of a link. */
export interface LinkEntry {
  destination: Destination;
  text: string;
  hoverNote: string;
  look: LinkLook | null;
}

/** Makes the words of a draft a link, or inserts the link text where there are none. The caret comes to its end. */
export function makeLink(
  view: EditorView,
  draft: Draft,
  { destination, text, hoverNote, look }: LinkEntry,
): void {
  const { state } = view;
  const mark = schema.marks.link.create({ id: mint(), destination, hoverNote, look });
  const transaction = dropDraft(closeHistory(state.tr));
  const words = flatText(state.doc, draft.from, draft.to);
  if (destination.kind === 'place') rememberPlace(destination.place);
  let end = draft.to;
  if (text === words.replaceAll(OBJECT, '') && draft.from < draft.to)
    linkWords(transaction, draft.from, draft.to, mark);
  else {
    const marks = mark.addToSet(state.doc.resolve(draft.from).marks());
    transaction.replaceWith(draft.from, draft.to, schema.text(text, marks));
    end = draft.from + text.length;
  }
  transaction.removeMark(draft.from, end, schema.marks.unlinked);
  transaction.setSelection(TextSelection.create(transaction.doc, end)).scrollIntoView();
  view.dispatch(transaction);
}

/** Lays a link over words, but not over what leads somewhere by itself, nor into the remarks of notes. */
function linkWords(transaction: Transaction, from: number, to: number, mark: Mark): void {
  transaction.doc.nodesBetween(from, to, (node, position) => {
    if (!node.isInline) return true;
    if (!LEADING_NODES.has(node.type.name))
      transaction.addMark(Math.max(from, position), Math.min(to, position + node.nodeSize), mark);
    return false;
  });
}

/** Changes what differs of a link; address, words and hover note each stay as they are where they are the same. */
export function changeLink(view: EditorView, link: Link, entry: LinkEntry): void {
  const repairs: Repair[] = [];
  if (JSON.stringify(entry.destination) !== JSON.stringify(link.destination))
    repairs.push({ type: 'destination', destination: entry.destination });
  if (entry.hoverNote !== link.hoverNote) repairs.push({ type: 'hover-note', hoverNote: entry.hoverNote });
  if (JSON.stringify(entry.look) !== JSON.stringify(link.look))
    repairs.push({ type: 'look', look: entry.look });
  if (entry.text !== link.text) repairs.push({ type: 'text', text: entry.text });
  if (repairs.length === 0) return;
  const transaction = closeHistory(view.state.tr);
  for (const repair of repairs) applyRepair(transaction, link, repair);
  view.dispatch(transaction);
}

export function repairLink(view: EditorView, link: Link, repair: Repair): void {
  const transaction = closeHistory(view.state.tr);
  applyRepair(transaction, link, repair);
  view.dispatch(transaction);
}

/** Takes the link away and keeps its words. */
export function removeLink(chapter: string): Command {
  return (state, dispatch) => {
    const link = linkAtSelection(state, chapter);
    if (!link) return false;
    const transaction = closeHistory(state.tr);
    applyRepair(transaction, link, { type: 'unlink' });
    dispatch?.(transaction);
    return true;
  };
}

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
      dispatch(atLink(state.tr, next).scrollIntoView());
      openArea(next.carrier === 'area' ? next.id : null);
    }
    return true;
  };
}

/** Goes to a link: the caret comes into it, or its picture is selected, and its slip opens. */
export function goToLink(view: EditorView, link: Link): void {
  view.dispatch(atLink(view.state.tr, link));
  openArea(link.carrier === 'area' ? link.id : null);
  view.focus();
}

/** The caret inside a link, where its slip opens and nothing is selected; a picture is selected as a whole. */
function atLink(transaction: EditorView['state']['tr'], link: Link) {
  const name = transaction.doc.nodeAt(link.from)?.type.name;
  if (name === 'figure' || name === 'reference')
    return transaction.setSelection(NodeSelection.create(transaction.doc, link.from));
  const note = noteAround(transaction.doc, link.from);
  if (note !== null) return transaction.setSelection(NodeSelection.create(transaction.doc, note));
  return transaction.setSelection(
    TextSelection.near(transaction.doc.resolve(Math.min(link.from + 1, link.to))),
  );
}

/** The note in whose remark a position is. */
export function noteAround(doc: Node, position: number): number | null {
  const $at = doc.resolve(position);
  for (let depth = $at.depth; depth > 0; depth--)
    if ($at.node(depth).type.name === 'note') return $at.before(depth);
  return null;
}
