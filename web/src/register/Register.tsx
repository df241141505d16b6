import { counted, many } from '@vennet/core/language';
import type { Link } from '@vennet/core/manuscript';
import type { Plan } from '@vennet/core/repair';
import type { NextStep, ReadyStep } from '@vennet/core/reports';
import { lazy, startTransition, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useBook } from '../book/store.js';
import { SearchField } from '../parts/SearchField.js';
import { AsideDialog } from './AsideDialog.js';
import { BulkBar } from './BulkBar.js';
import { BulkDialog, type BulkWish } from './BulkDialog.js';
import { CheckPanel } from './CheckPanel.js';
import { InsideTable } from './InsideTable.js';
import { PrefixDialog } from './PrefixDialog.js';
import { RegisterTable, type RegisterTableHandle } from './RegisterTable.js';
import { ReportMenu } from './ReportMenu.js';
import { RowPanel } from './RowPanel.js';
import { mapped, useInSlices, type Sliced } from '../parts/use-in-slices.js';
import { destinationRows, linkRows, type Row } from './rows.js';
import { RulesDialog } from './RulesDialog.js';
import { useSavedViews } from './saved-views.js';
import { SetAsideDialog, type AsideWish } from './SetAsideDialog.js';
import { useChecks } from './use-checks.js';
import {
  COLUMNS_OF,
  countsOf,
  FIRST_VIEW,
  fits,
  groupsOf,
  sorted,
  type Line,
  type RowGroup,
  type View,
} from './view.js';
import { ViewBar } from './ViewBar.js';
import { WhatNow } from './WhatNow.js';
import { WordsStepper } from './WordsStepper.js';

const VerdictHistory = lazy(() => import('./VerdictHistory.js'));

/** What is asked of the author over the list. */
interface Asked {
  bulk: BulkWish | null;
  words: { links: Link[]; words: string; plan: Plan | null } | null;
  aside: AsideWish | null;
  panel: 'prefix' | 'rules' | 'aside' | null;
}
const NOTHING: Asked = { bulk: null, words: null, aside: null, panel: null };

/** The room that lists every destination and every link of the book, with their verdicts and findings. */
export function Register() {
  const book = useBook((store) => store.book);
  const links = useBook((store) => store.links);
  const inside = useBook((store) => store.inside);
  const aside = useBook((store) => store.choices.aside);
  const checks = useChecks(book?.id ?? '');
  const [view, setView] = useState<View>(FIRST_VIEW);
  const change = useCallback(
    (more: Partial<View>) => startTransition(() => setView((now) => ({ ...now, ...more }))),
    [],
  );
  const [only, setOnly] = useState<NextStep | null>(null);
  const [closed, setClosed] = useState<ReadonlySet<string>>(new Set());
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [asked, setAsked] = useState(NOTHING);
  const ask = (more: Partial<Asked>) => setAsked({ ...NOTHING, ...more });
  const [open, setOpen] = useState<{ key: string; row: string; index: number } | null>(null);
  const scroller = useRef<HTMLElement>(null);
  const saved = useSavedViews();

  const made = useLines(view, only, closed);
  const { total, destinations, byKey, filters, shown, lines } = made ?? NO_LINES;
  const openRow = open ? (byKey.get(open.row) ?? null) : null;
  // An address that was corrected is gone from its row: the author goes on with the one that has come to stand there.
  const list = useRef<RegisterTableHandle>(null);
  useEffect(() => {
    if (open && !openRow && byKey.size > 0) {
      setOpen(null);
      list.current?.goTo(open.index);
    }
  }, [open, openRow, byKey]);
  const close = () => {
    const index = open?.index ?? 0;
    setOpen(null);
    requestAnimationFrame(() => list.current?.goTo(index));
  };
  if (!book) return null;
  const today = new Date().toISOString().slice(0, 10);
  const tick = (some: readonly Row[], on: boolean) =>
    setTicked((now) => {
      const next = new Set(now);
      for (const { key } of some)
        if (on) next.add(key);
        else next.delete(key);
      return next;
    });
  const tickedRows = [...ticked].flatMap((key) => byKey.get(key) ?? []);
  const clear = () => setTicked(new Set());
  const take = ({ way, words, plan, links: own }: ReadyStep) =>
    ask(way === 'words' ? { words: { links: own, words, plan } } : { bulk: { words, plan } });
  const insideShown = inside.filter(({ subject, message }) =>
    `${subject.words} ${message}`.toLowerCase().includes(view.searched),
  );
  return (
    <main ref={scroller} className="grow overflow-auto">
      <div className="mx-auto max-w-[92rem] px-6 py-7">
        <div className="mb-5 flex flex-wrap items-start justify-between gap-x-8 gap-y-4">
          <div>
            <h1 className="font-text text-3xl">Register</h1>
            <p className="mt-1 text-soft">
              {made && `${counted(destinations, 'destination', 'destinations')}, `}
              {counted(links.length, 'link', 'links')}
            </p>
            <SearchField
              label="Search the Register"
              placeholder="Address or words"
              search={(searched) => change({ searched })}
            />
          </div>
          <div className="flex flex-wrap items-start gap-5">
            {checks.runs.filter((run) => run.state === 'done' && run.scope === 'all').length > 1 && (
              <Suspense>
                <VerdictHistory runs={checks.runs} />
              </Suspense>
            )}
            <ReportMenu book={book.id} />
            <CheckPanel book={book.id} checks={checks} />
          </div>
        </div>
        <WhatNow
          runs={checks.runs}
          today={today}
          take={take}
          showRows={(step) => {
            setOnly(step);
            change({ by: 'link', filter: null, sort: null, columns: COLUMNS_OF.link });
          }}
        />
        <ViewBar view={view} change={change} total={total} counts={filters} saved={saved}>
          <span className="ml-auto flex flex-wrap items-center gap-1">
            <Tool words="Change a site everywhere …" press={() => ask({ panel: 'prefix' })} />
            <Tool words="Rules …" press={() => ask({ panel: 'rules' })} />
            <Tool words="Set aside" count={aside.length} press={() => ask({ panel: 'aside' })} />
          </span>
        </ViewBar>
        {only && (
          <p className="mb-2 inline-flex items-center gap-2 rounded-full border border-amber bg-wash px-3 py-0.5 text-sm">
            Only: {only.words}
            <button type="button" className="cursor-pointer underline" onClick={() => setOnly(null)}>
              Show all
            </button>
          </p>
        )}
        <BulkBar
          rows={tickedRows}
          clear={clear}
          preview={(bulk) => ask({ bulk })}
          pickWords={(some) =>
            ask({ words: { links: some, words: 'Words for links, one by one', plan: null } })
          }
          setAside={(wish) => ask({ aside: wish })}
        />
        {links.length === 0 ? (
          <p className="rounded-md border border-dashed border-strong-line p-8 text-center text-lg">
            There is no link in this book yet. Select words in Write and press Ctrl+K or Cmd+K.
          </p>
        ) : (
          <div className={openRow ? 'grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_26rem]' : ''}>
            <RegisterTable
              ref={list}
              label={view.by === 'destination' || view.by === 'site' ? 'Destinations' : 'Links'}
              lines={lines}
              columns={view.columns}
              sort={view.sort}
              setSort={(sort) => change({ sort })}
              open={open?.key ?? null}
              show={(row, key) => {
                const index = lines.findIndex((line) => line.kind === 'row' && line.key === key);
                setOpen(open?.key === key ? null : { key, row: row.key, index });
              }}
              toggle={({ id }: RowGroup) =>
                setClosed((now) => {
                  const next = new Set(now);
                  if (!next.delete(id)) next.add(id);
                  return next;
                })
              }
              ticked={ticked}
              tick={tick}
              scroller={scroller}
            />
            {openRow && open && (
              <RowPanel
                key={open.key}
                row={openRow}
                book={book}
                checks={checks}
                close={close}
                corrected={() => setOpen({ ...open })}
                repaired={() => list.current?.goTo(open.index)}
                setAside={(wish) => ask({ aside: wish })}
              />
            )}
          </div>
        )}
        {made !== null && links.length > 0 && shown.length === 0 && (
          <p className="p-8 text-center text-soft">
            No {view.by === 'destination' || view.by === 'site' ? 'destination' : 'link'} fits. Choose “All”
            or search for other words.
          </p>
        )}
        {(view.filter === null || view.filter === 'findings') && only === null && (
          <InsideTable findings={insideShown} />
        )}
      </div>
      <BulkDialog wish={asked.bulk} checks={checks} close={() => ask({})} done={clear} />
      <WordsStepper
        links={asked.words?.links ?? null}
        plan={asked.words?.plan ?? null}
        words={asked.words?.words ?? ''}
        close={() => ask({})}
        done={clear}
      />
      <SetAsideDialog wish={asked.aside} close={() => ask({})} />
      <PrefixDialog
        links={links}
        open={asked.panel === 'prefix'}
        close={() => ask({})}
        preview={(bulk) => ask({ bulk })}
      />
      <RulesDialog open={asked.panel === 'rules'} show={(on) => ask({ panel: on ? 'rules' : null })} />
      <AsideDialog open={asked.panel === 'aside'} show={(on) => ask({ panel: on ? 'aside' : null })} />
    </main>
  );
}

function Tool({ words, count, press }: { words: string; count?: number; press(): void }) {
  return (
    <button type="button" className="button" data-size="small" data-look="quiet" onClick={press}>
      {words} {count !== undefined && <span className="text-soft tabular-nums">{many(count)}</span>}
    </button>
  );
}

/** What is drawn of a view, made in slices: its rows, those that are shown, in their order and under their headings, and how many fit each filter. */
function useLines(view: View, only: NextStep | null, closed: ReadonlySet<string>): Lines | null {
  const book = useBook((store) => store.book);
  const links = useBook((store) => store.links);
  const findings = useBook((store) => store.findings);
  const places = useBook((store) => store.places);
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const { by, filter, searched, sort } = view;
  const isGrouped = by === 'destination' || by === 'site';
  const chapters = book?.chapters;
  const made = useInSlices(
    function* () {
      if (!chapters) return null;
      const known = { chapters, links, findings, places, placeIds, verdicts, surroundings };
      const rows = yield* isGrouped ? destinationRows(known) : linkRows(known);
      const inOrder = yield* sorted(rows, null);
      const byKey = new Map(rows.map((row) => [row.key, row]));
      yield;
      const destinations = new Set(links.map(({ href }) => href)).size;
      return { rows, inOrder, byKey, destinations, filters: countsOf(rows) };
    },
    [chapters, links, findings, places, placeIds, verdicts, surroundings, isGrouped],
  );
  const wanted = useMemo(() => (only ? new Set(only.links.map(({ id }) => id)) : null), [only]);
  const inOrder = useInSlices(
    function* () {
      if (!made) return null;
      return sort ? yield* sorted(made.rows, sort) : made.inOrder;
    },
    [made, sort],
  );
  return useInSlices(
    function* (): Sliced<Lines | null> {
      if (!made || !inOrder) return null;
      const shown: Row[] = [];
      yield* mapped(inOrder, (row) => {
        if (fits({ filter, searched }, row) && (wanted === null || row.uses.some(({ id }) => wanted.has(id))))
          shown.push(row);
      });
      const asRow = (row: Row, key: string): Line => ({ kind: 'row', row, key });
      const { byKey, filters, destinations } = made;
      const known = { total: made.rows.length, destinations, byKey, filters, shown };
      if (by === 'destination' || by === 'link')
        return { ...known, lines: yield* mapped(shown, (row) => asRow(row, row.key)) };
      const lines: Line[] = [];
      for (const group of groupsOf(by, shown, chapters ?? [])) {
        const open = !closed.has(group.id);
        lines.push({ kind: 'group', group, open });
        if (open) lines.push(...(yield* mapped(group.rows, (row) => asRow(row, `${group.id} ${row.key}`))));
      }
      return { ...known, lines };
    },
    [made, inOrder, by, filter, searched, wanted, closed, chapters],
  );
}

interface Lines {
  /** Of the whole book. */
  total: number;
  destinations: number;
  byKey: ReadonlyMap<string, Row>;
  filters: ReturnType<typeof countsOf>;
  shown: Row[];
  lines: Line[];
}

const NO_LINES: Lines = {
  total: 0,
  destinations: 0,
  byKey: new Map(),
  filters: new Map(),
  shown: [],
  lines: [],
};
