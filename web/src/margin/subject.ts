import type { BookmarkSpan } from '@vennet/core/edits';
import { attrsOf, type Link } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorState } from 'prosemirror-state';
import { withWords } from '../book/said.js';
import type { Draft } from '../editor/state/kept-drafts.js';
import { bookmarkAt, figureAt, insideNodeAt, linkAtSelection } from '../editor/state/links.js';
import { useOpenArea } from '../editor/state/open-area.js';
import { draftIn, isShut, offerIn, type Offer } from '../editor/state/slip.js';

interface At {
  node: Node;
  position: number;
}

/** What the open slip is for, and where that begins in the text. */
export type Subject = { from: number } & (
  | { draft: Draft }
  | { figure: At }
  | { inside: At }
  | { link: Link }
  | { bookmark: BookmarkSpan }
  | { offer: Offer }
);

/** A picture has a slip of its own; of a page only what leads somewhere. */
function hasSlip(node: Node): boolean {
  const { area, draft } = useOpenArea.getState();
  return (
    node.type.name !== 'page' || draft !== null || attrsOf.page(node).areas.some(({ id }) => id === area)
  );
}

/** What the open slip is for: what is being made, what is selected, or what the caret is at; `null` when none is open. */
export function subjectIn(state: EditorState, chapter: string): Subject | null {
  const draft = draftIn(state);
  if (draft) return { draft, from: draft.from };
  if (isShut(state)) return null;
  const figure = figureAt(state);
  if (figure && hasSlip(figure.node)) return { figure, from: figure.position };
  if (figure) return null;
  const inside = insideNodeAt(state);
  if (inside) return { inside, from: inside.position };
  const link = linkAtSelection(state, chapter);
  if (link) return { link: withWords(link, state.doc.nodeAt(link.from)), from: link.from };
  const bookmark = bookmarkAt(state);
  if (bookmark) return { bookmark, from: bookmark.from };
  const offer = offerIn(state);
  return offer && { offer, from: offer.from };
}
