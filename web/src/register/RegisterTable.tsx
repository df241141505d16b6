import {
  columnVisibilityFeature,
  createColumnHelper,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import {
  useEffect,
  useImperativeHandle,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type FocusEvent,
  type KeyboardEvent,
  type Ref,
  type RefObject,
} from 'react';
import type { Row } from './rows.js';
import { GroupLine, RowLine, type LineActs } from './TableLines.js';
import { COLUMNS, type ColumnName, type Line, type RowGroup, type Sort } from './view.js';

/** What the room can ask of its list. */
export interface RegisterTableHandle {
  /** The author goes on at a line, or at the last one where the list has become shorter. */
  goTo(index: number): void;
}

interface TableProps {
  ref?: Ref<RegisterTableHandle>;
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

const NO_ROWS: Row[] = [];
/** So many lines are drawn above and below those that can be seen: a long list scrolls without gaps. */
const OVERSCAN = 4;
/** A list this short comes to be drawn whole, some lines in each frame: the browser's own search finds all of it. */
const SHORT = 250;
const IN_A_FRAME = 20;
/** In CSS px. */
const HEIGHT = 37;
/** A line that scrolls out of sight gives its place in the page to one that comes into it: the fewest places there are. */
const PLACES = 64;

const keyOf = (line: Line): string => (line.kind === 'group' ? `group ${line.group.id}` : line.key);

/** The list of a view. Only the lines around those that can be seen are drawn; the columns are those that the author chose. */
export function RegisterTable(props: TableProps) {
  const { lines, columns, sort, setSort, open, show, toggle, ticked, tick, scroller, label, ref } = props;
  const box = useRef<HTMLDivElement>(null);
  const overscan = useOverscan(lines.length);
  // eslint-disable-next-line react-hooks/incompatible-library -- its values stay in this component
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => HEIGHT,
    overscan,
    scrollMargin: box.current?.offsetTop ?? 0,
  });
  const drawn = virtual.getVirtualItems();
  const places = Math.max(PLACES, 2 ** Math.ceil(Math.log2(drawn.length + 1)));
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

  // The line that has the focus keeps it while lines move, and keeps the author's place while it is out of sight.
  const focused = useRef<{ index: number; key: string } | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const goTo = (to: number) => {
    const index = Math.min(to, lines.length - 1);
    if (index < 0) return;
    focused.current = { index, key: keyOf(lines[index]!) };
    virtual.scrollToIndex(index, { align: 'auto' });
    keepFocus(true);
  };
  const keepFocus = (always: boolean) => {
    const at = focused.current;
    const active = document.activeElement;
    if (!at || !list.current || lines.length === 0) return;
    if (!always && active !== document.body && !list.current.contains(active)) return;
    const last = Math.min(at.index, lines.length - 1);
    const moved = keyOf(lines[last]!) === at.key ? last : lines.findIndex((line) => keyOf(line) === at.key);
    const index = moved < 0 ? last : moved;
    focused.current = { index, key: keyOf(lines[index]!) };
    const line = box.current?.querySelector<HTMLElement>(`[data-line="${index}"]`);
    if (line?.contains(active)) return;
    (line?.querySelector<HTMLElement>('[data-opener]') ?? list.current).focus({ preventScroll: true });
  };
  useLayoutEffect(() => keepFocus(false));
  useImperativeHandle(ref, () => ({ goTo }));
  const onFocus = ({ target }: FocusEvent<HTMLElement>) => {
    const line = lineOf(target);
    if (line !== null && lines[line]) focused.current = { index: line, key: keyOf(lines[line]) };
  };
  const onBlur = ({ relatedTarget }: FocusEvent<HTMLElement>) => {
    if (relatedTarget && !list.current?.contains(relatedTarget)) focused.current = null;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const at = focused.current?.index;
    if (at === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: lines.length - 1 }[event.key];
    if (to === undefined || to < 0 || to >= lines.length) return;
    event.preventDefault();
    goTo(to);
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
      ref={list}
      tabIndex={-1}
      onKeyDown={onKeyDown}
      onFocus={onFocus}
      onBlur={onBlur}
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
          const place = index % places;
          const top = start - virtual.options.scrollMargin;
          return line.kind === 'group' ? (
            <GroupLine
              key={`group ${place}`}
              {...{ index, top, acts }}
              group={line.group}
              open={line.open}
              isTicked={line.group.rows.every(({ key }) => ticked.has(key))}
            />
          ) : (
            <RowLine
              key={place}
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

/** How many lines beyond those that can be seen are drawn of a list. */
function useOverscan(count: number): number {
  const [overscan, setOverscan] = useState(OVERSCAN);
  const wanted = count <= SHORT ? SHORT : OVERSCAN;
  useEffect(() => {
    if (overscan === wanted) return;
    const next = requestAnimationFrame(() => setOverscan(Math.min(wanted, overscan + IN_A_FRAME)));
    return () => cancelAnimationFrame(next);
  }, [overscan, wanted]);
  return Math.min(overscan, wanted);
}

/** The line that an element stands in. */
function lineOf(element: HTMLElement): number | null {
  const line = element.closest<HTMLElement>('[data-line]')?.dataset.line;
  return line === undefined ? null : Number(line);
}
