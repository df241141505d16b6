import { counted } from '@vennet/core/language';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo, type ReactNode } from 'react';
import { KindMark } from '../parts/KindMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';
import { worstOf, type Row } from './rows.js';
import type { ColumnName, RowGroup } from './view.js';

/** What a line of the list can ask for; the same as long as the list is there. */
export interface LineActs {
  show(row: Row, key: string): void;
  toggle(group: RowGroup): void;
  tick(rows: readonly Row[], on: boolean): void;
}

interface PlaceProps {
  index: number;
  /** From the top of the list, in CSS px. */
  top: number;
  acts: LineActs;
  isTicked: boolean;
}

const CELLS: Record<ColumnName, (row: Row) => ReactNode> = {
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

interface GroupProps extends PlaceProps {
  group: RowGroup;
  open: boolean;
}

/** The heading of a group, which opens and closes it. */
export const GroupLine = memo(function GroupLine({ index, top, acts, isTicked, group, open }: GroupProps) {
  const Arrow = open ? ChevronDown : ChevronRight;
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      data-line={index}
      className="absolute inset-x-0 flex h-[37px] contain-strict items-center gap-2 border-b border-line bg-sheet px-2 font-semibold"
      style={{ transform: `translateY(${top}px)` }}
    >
      <span role="cell" className="flex min-w-0 grow items-center gap-2">
        <input
          type="checkbox"
          className="mr-2.5 accent-amber"
          aria-label={`Tick all of ${group.title}`}
          checked={isTicked}
          onChange={(event) => acts.tick(group.rows, event.target.checked)}
        />
        <button
          type="button"
          data-opener=""
          aria-expanded={open}
          className="flex min-w-0 cursor-pointer items-center gap-1.5 text-left"
          onClick={() => acts.toggle(group)}
        >
          <Arrow size={15} aria-hidden="true" />
          <span className="truncate">{group.title}</span>
        </button>
        <span className="text-sm font-normal text-soft tabular-nums">
          {counted(group.rows.length, 'line', 'lines')}
        </span>
      </span>
    </div>
  );
});

interface RowProps extends PlaceProps {
  row: Row;
  lineKey: string;
  isOpen: boolean;
  shown: readonly ColumnName[];
  /** CSS `grid-template-columns`. */
  template: string;
}

/** A destination or a link as a line of the list. */
export const RowLine = memo(function RowLine(props: RowProps) {
  const { index, top, acts, isTicked, row, lineKey, isOpen, shown, template } = props;
  const main = mainColumn(shown);
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      data-line={index}
      aria-current={isOpen || undefined}
      className="absolute inset-x-0 grid h-[37px] contain-strict items-center gap-3 border-b border-line px-2 hover:bg-raised aria-[current]:bg-wash max-md:!grid-cols-[2rem_7rem_minmax(0,1fr)]"
      style={{ transform: `translateY(${top}px)`, gridTemplateColumns: template }}
    >
      <span role="cell">
        <input
          type="checkbox"
          className="accent-amber align-middle"
          aria-label={`Tick ${row.words || row.leads}`}
          checked={isTicked}
          onChange={(event) => acts.tick([row], event.target.checked)}
        />
      </span>
      {shown.map((name, place) => (
        <span
          key={name}
          role="cell"
          className={`min-w-0 ${place > 1 && name !== main ? 'max-md:hidden' : ''}`}
        >
          {name === main ? (
            <button
              type="button"
              data-opener=""
              aria-expanded={isOpen}
              className="block w-full min-w-0 cursor-pointer text-left"
              onClick={() => acts.show(row, lineKey)}
            >
              {CELLS[name](row)}
            </button>
          ) : (
            CELLS[name](row)
          )}
        </span>
      ))}
    </div>
  );
});

/** The column by which a row is opened. */
const mainColumn = (shown: readonly ColumnName[]): ColumnName =>
  shown.find((name) => name === 'leads' || name === 'words') ?? shown[0] ?? 'leads';
