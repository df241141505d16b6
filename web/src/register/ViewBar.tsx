import { SEVERITIES } from '@vennet/core/audit';
import { many } from '@vennet/core/language';
import { VERDICTS } from '@vennet/core/reach';
import { Bookmark, ChevronDown, Columns3, X } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { SEVERITY_WORDS, SeverityMark } from '../parts/SeverityMark.js';
import { VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { COLUMN_WORDS } from './RegisterTable.js';
import type { useSavedViews } from './saved-views.js';
import { COLUMNS, COLUMNS_OF, VIEW_WORDS, VIEWS, type countsOf, type Filter, type View } from './view.js';

interface BarProps {
  view: View;
  change(more: Partial<View>): void;
  total: number;
  counts: ReturnType<typeof countsOf>;
  saved: ReturnType<typeof useSavedViews>;
  /** What stands at the end of the line. */
  children: ReactNode;
}

/** How the list is looked at: by what, which rows, which columns; and the views that were kept. */
export function ViewBar({ view, change, total, counts, saved, children }: BarProps) {
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
        <div
          role="group"
          aria-label="List by"
          className="flex flex-wrap rounded-md border border-strong-line"
        >
          {VIEWS.map((by) => (
            <button
              key={by}
              type="button"
              aria-pressed={view.by === by}
              className="cursor-pointer border-r border-line px-3 py-1 first:rounded-l-md last:rounded-r-md last:border-r-0 hover:bg-raised aria-pressed:bg-wash aria-pressed:font-semibold"
              onClick={() => change({ by, columns: COLUMNS_OF[by], sort: null })}
            >
              {VIEW_WORDS[by]}
            </button>
          ))}
        </div>
        <ColumnMenu view={view} change={change} />
        <SavedMenu view={view} change={change} saved={saved} />
        {children}
      </div>
      <div className="mb-3 flex flex-wrap items-center gap-1.5">
        <Chip words="All" count={total} on={view.filter === null} press={() => change({ filter: null })} />
        {VERDICTS.map((verdict) => (
          <FilterChip
            key={verdict}
            {...{ view, change, counts }}
            filter={verdict}
            words={VERDICT_WORDS[verdict]}
            mark={<VerdictMark verdict={verdict} />}
          />
        ))}
        <FilterChip
          {...{ view, change, counts }}
          filter="findings"
          words="With findings"
          mark={<SeverityMark severity="should-fix" />}
        />
        {SEVERITIES.map((severity) => (
          <FilterChip
            key={severity}
            {...{ view, change, counts }}
            filter={severity}
            words={SEVERITY_WORDS[severity]}
            mark={<SeverityMark severity={severity} />}
          />
        ))}
      </div>
    </>
  );
}

function FilterChip({
  view,
  change,
  counts,
  filter,
  words,
  mark,
}: Pick<BarProps, 'view' | 'change' | 'counts'> & {
  filter: Exclude<Filter, null>;
  words: string;
  mark: ReactNode;
}) {
  const count = counts.get(filter) ?? 0;
  const on = view.filter === filter;
  if (count === 0 && !on) return null;
  return <Chip words={words} mark={mark} count={count} on={on} press={() => change({ filter })} />;
}

function Chip({
  words,
  mark,
  count,
  on,
  press,
}: {
  words: string;
  mark?: ReactNode;
  count: number;
  on: boolean;
  press(): void;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={press}
      className="flex cursor-pointer items-center gap-1.5 rounded-full border border-line px-2.5 py-0.5 text-sm hover:border-strong-line aria-pressed:border-amber aria-pressed:bg-wash aria-pressed:font-semibold"
    >
      {mark && <span aria-hidden="true">{mark}</span>}
      {words} <span className="text-soft tabular-nums">{many(count)}</span>
    </button>
  );
}

function ColumnMenu({ view, change }: Pick<BarProps, 'view' | 'change'>) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button" data-size="small" data-look="quiet">
        <Columns3 size={15} aria-hidden="true" /> Columns <ChevronDown size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start">
          {COLUMNS.map((name) => (
            <DropdownMenu.CheckboxItem
              key={name}
              className="menu-item"
              checked={view.columns.includes(name)}
              // One column at least is left, by which a row is opened.
              disabled={view.columns.length === 1 && view.columns.includes(name)}
              onSelect={(event) => event.preventDefault()}
              onCheckedChange={(on) =>
                change({ columns: COLUMNS.filter((one) => (one === name ? on : view.columns.includes(one))) })
              }
            >
              <span className="inline-block w-5">
                <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
              </span>
              {COLUMN_WORDS[name]}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function SavedMenu({ view, change, saved }: Pick<BarProps, 'view' | 'change' | 'saved'>) {
  const [name, setName] = useState('');
  const [open, setOpen] = useState(false);
  return (
    <DropdownMenu.Root open={open} onOpenChange={setOpen}>
      <DropdownMenu.Trigger className="button" data-size="small" data-look="quiet">
        <Bookmark size={15} aria-hidden="true" /> Views <ChevronDown size={14} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu !min-w-72" align="start">
          {saved.views.length === 0 && <p className="px-3 py-1 text-sm text-soft">No view is kept yet.</p>}
          {saved.views.map((one) => (
            <div key={one.name} className="flex items-center">
              <DropdownMenu.Item className="menu-item grow" onSelect={() => change(one.view)}>
                {one.name}
              </DropdownMenu.Item>
              <DropdownMenu.Item
                className="menu-item"
                aria-label={`Let go of the view ${one.name}`}
                onSelect={(event) => {
                  event.preventDefault();
                  saved.drop(one.name);
                }}
              >
                <X size={14} aria-hidden="true" />
              </DropdownMenu.Item>
            </div>
          ))}
          <DropdownMenu.Separator className="my-1 border-t border-line" />
          <form
            className="flex gap-2 px-2 py-1"
            onSubmit={(event) => {
              event.preventDefault();
              if (name.trim() === '') return;
              saved.keep(name.trim(), view);
              setName('');
              setOpen(false);
            }}
          >
            <input
              className="field"
              aria-label="Name of this view"
              placeholder="Keep this view as …"
              value={name}
              // The menu would take letters as the way to its items.
              onKeyDown={(event) => event.stopPropagation()}
              onChange={(event) => setName(event.target.value)}
            />
            <button type="submit" className="button" data-size="small" disabled={name.trim() === ''}>
              Keep
            </button>
          </form>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
