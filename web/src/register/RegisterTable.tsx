import {
  columnVisibilityFeature,
  createColumnHelper,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useEffect, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react';
import type { Row } from './rows.js';
import { GroupLine, RowLine, type LineActs } from './TableLines.js';
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

const features = tableFeatures({ columnVisibilityFeature, rowSortingFeature });
const helper = createColumnHelper<typeof features, Row>();
const DEFINITIONS = helper.columns(
  COLUMNS.map((name) => helper.accessor((row) => row.rank, { id: name, header: COLUMN_WORDS[name] })),
);

/** So many lines are drawn above and below those that can be seen: a long list scrolls without gaps, and one this short is drawn whole. */
const NO_ROWS: Row[] = [];
const OVERSCAN = 8;
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
  const visibility = useMemo(
    () => Object.fromEntries(COLUMNS.map((name) => [name, columns.includes(name)])),
    [columns],
  );
  const table = useTable({
    features,
    columns: DEFINITIONS,
    // The rows are drawn as they scroll into sight; the table knows the columns, their order and their sorting.
    data: NO_ROWS,
    manualSorting: true,
    state: { columnVisibility: visibility, sorting: sort ? [{ id: sort.column, desc: sort.down }] : [] },
  });
  const visible = table
    .getVisibleLeafColumns()
    .map(({ id }) => id)
    .join(' ');
  const shown = useMemo(() => visible.split(' ') as ColumnName[], [visible]);
  const template = `2rem ${shown.map((name) => WIDTHS[name]).join(' ')}`;
  // Lines that are drawn stay as they are while others come into sight.
  const latest = useRef({ show, toggle, tick });
  useEffect(() => {
    latest.current = { show, toggle, tick };
  });
  const acts = useMemo(
    (): LineActs => ({
      show: (row, key) => latest.current.show(row, key),
      toggle: (group) => latest.current.toggle(group),
      tick: (some, on) => latest.current.tick(some, on),
    }),
    [],
  );

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
          const top = start - virtual.options.scrollMargin;
          return line.kind === 'group' ? (
            <GroupLine
              key={`group ${line.group.id}`}
              {...{ index, top, acts }}
              group={line.group}
              open={line.open}
              isTicked={line.group.rows.every(({ key }) => ticked.has(key))}
            />
          ) : (
            <RowLine
              key={line.key}
              {...{ index, top, acts, shown, template }}
              row={line.row}
              lineKey={line.key}
              isOpen={open === line.key}
              isTicked={ticked.has(line.row.key)}
            />
          );
        })}
      </div>
    </div>
  );
}
