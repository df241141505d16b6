import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { KEY_SHEET } from '../editor/keys.js';

const MOD = /Mac|iPhone|iPad/.test(navigator.userAgent) ? 'Cmd' : 'Ctrl';

/** The sheet of keys, opened with `?` or from the frame. */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const within = event.target as HTMLElement;
      if (event.key !== '?' || within.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(within.tagName))
        return;
      setOpen(true);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="button" data-look="quiet" data-size="small" title="Keys (?)">
        <span aria-hidden="true">?</span>
        <span className="sr-only">Keys</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog" aria-describedby={undefined}>
          <div className="mb-4 flex items-center justify-between">
            <Dialog.Title className="text-xl font-semibold">Keys</Dialog.Title>
            <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {KEY_SHEET.map(({ group, keys }) => (
            <section key={group} className="mb-4">
              <h2 className="mb-1 font-semibold text-soft">{group}</h2>
              <dl>
                {keys.map(([combination, words]) => (
                  <div key={combination} className="flex gap-4 border-t border-line py-1">
                    <dt className="w-40 shrink-0 font-semibold">{combination.replace('Mod', MOD)}</dt>
                    <dd>{words}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
