import { printOf, type Finding } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import type { NewSetAside } from '@vennet/core/wire';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { Labelled } from '../parts/Labelled.js';

/** What is to be set aside, before the author has said why. */
export interface AsideWish {
  words: string;
  entries: Omit<NewSetAside, 'reason' | 'until'>[];
}

/** A finding of a link as it is set aside: for its words, its address and its verdict of now. */
export function asideOfFinding(link: Link, { rule }: Finding): AsideWish['entries'][number] {
  const { verdicts } = useBook.getState();
  return { rule, of: link.id, print: printOf(link, { answers: verdicts }) };
}

/** Asks why something is left as it is, and until when. */
export function SetAsideDialog({ wish, close }: { wish: AsideWish | null; close(): void }) {
  return (
    <Dialog.Root open={wish !== null} onOpenChange={close}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        {wish && <Asked wish={wish} close={close} />}
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Asked({ wish, close }: { wish: AsideWish; close(): void }) {
  const [reason, setReason] = useState('');
  const [until, setUntil] = useState('');
  const put = async () => {
    if (reason.trim() === '') return;
    const entries = wish.entries.map((entry) => ({ ...entry, reason: reason.trim(), until }));
    if (await openBook().survey.setAside(entries)) close();
  };
  return (
    <Dialog.Content className="dialog">
      <Dialog.Title className="text-xl font-semibold">Set aside</Dialog.Title>
      <Dialog.Description className="mt-1 text-soft">{wish.words}</Dialog.Description>
      <form
        className="mt-3 space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          void put();
        }}
      >
        <Labelled label="Why it stays as it is">
          {(id) => (
            <textarea
              id={id}
              className="field"
              rows={3}
              required
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          )}
        </Labelled>
        <Labelled label="Until (left empty: as long as link, words and verdict stay as they are)">
          {(id) => (
            <input
              id={id}
              type="date"
              className="field !w-44"
              value={until}
              onChange={(event) => setUntil(event.target.value)}
            />
          )}
        </Labelled>
        <div className="flex justify-end gap-2 pt-1">
          <Dialog.Close className="button" data-look="quiet">
            Not now
          </Dialog.Close>
          <button type="submit" className="button" data-look="main" disabled={reason.trim() === ''}>
            Set it aside
          </button>
        </div>
      </form>
    </Dialog.Content>
  );
}
