import {
  columnVisibilityFeature,
  createColumnHelper,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, ChevronDown, ChevronRight } from 'lucide-react';
import { useEffect, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react';
import { counted } from '@vennet/core/language';
import { KindMark } from '../parts/KindMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';
import { worstOf, type Row } from './rows.js';
import { COLUMNS, type ColumnName, type Line, type RowGroup, type Sort } from './view.js';

interface TableProps {
  lines: readonly Line[];
  columns: readonly ColumnName[];
  sort: Sort | null;
  setSort(sort: Sort | null): void;
  /** The row that is open beside the list, by its key in it. */
  open: string | null;
  show(row: Row, key: string): void;
  toggle(group: RowGroup): void;
  ticked: ReadonlySet<string>;
  tick(rows: readonly Row[], on: boolean): void;
  /** What scrolls. */
  scroller: RefObject<HTMLElement | null>;
  label: string;
}

export const COLUMN_WORDS: Record<ColumnName, string> = {
  verdict: 'Verdict',
  leads: 'Leads to',
  words: 'Words',
  chapter: 'Chapter',
  title: 'Title of the page',
  uses: 'Uses',
  checked: 'Last checked',
  findings: 'Findings',
};

const WIDTHS: Record<ColumnName, string> = {
  verdict: '8.2rem',
  leads: 'minmax(0,3fr)',
  words: 'minmax(0,2fr)',
  chapter: 'minmax(0,1.4fr)',
  title: 'minmax(0,2fr)',
  uses: '3.5rem',
  checked: '9.5rem',
  findings: '5.5rem',
};

const CELLS: Record<ColumnName, (row: Row) => React.ReactNode> = {
  verdict: ({ verdict }) => <VerdictMark verdict={verdict} withWord />,
  leads: ({ leads, uses: [{ kind }] }) => (
    <span className="flex min-w-0 items-center gap-2">
      <KindMark kind={kind} />
      <span className="truncate">{leads}</span>
    </span>
  ),
  words: ({ words }) => <span className="block truncate font-text">{words || '(no words)'}</span>,
  chapter: ({ chapter }) => <span className="block truncate text-sm text-soft">{chapter}</span>,
  title: ({ title }) => <span className="block truncate text-sm">{title}</span>,
  uses: ({ uses }) => <span className="tabular-nums">{uses.length}</span>,
  checked: ({ checkedAt, asked }) => (
    <span className="block truncate text-sm text-soft">
      {checkedAt ? when(checkedAt, 'short') : asked === null ? '' : 'never'}
    </span>
  ),
  findings: ({ findings }) => {
    const worst = worstOf(findings);
    return (
      worst && (
        <span className="flex items-center gap-1">
          <SeverityMark severity={worst} />
          <span className="tabular-nums">{findings.length}</span>
        </span>
      )
    );
  },
};

const features = tableFeatures({ columnVisibilityFeature, rowSortingFeature });
const helper = createColumnHelper<typeof features, Row>();
const DEFINITIONS = helper.columns(
  COLUMNS.map((name) => helper.accessor((row) => row.rank, { id: name, header: COLUMN_WORDS[name] })),
);

/** So many lines are drawn above and below those that can be seen: a long list scrolls without gaps, and one this short is drawn whole. */
const OVERSCAN = 40;
const SHORT = 250;
const HEIGHT = 37;

/** The list of a view. Only the lines around those that can be seen are drawn; the columns are those that the author chose. */
export function RegisterTable(props: TableProps) {
  const { lines, columns, sort, setSort, open, show, toggle, ticked, tick, scroller, label } = props;
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- its values stay in this component
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => HEIGHT,
    overscan: lines.length <= SHORT ? SHORT : OVERSCAN,
    scrollMargin: box.current?.offsetTop ?? 0,
  });
  const drawn = virtual.getVirtualItems();
  const [first = 0, last = 0] = [drawn[0]?.index, drawn.at(-1)?.index];
  const rows = useMemo(
    () => lines.slice(first, last + 1).flatMap((line) => (line.kind === 'row' ? [line.row] : [])),
    [lines, first, last],
  );
  const visibility = useMemo(
    () => Object.fromEntries(COLUMNS.map((name) => [name, columns.includes(name)])),
    [columns],
  );
  const table = useTable({
    features,
    columns: DEFINITIONS,
    data: rows,
    manualSorting: true,
    state: { columnVisibility: visibility, sorting: sort ? [{ id: sort.column, desc: sort.down }] : [] },
  });
  const shown = table.getVisibleLeafColumns().map(({ id }) => id as ColumnName);
  const template = `2rem ${shown.map((name) => WIDTHS[name]).join(' ')}`;

  // The way through the list by key: up and down, to its ends, a tick by the space bar.
  const wanted = useRef<number | null>(null);
  useEffect(() => {
    if (wanted.current === null) return;
    const line = box.current?.querySelector<HTMLElement>(`[data-line="${wanted.current}"] [data-opener]`);
    if (!line) return;
    wanted.current = null;
    line.focus({ preventScroll: true });
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const line = (event.target as HTMLElement).closest<HTMLElement>('[data-line]');
    if (!line || event.ctrlKey || event.metaKey || event.altKey) return;
    const at = Number(line.dataset.line);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: lines.length - 1 }[event.key];
    if (to === undefined || to < 0 || to >= lines.length) return;
    event.preventDefault();
    wanted.current = to;
    virtual.scrollToIndex(to, { align: 'auto' });
    box.current
      ?.querySelector<HTMLElement>(`[data-line="${to}"] [data-opener]`)
      ?.focus({ preventScroll: true });
  };

  const press = (column: ColumnName) => {
    if (sort?.column !== column) setSort({ column, down: false });
    else setSort(sort.down ? null : { column, down: true });
  };
  const all = useMemo(() => lines.flatMap((line) => (line.kind === 'row' ? [line.row] : [])), [lines]);
  const everyTicked = all.length > 0 && all.every(({ key }) => ticked.has(key));
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- its lines take the focus and the keys
    <div
      role="table"
      aria-label={label}
      aria-rowcount={lines.length + 1}
      className="border-t border-strong-line"
      onKeyDown={onKeyDown}
    >
      <div role="rowgroup">
        <div
          role="row"
          aria-rowindex={1}
          className="grid items-center gap-3 border-b border-line px-2 py-1.5 text-sm font-semibold text-soft max-md:flex"
          style={{ gridTemplateColumns: template }}
        >
          <span role="columnheader">
            <input
              type="checkbox"
              className="accent-amber align-middle"
              aria-label="Tick all that are shown"
              checked={everyTicked}
              onChange={() => tick(all, !everyTicked)}
            />
          </span>
          {shown.map((name) => {
            const isSorted = sort?.column === name;
            return (
              <span
                key={name}
                role="columnheader"
                className="min-w-0 max-md:hidden"
                aria-sort={isSorted ? (sort.down ? 'descending' : 'ascending') : 'none'}
              >
                <button
                  type="button"
                  className="flex max-w-full cursor-pointer items-center gap-1 hover:text-ink"
                  onClick={() => press(name)}
                >
                  <span className="truncate">{COLUMN_WORDS[name]}</span>
                  {isSorted &&
                    (sort.down ? (
                      <ArrowDown size={13} aria-hidden="true" />
                    ) : (
                      <ArrowUp size={13} aria-hidden="true" />
                    ))}
                </button>
              </span>
            );
          })}
        </div>
      </div>
      <div ref={box} role="rowgroup" className="relative" style={{ height: virtual.getTotalSize() }}>
        {drawn.map(({ index, start }) => {
          const line = lines[index]!;
          const place = {
            transform: `translateY(${start - virtual.options.scrollMargin}px)`,
            gridTemplateColumns: template,
          };
          if (line.kind === 'group')
            return (
              <div
                key={`group ${line.group.id}`}
                role="row"
                aria-rowindex={index + 2}
                data-line={index}
                className="absolute inset-x-0 flex h-[37px] items-center gap-2 border-b border-line bg-sheet px-2 font-semibold"
                style={{ transform: place.transform }}
              >
                <span role="cell" className="flex min-w-0 grow items-center gap-2">
                  <input
                    type="checkbox"
                    className="mr-2.5 accent-amber"
                    aria-label={`Tick all of ${line.group.title}`}
                    checked={line.group.rows.every(({ key }) => ticked.has(key))}
                    onChange={(event) => tick(line.group.rows, event.target.checked)}
                  />
                  <button
                    type="button"
                    data-opener=""
                    aria-expanded={line.open}
                    className="flex min-w-0 cursor-pointer items-center gap-1.5 text-left"
                    onClick={() => toggle(line.group)}
                  >
                    {line.open ? (
                      <ChevronDown size={15} aria-hidden="true" />
                    ) : (
                      <ChevronRight size={15} aria-hidden="true" />
                    )}
                    <span className="truncate">{line.group.title}</span>
                  </button>
                  <span className="text-sm font-normal text-soft tabular-nums">
                    {counted(line.group.rows.length, 'line', 'lines')}
                  </span>
                </span>
              </div>
            );
          const { row, key } = line;
          const isOpen = open === key;
          return (
            <div
              key={key}
              role="row"
              aria-rowindex={index + 2}
              data-line={index}
              aria-current={isOpen || undefined}
              className="absolute inset-x-0 grid h-[37px] items-center gap-3 border-b border-line px-2 hover:bg-raised aria-[current]:bg-wash max-md:!grid-cols-[2rem_7rem_minmax(0,1fr)]"
              style={place}
            >
              <span role="cell">
                <input
                  type="checkbox"
                  className="accent-amber align-middle"
                  aria-label={`Tick ${row.words || row.leads}`}
                  checked={ticked.has(row.key)}
                  onChange={(event) => tick([row], event.target.checked)}
                />
              </span>
              {shown.map((name, place) => {
                const isMain = name === mainColumn(shown);
                return (
                  <span
                    key={name}
                    role="cell"
                    className={`min-w-0 ${place > 1 && !isMain ? 'max-md:hidden' : ''}`}
                  >
                    {isMain ? (
                      <button
                        type="button"
                        data-opener=""
                        aria-expanded={isOpen}
                        className="block w-full min-w-0 cursor-pointer text-left"
                        onClick={() => show(row, key)}
                      >
                        {CELLS[name](row)}
                      </button>
                    ) : (
                      CELLS[name](row)
                    )}
                  </span>
                );
              })}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** The column by which a row is opened. */
const mainColumn = (shown: readonly ColumnName[]): ColumnName =>
  shown.find((name) => name === 'leads' || name === 'words') ?? shown[0] ?? 'leads';
