import type { Repair } from '@vennet/core/repair';
import type { Manuscript, RepairTarget } from '@vennet/core/wire';
import { ChevronRight } from 'lucide-react';
import { useRef } from 'react';
import { Link as RouterLink } from 'react-router';
import { destinationWords } from '../book/destination-words.js';
import { KindMark } from '../parts/KindMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { useBook } from '../book/store.js';
import { FindingLine } from '../findings/FindingLine.js';
import { VerdictOffers } from '../findings/VerdictOffers.js';
import { CorrectAddress } from './CorrectAddress.js';
import type { DestinationRow } from './destinations.js';
import { History } from './History.js';
import { Saying } from './Saying.js';
import type { Checks } from './use-checks.js';
import { openBook } from '../book/open-book.js';
import { when } from '../parts/when.js';

interface EntryProps {
  row: DestinationRow;
  book: Manuscript;
  open: boolean;
  toggle(): void;
  /** Its address was corrected for all its uses. */
  corrected(): void;
  checks: Checks;
}

/** One destination; opened, it shows each use in its sentence, and what can be done about it. */
export function DestinationEntry({ row, book, open, toggle, corrected, checks }: EntryProps) {
  const opener = useRef<HTMLButtonElement>(null);
  const toOpener = () => opener.current?.focus();
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const [first] = row.uses;
  const repairAll = async (change: Repair) => {
    const done = await openBook().bulk.repair({ target: { href: row.href }, repair: change });
    if (done && change.type === 'destination') corrected();
  };
  return (
    <div
      className="border-b border-line [contain-intrinsic-height:auto_2.25rem] [content-visibility:auto]"
      style={open ? { background: 'var(--sheet)' } : undefined}
    >
      <div
        role="row"
        className="grid grid-cols-[8.5rem_minmax(0,1fr)_4rem_8rem_6rem] items-center gap-3 px-2 py-1.5 hover:bg-raised max-md:grid-cols-[7rem_minmax(0,1fr)]"
      >
        <span role="cell">
          <VerdictMark verdict={row.verdict} withWord />
        </span>
        <span role="cell" className="min-w-0">
          <button
            ref={opener}
            type="button"
            aria-expanded={open}
            className="flex w-full cursor-pointer items-center gap-2 text-left"
            onClick={toggle}
          >
            <ChevronRight
              size={15}
              aria-hidden="true"
              className={`shrink-0 text-soft transition-transform ${open ? 'rotate-90' : ''}`}
            />
            <KindMark kind={first.kind} />
            <span className={open ? 'break-all' : 'truncate'}>
              {destinationWords(first.destination, { places, surroundings })}
            </span>
          </button>
        </span>
        <span role="cell" className="tabular-nums max-md:hidden">
          {row.uses.length}
        </span>
        <span role="cell" className="text-sm text-soft max-md:hidden">
          {row.checkedAt ? when(row.checkedAt, 'short') : row.asked === null ? '' : 'never'}
        </span>
        <span role="cell" className="flex items-center gap-1 max-md:hidden">
          {row.findings[0] && (
            <>
              <SeverityMark severity={row.findings[0].severity} />
              <span className="tabular-nums">{row.findings.length}</span>
            </>
          )}
        </span>
      </div>
      {open && (
        <div role="row">
          <div role="cell" className="pr-4 pb-5 pl-[9.75rem] max-md:pl-4">
            <p>{row.about.reason}</p>
            {first.kind === 'web' && <p className="text-sm break-all text-soft">{row.href}</p>}
            {row.about.quote && (
              <p className="mt-0.5 text-sm break-words text-soft">Found: “{row.about.quote}”</p>
            )}
            {first.kind === 'web' && (
              <VerdictOffers
                verdict={row.about}
                besideToo={row.uses.some(({ carrier }) => carrier === 'text')}
                repair={(change) => void repairAll(change)}
              />
            )}
            {row.asked !== null && 'said' in row.about && (
              <>
                <Saying book={book.id} href={row.asked} about={row.about} />
                <History key={row.about.checkedAt} book={book.id} href={row.asked} />
              </>
            )}
            <Uses row={row} book={book} repaired={toOpener} />
            <CorrectAddress
              row={row}
              checks={checks}
              corrected={corrected}
              close={() => {
                toggle();
                toOpener();
              }}
            />
          </div>
        </div>
      )}
    </div>
  );
}

function Uses({ row, book, repaired }: { row: DestinationRow; book: Manuscript; repaired(): void }) {
  const findings = useBook((store) => store.findings);
  const repair = (target: RepairTarget) => async (change: Repair) => {
    if (await openBook().bulk.repair({ target, repair: change })) repaired();
  };
  return (
    <ul aria-label="Uses" className="mb-4 space-y-3">
      {row.uses.map((link) => (
        <li key={link.id} className="border-l-2 border-line pl-4">
          <p className="font-text leading-relaxed">
            {link.before}
            <mark className="rounded-sm bg-wash px-0.5 text-ink">{link.text || '(no words)'}</mark>
            {link.after}
          </p>
          <p className="mt-0.5 flex flex-wrap gap-x-3 text-sm text-soft">
            {book.chapters.find(({ id }) => id === link.chapter)?.title}
            <RouterLink
              className="text-ink underline"
              to={`/books/${book.id}/write/${link.chapter}?link=${link.id}`}
            >
              Show it in the text
            </RouterLink>
          </p>
          {(findings.get(link.id) ?? []).map((finding) => (
            <div key={finding.rule} className="mt-2">
              <FindingLine finding={finding} repair={(change) => void repair({ links: [link.id] })(change)} />
            </div>
          ))}
        </li>
      ))}
    </ul>
  );
}
