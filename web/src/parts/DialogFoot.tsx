import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** The buttons at the foot of a dialog: to leave it as it is, and to do what it is for. */
export function DialogFoot({ children, off, act }: { children: ReactNode; off: boolean; act(): void }) {
  return (
    <div className="mt-4 flex justify-end gap-2">
      <Dialog.Close className="button" data-look="quiet">
        Not now
      </Dialog.Close>
      <button type="button" className="button" data-look="main" disabled={off} onClick={act}>
        {children}
      </button>
    </div>
  );
}
