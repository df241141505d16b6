import { schema } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import { flatText } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { mint } from '../state/mint.js';
import { useBook } from '../../book/store.js';
import { useEditor } from '../state/store.js';
import { rememberPlace } from '../state/recent-destinations.js';

/** What is dragged out of the outline: the id of a place. */
export const PLACE_TYPE = 'application/x-vennet-place';

/** A place of the outline that is dropped on the text becomes a link: of the selected words there, else of its own words. */
export function dropOfPlace(view: EditorView, event: DragEvent): boolean {
  const place = event.dataTransfer?.getData(PLACE_TYPE);
  if (!place) return false;
  const spot = view.posAtCoords({ left: event.clientX, top: event.clientY });
  const { from, to, empty } = view.state.selection;
  if (!empty && spot && spot.pos >= from && spot.pos <= to) linkToPlace(view, place, from, to);
  else if (spot) linkToPlace(view, place, spot.pos, spot.pos);
  event.preventDefault();
  return true;
}

/** Makes a link to a place at the selection of the open text: of the selected words, else of the place’s own. */
export function linkHere(place: string): void {
  const { view } = useEditor.getState();
  if (view) linkToPlace(view, place, view.state.selection.from, view.state.selection.to);
}

function linkToPlace(view: EditorView, place: string, from: number, to: number): void {
  const words = useBook.getState().places.get(place)?.words ?? '';
  const { state } = view;
  if (!state.doc.resolve(from).parent.isTextblock || words === '') return;
  const mark = schema.marks.link.create({ id: mint(), destination: { kind: 'place', place } });
  const transaction = closeHistory(state.tr);
  let end = to;
  if (from < to) {
    const { start, end: last } = trimmedEnds(flatText(state.doc, from, to));
    transaction.addMark(from + start, from + last, mark);
    end = from + last;
  } else {
    transaction.insert(from, schema.text(words, mark.addToSet(state.doc.resolve(from).marks())));
    end = from + words.length;
  }
  transaction.setSelection(TextSelection.create(transaction.doc, end)).scrollIntoView();
  view.dispatch(transaction);
  view.focus();
  rememberPlace(place);
}
