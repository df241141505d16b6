import { counted } from '@vennet/core/language';
import type { Link } from '@vennet/core/manuscript';
import { faultInPrefixes, planPrefix } from '@vennet/core/repair';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { Labelled } from '../parts/Labelled.js';
import type { BulkWish } from './BulkDialog.js';

interface PrefixProps {
  links: readonly Link[];
  open: boolean;
  close(): void;
  preview(wish: BulkWish): void;
}

/** Puts another beginning before all addresses that have one: a site that has moved as a whole. */
export function PrefixDialog({ open, close, ...more }: PrefixProps) {
  return (
    <Dialog.Root open={open} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content className="dialog">
          <Dialog.Title className="text-xl font-semibold">Change a site everywhere</Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            Every address with this beginning gets another one. What follows it stays. Without http or https,
            both are meant.
          </Dialog.Description>
          <Fields close={close} {...more} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Fields({ links, close, preview }: Omit<PrefixProps, 'open'>) {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const isTyped = from.trim() !== '' && to.trim() !== '';
  const fault = isTyped ? faultInPrefixes(from, to) : null;
  const plan = useMemo(() => planPrefix(links, from, to), [links, from, to]);
  const count = plan.planned.length + plan.refused.length;
  return (
    <form
      className="mt-3 space-y-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (count === 0) return;
        close();
        preview({ words: `${from.trim()} becomes ${to.trim()}`, plan });
      }}
    >
      <Labelled label="Addresses that begin with">
        {(id) => (
          <input
            id={id}
            className="field"
            placeholder="http://old.example/a/"
            value={from}
            onChange={(event) => setFrom(event.target.value)}
          />
        )}
      </Labelled>
      <Labelled label="begin with this instead">
        {(id) => (
          <input
            id={id}
            className="field"
            placeholder="https://new.example/b/"
            value={to}
            onChange={(event) => setTo(event.target.value)}
          />
        )}
      </Labelled>
      <p role="status" className="text-sm text-soft">
        {fault ?? (isTyped ? `${counted(count, 'link has', 'links have')} it.` : '')}
      </p>
      <div className="flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Not now
        </Dialog.Close>
        <button type="submit" className="button" data-look="main" disabled={fault !== null || count === 0}>
          See what would change
        </button>
      </div>
    </form>
  );
}
