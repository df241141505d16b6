import { VERDICTS, type VerdictName } from '@vennet/core/reach';
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { destinationWords } from '../book/destination-words.js';
import { ColumnHeads } from '../parts/ColumnHeads.js';
import { SearchField } from '../parts/SearchField.js';
import { useBook } from '../book/store.js';
import { CheckPanel } from './CheckPanel.js';
import { DestinationEntry } from './DestinationEntry.js';
import { destinationsOf, type DestinationRow } from './destinations.js';
import { InsideTable } from './InsideTable.js';
import { useChecks } from './use-checks.js';
import { nounFor } from '@vennet/core/language';

const VerdictHistory = lazy(() => import('./VerdictHistory.js'));

type Filter = VerdictName | 'findings' | null;
/** Rows that are drawn at first, and more at each press. */
const PAGE = 200;

/** The room that lists every destination and every link of the book, with their verdicts and findings. */
export function Register() {
  const book = useBook((store) => store.book);
  const links = useBook((store) => store.links);
  const findings = useBook((store) => store.findings);
  const inside = useBook((store) => store.inside);
  const places = useBook((store) => store.places);
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const rows = useMemo(
    () => destinationsOf({ links, findings, placeIds, verdicts, surroundings }),
    [links, findings, placeIds, verdicts, surroundings],
  );
  const [filter, setFilter] = useState<Filter>(null);
  const [wanted, setWanted] = useState('');
  const [most, setMost] = useState(PAGE);
  const [open, setOpen] = useState<string | null>(null);
  const checks = useChecks(book?.id ?? '');
  const isSearched = wanted !== '';
  const searched = useMemo(
    () => (isSearched ? new Map(rows.map((row) => [row, wordsOf(row, { places, surroundings })])) : null),
    [isSearched, rows, places, surroundings],
  );
  // An address that was corrected is gone from its row: the author goes on with the one that has come to stand there.
  const list = useRef<HTMLDivElement>(null);
  const [left, setLeft] = useState<{ href: string; index: number } | null>(null);
  useEffect(() => {
    if (!left || rows.some(({ href }) => href === left.href)) return;
    setLeft(null);
    const entries = list.current?.querySelectorAll<HTMLElement>('[aria-expanded]') ?? [];
    if (document.activeElement === document.body) entries[Math.min(left.index, entries.length - 1)]?.focus();
  }, [left, rows]);
  if (!book) return null;
  const fits = (row: DestinationRow) =>
    (filter === null || (filter === 'findings' ? row.findings.length > 0 : row.verdict === filter)) &&
    (searched?.get(row)?.includes(wanted) ?? true);
  const shown = rows.filter(fits);
  return (
    <main className="grow overflow-auto">
      <div className="mx-auto max-w-6xl px-6 py-7">
        <div className="mb-5 flex flex-wrap items-start justify-between gap-x-8 gap-y-4">
          <div>
            <h1 className="font-text text-3xl">Register</h1>
            <p className="mt-1 text-soft">
              {rows.length} {nounFor(rows.length, 'destination', 'destinations')}, {links.length}{' '}
              {nounFor(links.length, 'link', 'links')}
            </p>
            <SearchField label="Search the Register" placeholder="Address or words" search={setWanted} />
          </div>
          <div className="flex flex-wrap items-start gap-6">
            {checks.runs.filter((run) => run.state === 'done' && run.scope === 'all').length > 1 && (
              <Suspense>
                <VerdictHistory runs={checks.runs} />
              </Suspense>
            )}
            <CheckPanel book={book.id} checks={checks} />
          </div>
        </div>
        <div className="mb-3 flex flex-wrap items-center gap-2">
          <Chip words="All" count={rows.length} on={filter === null} press={() => setFilter(null)} />
          {VERDICTS.map((verdict) => {
            const count = rows.filter((row) => row.verdict === verdict).length;
            return (
              count > 0 && (
                <Chip
                  key={verdict}
                  words={VERDICT_WORDS[verdict]}
                  mark={<VerdictMark verdict={verdict} />}
                  count={count}
                  on={filter === verdict}
                  press={() => setFilter(verdict)}
                />
              )
            );
          })}
          {findings.size + inside.length > 0 && (
            <Chip
              words="With findings"
              mark={<SeverityMark severity="should-fix" />}
              count={rows.filter((row) => row.findings.length > 0).length + inside.length}
              on={filter === 'findings'}
              press={() => setFilter('findings')}
            />
          )}
        </div>
        {links.length === 0 ? (
          <p className="rounded-md border border-dashed border-strong-line p-8 text-center text-lg">
            There is no link in this book yet. Select words in Write and press Ctrl+K or Cmd+K.
          </p>
        ) : (
          <div role="table" aria-label="Destinations" className="border-t border-strong-line">
            <ColumnHeads
              heads={['Verdict', 'Destination', 'Uses', 'Last checked', 'Findings']}
              columns="grid-cols-[8.5rem_minmax(0,1fr)_4rem_8rem_6rem]"
            />
            <div role="rowgroup" ref={list}>
              {shown.slice(0, most).map((row, index) => (
                <DestinationEntry
                  key={row.href}
                  row={row}
                  book={book}
                  open={open === row.href}
                  toggle={() => setOpen(open === row.href ? null : row.href)}
                  corrected={() => setLeft({ href: row.href, index })}
                  checks={checks}
                />
              ))}
            </div>
          </div>
        )}
        {links.length > 0 && shown.length === 0 && (
          <p className="p-8 text-center text-soft">
            No destination fits. Choose “All” or search for other words.
          </p>
        )}
        {(filter === null || filter === 'findings') && (
          <InsideTable
            findings={inside.filter(({ subject, message }) =>
              `${subject.words} ${message}`.toLowerCase().includes(wanted),
            )}
          />
        )}
        {shown.length > most && (
          <button type="button" className="button mt-4" onClick={() => setMost(most + PAGE)}>
            Show {Math.min(PAGE, shown.length - most)} more of {shown.length}
          </button>
        )}
      </div>
    </main>
  );
}

/** What a destination is searched by: its address, the words of its links, and where it leads. */
const wordsOf = ({ href, uses }: DestinationRow, about: Parameters<typeof destinationWords>[1]): string =>
  [href, destinationWords(uses[0].destination, about), ...uses.map(({ text }) => text)]
    .join('\n')
    .toLowerCase();

function Chip({
  words,
  mark,
  count,
  on,
  press,
}: {
  words: string;
  mark?: React.ReactNode;
  count: number;
  on: boolean;
  press(): void;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={press}
      className="flex cursor-pointer items-center gap-1.5 rounded-full border border-line px-3 py-0.5 hover:border-strong-line aria-pressed:border-amber aria-pressed:bg-wash aria-pressed:font-semibold"
    >
      {mark && <span aria-hidden="true">{mark}</span>}
      {words} <span className="text-soft tabular-nums">{count}</span>
    </button>
  );
}
