import { CONTENTS, spotsOf, type Spot } from '@vennet/core/manuscript';
import { NodeSelection, Selection, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/** Time that a place lights up after it was gone to, in ms. */
const LIT = 1800;

/** Goes to a place of the chapter that is open: the caret comes there, and the place lights up wherever it is. */
export function showPlace(view: EditorView, chapter: string, place: string): void {
  const { doc } = view.state;
  const { spots } = spotsOf(doc, chapter);
  // The top of the book is the top of its first chapter.
  const spot =
    spots.find(({ id }) => id === place) ??
    (place === CONTENTS ? spots.find(({ kind }) => kind === 'contents') : undefined);
  const position = spot?.at ?? 0;
  view.dispatch(view.state.tr.setSelection(selectionAt(view, spot)));
  light(elementAt(view, position, spot));
  view.focus();
}

/** Goes to a position of the chapter that is open; its block lights up. */
export function showSpot(view: EditorView, caret: number): void {
  const { doc, tr } = view.state;
  const $caret = doc.resolve(Math.min(Math.max(0, caret), doc.content.size));
  const near = TextSelection.near($caret);
  view.dispatch(tr.setSelection(near));
  light(elementAt(view, near.$from.depth > 0 ? near.$from.before(1) : 0, undefined));
  view.focus();
}

function selectionAt(view: EditorView, spot: Spot | undefined): Selection {
  const { doc } = view.state;
  if (!spot) return Selection.atStart(doc);
  if (['note', 'mark', 'contents', 'figure'].includes(spot.kind)) return NodeSelection.create(doc, spot.at);
  return TextSelection.near(doc.resolve(Math.min(spot.at + 1, doc.content.size)));
}

function elementAt(view: EditorView, position: number, spot: Spot | undefined): HTMLElement | null {
  if (spot?.kind === 'bookmark') return view.dom.querySelector<HTMLElement>(`#${CSS.escape(spot.id)}`);
  const node = view.nodeDOM(position);
  const element = node instanceof HTMLElement ? node : (node?.parentElement ?? null);
  return element?.matches('[data-anchor]') ? element.parentElement : element;
}

function light(element: HTMLElement | null): void {
  if (!element) return;
  element.scrollIntoView({ block: 'center' });
  element.animate(
    [
      { background: 'var(--wash)', boxShadow: '0 0 0 6px var(--wash)' },
      { background: 'var(--wash)', boxShadow: '0 0 0 6px var(--wash)', offset: 0.5 },
      { background: 'transparent', boxShadow: '0 0 0 6px transparent' },
    ],
    { duration: LIT, id: 'target' },
  );
}
