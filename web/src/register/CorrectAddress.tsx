import { hrefOf, type Destination } from '@vennet/core/destination';
import { useRef, useState, type FormEvent } from 'react';
import { useBook } from '../book/store.js';
import { entryOf, readEntry } from '../leads-to/destination-entry.js';
import { startCompanion } from '../leads-to/start-companion.js';
import { LeadsTo } from '../leads-to/LeadsTo.js';
import type { DestinationRow } from './destinations.js';
import type { Checks } from './use-checks.js';
import { openBook } from '../book/open-book.js';
import { message } from '@vennet/core/language';

/** Corrects an address once for all its uses, and checks a single one again. */
export function CorrectAddress({ row, checks }: { row: DestinationRow; checks: Checks }) {
  const [entry, setEntry] = useState(() => entryOf(row.uses[0].destination, useBook.getState()));
  const field = useRef<HTMLInputElement>(null);
  const { destination } = readEntry(entry);
  const changed = destination !== null && hrefOf(destination) !== row.href;
  const uses = message('{count, plural, one {its one use} other {all # uses}}', { count: row.uses.length });
  const correct = (event: FormEvent) => {
    event.preventDefault();
    if (destination && changed) lead(destination);
  };
  const lead = (to: Destination) =>
    void openBook().bulk.repair({
      target: { href: row.href },
      repair: { type: 'destination', destination: to },
    });
  return (
    <form onSubmit={correct} aria-label="Correct the address" className="max-w-2xl">
      <LeadsTo
        field={field}
        entry={entry}
        change={setEntry}
        companion={(title, goThere) => void startCompanion(title, goThere, lead)}
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
              void openBook().bulk.repair({
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
