import { Dialog } from 'radix-ui';
import type { LucideIcon } from 'lucide-react';
import type { ReactNode } from 'react';

/** A button that opens a dialog as large as the window. What is in it is there only while it is open. */
export function FullDialog({
  icon: Icon,
  words,
  children,
}: {
  icon: LucideIcon;
  words: string;
  children: ReactNode;
}) {
  return (
    <Dialog.Root>
      <Dialog.Trigger className="button">
        <Icon size={16} aria-hidden="true" /> {words}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog flex !h-[calc(100vh-2rem)] !max-h-none !w-[calc(100vw-2rem)] !max-w-none flex-col !p-0"
          aria-describedby={undefined}
        >
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
