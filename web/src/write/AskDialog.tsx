import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useEditor } from '../editor/state/store.js';
import { askFor, useWriteAsk, type WriteAsk } from './write-asks.js';

/**
 * A dialog that asks for something the text is to have. What was accepted is done once the dialog is gone and the text has the focus
 * again.
 */
export function AskDialog({
  ask,
  title,
  width = '26rem',
  children,
}: {
  ask: WriteAsk;
  title: string;
  width?: string;
  children: ReactNode;
}) {
  const isOpen = useWriteAsk((store) => store.ask === ask);
  const closed = (event: Event) => {
    event.preventDefault();
    const { view } = useEditor.getState();
    view?.focus();
    const { accepted } = useWriteAsk.getState();
    askFor(null);
    if (view) accepted?.(view.state, view.dispatch);
  };
  return (
    <Dialog.Root open={isOpen} onOpenChange={(open) => !open && askFor(null)}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog"
          style={{ width: `min(${width}, calc(100vw - 2rem))` }}
          aria-describedby={undefined}
          onCloseAutoFocus={closed}
        >
          <Dialog.Title className="mb-4 text-xl font-semibold">{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The buttons at the foot of such a dialog. */
export const AskButtons = ({ words, off = false }: { words: string; off?: boolean }) => (
  <div className="flex justify-end gap-2 pt-2">
    <Dialog.Close className="button" data-look="quiet" type="button">
      Not now
    </Dialog.Close>
    <button className="button" data-look="main" disabled={off}>
      {words}
    </button>
  </div>
);
