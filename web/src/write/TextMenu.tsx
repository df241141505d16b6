import { ContextMenu } from 'radix-ui';
import { TextSelection } from 'prosemirror-state';
import { useState, type MouseEvent, type ReactNode } from 'react';
import { removeLink } from '../editor/change-links.js';
import { linkAtSelection } from '../editor/links.js';
import { openSlip } from '../editor/slip-plugin.js';
import { useEditor } from '../editor/store.js';
import { copyAddress } from './copy-address.js';

type About = 'link' | 'words' | null;

/** After the menu the caret is where the work goes on: in the slip where one was asked for, else in the text. */
function backToWork(event: Event): void {
  event.preventDefault();
  const field = document.activeElement;
  if (!field?.closest('form')) useEditor.getState().view?.focus();
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
    if (spot && !inSelection && event.button === 2)
      view.dispatch(view.state.tr.setSelection(TextSelection.near(view.state.doc.resolve(spot.pos))));
    const kind = linkAtSelection(view.state, chapter) ? 'link' : view.state.selection.empty ? null : 'words';
    setAbout(kind);
    if (!kind) event.stopPropagation();
  };
  const withView =
    (
      act: (store: {
        view: NonNullable<ReturnType<typeof useEditor.getState>['view']>;
        chapter: string;
      }) => void,
    ) =>
    () => {
      const { view, chapter } = useEditor.getState();
      if (view) act({ view, chapter });
    };
  return (
    <ContextMenu.Root>
      <ContextMenu.Trigger asChild>
        <div onContextMenuCapture={decide}>{children}</div>
      </ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content className="menu" onCloseAutoFocus={backToWork}>
          {about === 'words' && (
            <ContextMenu.Item
              className="menu-item"
              onSelect={withView(({ view, chapter }) => openSlip(chapter)(view.state, view.dispatch))}
            >
              Make a link of these words
            </ContextMenu.Item>
          )}
          {about === 'link' && (
            <>
              <ContextMenu.Item
                className="menu-item"
                onSelect={withView(({ view, chapter }) => openSlip(chapter)(view.state, view.dispatch))}
              >
                Change this link
              </ContextMenu.Item>
              <ContextMenu.Item
                className="menu-item"
                onSelect={withView(({ view, chapter }) =>
                  useEditor.setState({ following: linkAtSelection(view.state, chapter) }),
                )}
              >
                Follow it
              </ContextMenu.Item>
              <ContextMenu.Item
                className="menu-item"
                onSelect={withView(({ view, chapter }) => {
                  const link = linkAtSelection(view.state, chapter);
                  if (link) void copyAddress(link);
                })}
              >
                Copy its address
              </ContextMenu.Item>
              <ContextMenu.Item
                className="menu-item"
                onSelect={withView(({ view, chapter }) => {
                  removeLink(chapter)(view.state, view.dispatch);
                  view.focus();
                })}
              >
                Remove the link, keep its words
              </ContextMenu.Item>
            </>
          )}
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  );
}
