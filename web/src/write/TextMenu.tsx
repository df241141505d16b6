import { ContextMenu } from 'radix-ui';
import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useRef, useState, type MouseEvent, type ReactNode } from 'react';
import { removeLink } from '../editor/change-links.js';
import { linkAtSelection } from '../editor/links.js';
import { openSlip } from '../editor/slip-plugin.js';
import { useEditor } from '../editor/store.js';
import { copyAddress } from './copy-address.js';

type About = 'link' | 'words' | null;
type Act = (view: EditorView, chapter: string) => void;

const askForSlip: Act = (view, chapter) => openSlip(chapter)(view.state, view.dispatch);

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
    if (spot && !inSelection && event.button === 2)
      view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(spot.pos))));
    const kind = linkAtSelection(view.state, chapter) ? 'link' : view.state.selection.empty ? null : 'words';
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
          {about === 'words' && item('Make a link of these words', askForSlip)}
          {about === 'link' && (
            <>
              {item('Change this link', askForSlip)}
              {item('Follow it', (view, chapter) =>
                useEditor.setState({ following: linkAtSelection(view.state, chapter) }),
              )}
              {item('Copy its address', (view, chapter) => {
                const link = linkAtSelection(view.state, chapter);
                if (link) void copyAddress(link);
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
