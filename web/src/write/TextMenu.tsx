import { removeMark } from '@vennet/core/edits';
import { ContextMenu } from 'radix-ui';
import { closeHistory } from 'prosemirror-history';
import { NodeSelection, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { removeLink } from '../editor/changes/change-links.js';
import { figureAt, insideNodeAt, linkAtSelection } from '../editor/state/links.js';
import { draftBookmark, openSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { MIDDLE, removeArea, toWordsBelow } from '../editor/changes/change-figures.js';
import { draftArea, openArea, useOpenArea } from '../editor/state/open-area.js';
import { copyAddress } from '../follow/copy-address.js';

type About = 'link' | 'words' | 'picture' | 'area' | 'inside' | null;
type Act = (view: EditorView, chapter: string) => void;

const askForSlip: Act = (view, chapter) => openSlip(chapter)(view.state, view.dispatch);

const follow: Act = (view, chapter) =>
  useEditor.setState({ following: linkAtSelection(view.state, chapter) });

/** What stands in the text as one thing, with words that are computed. */
const COMPUTED = new Set(['note', 'note_mark', 'return_link', 'contents', 'reference']);

function aboutIn(view: EditorView, chapter: string): About {
  if (figureAt(view.state)) return useOpenArea.getState().area ? 'area' : 'picture';
  if (insideNodeAt(view.state)) return 'inside';
  if (linkAtSelection(view.state, chapter)) return 'link';
  return view.state.selection.empty ? null : 'words';
}

/** A right click selects the picture under it, with its area, or what is computed there, or puts the caret there. */
function selectAt(view: EditorView, event: MouseEvent, { pos, inside }: { pos: number; inside: number }) {
  const { doc, tr } = view.state;
  const target = event.target as HTMLElement;
  const figure = target.closest('.picture-frame')?.parentElement;
  if (!figure) {
    const isComputed = inside >= 0 && COMPUTED.has(doc.nodeAt(inside)?.type.name ?? '');
    return tr.setSelection(
      isComputed ? NodeSelection.create(doc, inside) : TextSelection.near(doc.resolve(pos)),
    );
  }
  const { area } = target.closest<HTMLElement>('[data-area]')?.dataset ?? {};
  openArea(area && area !== 'new' ? area : null);
  const within = view.posAtDOM(figure, 0);
  return tr.setSelection(NodeSelection.create(doc, doc.resolve(within).before()));
}

/**
 * What can be done at a link or with selected words, on right click. Elsewhere, and with Shift, the browser's own menu
 * comes, with its spelling and clipboard.
 */
export function TextMenu({ children }: { children: ReactNode }) {
  const [about, setAbout] = useState<About>(null);
  const decide = (event: MouseEvent) => {
    const { view, chapter } = useEditor.getState();
    if (!view || event.shiftKey) return event.stopPropagation();
    const spot = view.posAtCoords({ left: event.clientX, top: event.clientY });
    const { selection } = view.state;
    const inSelection = spot && selection.from <= spot.pos && spot.pos <= selection.to && !selection.empty;
    // The menu key has no spot of its own: it is about the caret.
    if (spot && !inSelection && event.button === 2) view.dispatch(selectAt(view, event, spot));
    const kind = aboutIn(view, chapter);
    setAbout(kind);
    if (!kind) event.stopPropagation();
  };
  const chosen = useRef<Act | null>(null);
  // What was chosen is done when the menu is gone: before that, the menu keeps the focus to itself.
  const closed = (event: Event) => {
    event.preventDefault();
    const { view, chapter } = useEditor.getState();
    view?.focus();
    if (view) chosen.current?.(view, chapter);
    chosen.current = null;
  };
  const item = (words: string, act: Act) => (
    <ContextMenu.Item className="menu-item" onSelect={() => (chosen.current = act)}>
      {words}
    </ContextMenu.Item>
  );
  return (
    <ContextMenu.Root>
      <ContextMenu.Trigger asChild>
        <div onContextMenuCapture={decide}>{children}</div>
      </ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content className="menu" onCloseAutoFocus={closed}>
          {about === 'words' && (
            <>
              {item('Make a link of these words', askForSlip)}
              {item('Make a bookmark of these words', (view) => draftBookmark(view.state, view.dispatch))}
            </>
          )}
          {about === 'inside' && (
            <>
              {item('Change it', askForSlip)}
              {item('Remove it', removeSelected)}
            </>
          )}
          {about === 'picture' && (
            <>
              {item('Words and size of this picture', askForSlip)}
              {item('Add a link area', () => draftArea(MIDDLE))}
              {item('Add or change its caption', (view) => toWordsBelow(view, 'caption'))}
              {item('Add or change its credit', (view) => toWordsBelow(view, 'credit'))}
            </>
          )}
          {about === 'area' && (
            <>
              {item('Change this link area', askForSlip)}
              {item('Follow it', follow)}
              {item('Remove this link area', (view) => {
                const { area } = useOpenArea.getState();
                if (area) removeArea(view, area);
                openArea(null);
              })}
            </>
          )}
          {about === 'link' && (
            <>
              {item('Change this link', askForSlip)}
              {item('Follow it', follow)}
              {item('Copy its address', (view, chapter) => {
                const link = linkAtSelection(view.state, chapter);
                if (link) void copyAddress(link);
              })}
              {item('Link or unlink every mention', (view, chapter) => {
                const link = linkAtSelection(view.state, chapter);
                if (link) useEditor.setState({ mentions: { words: link.text.trim(), link } });
              })}
              {item('Remove the link, keep its words', (view, chapter) =>
                removeLink(chapter)(view.state, view.dispatch),
              )}
            </>
          )}
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  );
}

/** A note with other marks stays with those. */
function removeSelected({ state, dispatch }: EditorView): void {
  const transaction = closeHistory(state.tr);
  if (state.selection instanceof NodeSelection && state.selection.node.type.name === 'note')
    removeMark(transaction, state.selection.from);
  else transaction.deleteSelection();
  dispatch(transaction);
}
