import { recognise } from '@vennet/core/destination';
import { useRef, useState, type FormEvent } from 'react';
import { LeadsTo } from '../write/LeadsTo.js';
import type { DestinationRow } from './destinations.js';
import { repairInBook } from './repair-in-book.js';
import type { Checks } from './use-checks.js';

/** Corrects an address once for all its uses, and checks a single one again. */
export function CorrectAddress({ row, book, checks }: { row: DestinationRow; book: string; checks: Checks }) {
  const [typed, setTyped] = useState(row.href);
  const [untracked, setUntracked] = useState(true);
  const field = useRef<HTMLInputElement>(null);
  const recognition = recognise(typed);
  const destination = recognition.ok ? (untracked ? recognition.untracked : recognition.destination) : null;
  const changed = typed.trim() !== row.href;
  const uses = row.uses.length === 1 ? 'its one use' : `all ${row.uses.length} uses`;
  const correct = (event: FormEvent) => {
    event.preventDefault();
    if (destination && changed)
      void repairInBook(book, { target: { href: row.href }, repair: { type: 'destination', destination } });
  };
  return (
    <form onSubmit={correct} aria-label="Correct the address" className="max-w-2xl">
      <LeadsTo
        field={field}
        typed={typed}
        recognition={recognition}
        untracked={untracked}
        change={setTyped}
        setUntracked={setUntracked}
      />
      <div className="mt-2.5 flex flex-wrap gap-2">
        <button
          type="submit"
          className="button"
          data-look={changed ? 'main' : undefined}
          data-size="small"
          disabled={!changed || !destination}
        >
          Correct it for {uses}
        </button>
        {row.movedTo && (
          <button
            type="button"
            className="button !h-auto text-left break-all"
            data-size="small"
            onClick={() =>
              row.movedTo &&
              void repairInBook(book, {
                target: { href: row.href },
                repair: { type: 'destination', destination: { kind: 'web', href: row.movedTo } },
              })
            }
          >
            Lead to {row.movedTo}
          </button>
        )}
        {row.uses[0].kind === 'web' && (
          <button
            type="button"
            className="button"
            data-size="small"
            disabled={checks.current !== null}
            onClick={() => void checks.start([row.href])}
          >
            Check it again
          </button>
        )}
      </div>
    </form>
  );
}
