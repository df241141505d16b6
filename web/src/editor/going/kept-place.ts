import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/** Where the author was in each chapter: coming back goes on at the same spot. */
const places = new Map<string, { caret: number; scroll: number }>();

export function keepPlace(chapter: string, view: EditorView, scroller: HTMLElement): void {
  places.set(chapter, { caret: view.state.selection.from, scroll: scroller.scrollTop });
}

/** Puts the caret and the page where they were when the chapter was left. */
export function keptPlace(chapter: string, view: EditorView, scroller: HTMLElement): void {
  const kept = places.get(chapter);
  if (!kept) return;
  const { doc, tr } = view.state;
  const caret = doc.resolve(Math.min(kept.caret, doc.content.size));
  view.dispatch(tr.setSelection(TextSelection.near(caret)));
  scroller.scrollTop = kept.scroll;
}
