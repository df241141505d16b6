import { pagesOf, placesOnPages } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/** Time that a spot lights up after it was gone to, in ms. */
const LIT = 1800;

/** Goes to a link or a place of a book of pages: its spot comes into the middle of the window, and lights up. */
export function showOnPage(view: EditorView, wanted: { link: string } | { place: string }): void {
  const { doc, tr } = view.state;
  const found = 'link' in wanted ? linkAt(doc, wanted.link) : placeAt(doc, wanted.place);
  if (!found) return;
  if (!('link' in wanted)) view.dispatch(tr.setSelection(NodeSelection.create(doc, found.at)));
  const page = view.nodeDOM(found.at);
  const sheet = page instanceof HTMLElement ? page.querySelector('.ground-sheet') : null;
  if (!sheet) return;
  const mark = document.createElement('div');
  mark.style.cssText = `position:absolute;left:0;right:0;top:${found.y * 100}%;height:1.4em;pointer-events:none;z-index:6`;
  sheet.append(mark);
  mark.scrollIntoView({ block: found.y === 0 ? 'start' : 'center' });
  mark
    .animate(
      [
        { background: 'var(--amber)', opacity: 0.45 },
        { background: 'var(--amber)', opacity: 0.45, offset: 0.5 },
        { background: 'var(--amber)', opacity: 0 },
      ],
      { duration: LIT, id: 'target' },
    )
    .finished.finally(() => mark.remove())
    .catch(() => {});
  view.focus();
}

interface Found {
  at: number;
  y: number;
}

function linkAt(doc: Node, link: string): Found | null {
  for (const { at, attrs } of pagesOf(doc)) {
    const area = attrs.areas.find(({ id }) => id === link);
    if (area) return { at, y: area.y };
  }
  return null;
}

/** The book itself is its first page. */
const placeAt = (doc: Node, place: string): Found => placesOnPages(doc).get(place) ?? { at: 0, y: 0 };
