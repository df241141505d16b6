import { attrsOf, idOf, pagesOf, spotsOf } from '@vennet/core/manuscript';
import { NodeSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/** Time that a spot lights up after it was gone to, in ms. */
const LIT = 1800;

/** Goes to a link or a place of a book of pages: its spot comes into the middle of the window, and lights up. */
export function showOnPage(
  view: EditorView,
  chapter: string,
  wanted: { link: string } | { place: string },
): void {
  const { doc, tr } = view.state;
  const found = 'link' in wanted ? linkAt(view, wanted.link) : placeAt(view, chapter, wanted.place);
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

function linkAt(view: EditorView, link: string): Found | null {
  for (const { node, at } of pagesOf(view.state.doc)) {
    const area = attrsOf.page(node).areas.find(({ id }) => id === link);
    if (area) return { at, y: area.y };
  }
  return null;
}

function placeAt(view: EditorView, chapter: string, place: string): Found | null {
  const { doc } = view.state;
  for (const { node, at } of pagesOf(doc)) {
    if (idOf(node) === place) return { at, y: 0 };
    const spot = attrsOf.page(node).spots.find(({ id }) => id === place);
    if (spot) return { at, y: spot.y };
  }
  const entry = doc.children.find((node) => node.type.name === 'entry' && idOf(node) === place);
  if (entry) {
    const { page, y } = attrsOf.entry(entry);
    const found = pagesOf(doc).find(({ node }) => idOf(node) === page);
    return found ? { at: found.at, y: y ?? 0 } : null;
  }
  const spot = spotsOf(doc, chapter).spots.find(({ id }) => id === place);
  return spot ? { at: spot.at, y: 0 } : { at: 0, y: 0 };
}
