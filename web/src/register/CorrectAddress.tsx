import { hrefOf, type Destination } from '@vennet/core/destination';
import { message } from '@vennet/core/language';
import { useRef, useState } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { entryOf, readEntry } from '../leads-to/destination-entry.js';
import { LeadsTo } from '../leads-to/LeadsTo.js';
import { SlipForm } from '../slips/SlipForm.js';
import type { Row } from './rows.js';
import type { Checks } from './use-checks.js';

interface CorrectAddressProps {
  row: Row;
  checks: Checks;
  /** The address was corrected: the author goes on with the next one. */
  corrected(): void;
  close(): void;
}

/** Corrects an address once for all its uses, and checks a single one again. */
export function CorrectAddress({ row, checks, corrected, close }: CorrectAddressProps) {
  const [first] = row.uses;
  const stored = () => entryOf(first.destination, useBook.getState());
  const [entry, setEntry] = useState(stored);
  const field = useRef<HTMLInputElement>(null);
  const { destination } = readEntry(entry);
  const isOther = (to: Destination | null): to is Destination => to !== null && hrefOf(to) !== row.href;
  const uses = message('{count, plural, one {its one use} other {all # uses}}', { count: row.uses.length });
  const lead = async (to: Destination) => {
    const target = { href: row.href };
    const done = await openBook().bulk.repair({ target, repair: { type: 'destination', destination: to } });
    if (done) corrected();
  };
  const accept = (to: Destination | null) => {
    if (isOther(to)) void lead(to);
    else field.current?.focus();
  };
  const slip = {
    accept: () => accept(destination),
    setBack() {
      setEntry(stored());
      close();
    },
    // A change all over the book is made when it is asked for, and not by going on elsewhere.
    leave: () => {},
  };
  return (
    <SlipForm label="Correct the address" slip={slip} className="max-w-2xl">
      <LeadsTo
        field={field}
        entry={entry}
        change={setEntry}
        accept={(said) => {
          setEntry(said);
          accept(readEntry(said).destination);
        }}
      />
      <div className="mt-2.5 flex flex-wrap gap-2">
        <button
          type="submit"
          className="button"
          data-look={isOther(destination) ? 'main' : undefined}
          data-size="small"
          disabled={!isOther(destination)}
        >
          Correct it for {uses}
        </button>
        {row.asked !== null && (
          <button
            type="button"
            className="button"
            data-size="small"
            disabled={checks.current !== null}
            onClick={() => void checks.start({ hrefs: [row.asked!] })}
          >
            Check it again
          </button>
        )}
      </div>
    </SlipForm>
  );
}
