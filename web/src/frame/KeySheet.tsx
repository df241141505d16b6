import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { KEY_SHEET } from '../editor/keys.js';
import { SearchField } from '../parts/SearchField.js';
import { GUIDE } from './guide.js';

const MOD = /Mac|iPhone|iPad/.test(navigator.userAgent) ? 'Cmd' : 'Ctrl';

/** The sheet of keys, opened with `?` or from the frame. */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState('');
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
    <Dialog.Root
      open={open}
      onOpenChange={(now) => {
        setWanted('');
        setOpen(now);
      }}
    >
      <Dialog.Trigger className="button" data-look="quiet" data-size="small" title="Keys and guide (?)">
        <span aria-hidden="true">?</span>
        <span className="sr-only">Keys and guide</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog !w-[min(46rem,calc(100vw-2rem))]" aria-describedby={undefined}>
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-xl font-semibold">Keys and guide</Dialog.Title>
            <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <SearchField label="Search keys and guide" placeholder="What you want to do" search={setWanted} />
          <Guide wanted={wanted} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Lines of keys and of the guide that have all the words that are searched for. */
function Guide({ wanted }: { wanted: string }) {
  const words = wanted.split(/\s+/).filter(Boolean);
  const fits = (...said: string[]) => words.every((word) => said.join(' ').toLowerCase().includes(word));
  const keys = KEY_SHEET.map(({ group, keys: all }) => ({
    group,
    keys: all.filter(([combination, about]) => fits(group, combination, about)),
  })).filter(({ keys: left }) => left.length > 0);
  const guide = GUIDE.filter(([what, about]) => fits(what, about));
  return (
    <div className="mt-4">
      {guide.length > 0 && (
        <section className="mb-4">
          <h2 className="mb-1 font-semibold text-soft">Guide</h2>
          <dl>
            {guide.map(([what, about]) => (
              <div key={what} className="border-t border-line py-1.5">
                <dt className="font-semibold">{what}</dt>
                <dd>{about}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {keys.map(({ group, keys: left }) => (
        <section key={group} className="mb-4">
          <h2 className="mb-1 font-semibold text-soft">{group}</h2>
          <dl>
            {left.map(([combination, about]) => (
              <div key={combination + about} className="flex gap-4 border-t border-line py-1">
                <dt className="w-40 shrink-0 font-semibold">{combination.replace('Mod', MOD)}</dt>
                <dd>{about}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      {guide.length + keys.length === 0 && <p>Nothing fits. Try other words.</p>}
    </div>
  );
}
