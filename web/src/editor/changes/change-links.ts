import type { Destination } from '@vennet/core/destination';
import {
  flatText,
  LEADING_NODES,
  OBJECT,
  schema,
  type Link,
  type LinkAbout,
  type LinkLook,
} from '@vennet/core/manuscript';
import { applyRepair, type Repair } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import type { Mark } from 'prosemirror-model';
import { TextSelection, type Command, type Transaction } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { destinationWords } from '../../book/destination-words.js';
import { useBook } from '../../book/store.js';
import { useNotices } from '../../parts/notices.js';
import { linkAtSelection } from '../state/links.js';
import { rememberDestination } from '../state/recent-destinations.js';
import { mint } from '../state/mint.js';
import { dropDraft } from '../state/slip.js';

/** What a slip says of a link. */
export interface LinkEntry {
  destination: Destination;
  text: string;
  hoverNote: string;
  look: LinkLook | null;
  about: LinkAbout | null;
}

/** Makes the words of a draft a link, or inserts the link text where there are none. The caret comes to its end. */
export function makeLink(
  view: EditorView,
  draft: { from: number; to: number },
  { destination, text, hoverNote, look, about }: LinkEntry,
): void {
  const { state } = view;
  const mark = schema.marks.link.create({ id: mint(), destination, hoverNote, look, about });
  const transaction = dropDraft(closeHistory(state.tr));
  const words = flatText(state.doc, draft.from, draft.to);
  rememberDestination(destination);
  let end = draft.to;
  if (text === words.replaceAll(OBJECT, '') && draft.from < draft.to)
    linkWords(transaction, draft.from, draft.to, mark);
  else {
    const marks = mark.addToSet(state.doc.resolve(draft.from).marks());
    transaction.replaceWith(draft.from, draft.to, schema.text(text, marks));
    end = draft.from + text.length;
  }
  transaction.removeMark(draft.from, end, schema.marks.unlinked);
  transaction.setSelection(TextSelection.create(transaction.doc, end));
  view.dispatch(transaction);
  useNotices.getState().announce(`Link made, leads to ${destinationWords(destination, useBook.getState())}`);
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
  if (JSON.stringify(entry.about) !== JSON.stringify(link.about))
    repairs.push({ type: 'about', about: entry.about });
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
    if (dispatch) {
      dispatch(transaction);
      useNotices.getState().announce('Link removed, its words stay');
    }
    return true;
  };
}
