import { allRules, SEVERITIES, type Severity } from '@vennet/core/audit';
import type { VerdictName } from '@vennet/core/reach';
import { mapped, ordered, type Sliced } from '../parts/use-in-slices.js';
import type { Row } from './rows.js';

export const VIEWS = ['destination', 'link', 'rule', 'chapter', 'site'] as const;
export type ViewName = (typeof VIEWS)[number];

export const VIEW_WORDS: Record<ViewName, string> = {
  destination: 'Destinations',
  link: 'Links',
  rule: 'Rules',
  chapter: 'Chapters',
  site: 'Sites',
};

export const COLUMNS = [
  'verdict',
  'leads',
  'words',
  'chapter',
  'title',
  'uses',
  'checked',
  'findings',
] as const;
export type ColumnName = (typeof COLUMNS)[number];

/** Which rows are shown: those of a verdict, with findings of a severity, or with any. */
export type Filter = VerdictName | Severity | 'findings' | null;

export interface Sort {
  column: ColumnName;
  down: boolean;
}

/** How the Register is looked at. */
export interface View {
  by: ViewName;
  filter: Filter;
  searched: string;
  /** `null`: what needs the author first. */
  sort: Sort | null;
  columns: ColumnName[];
}

export const FIRST_VIEW: View = {
  by: 'destination',
  filter: null,
  searched: '',
  sort: null,
  columns: ['verdict', 'leads', 'uses', 'checked', 'findings'],
};

/** Columns that say something in a view, before the author chooses. */
export const COLUMNS_OF: Record<ViewName, ColumnName[]> = {
  destination: FIRST_VIEW.columns,
  link: ['verdict', 'words', 'leads', 'chapter', 'findings'],
  rule: ['verdict', 'words', 'leads', 'chapter'],
  chapter: ['verdict', 'words', 'leads', 'findings'],
  site: ['verdict', 'leads', 'title', 'uses', 'findings'],
};

const isSeverity = (filter: Filter): filter is Severity => SEVERITIES.includes(filter as Severity);

export function fits({ filter, searched }: Pick<View, 'filter' | 'searched'>, row: Row): boolean {
  if (searched !== '' && !row.searched.includes(searched)) return false;
  if (filter === null) return true;
  if (filter === 'findings') return row.findings.length > 0;
  if (isSeverity(filter)) return row.findings.some(({ severity }) => severity === filter);
  return row.verdict === filter;
}

const KEYS: Record<ColumnName, (row: Row) => string | number> = {
  verdict: ({ rank }) => rank,
  leads: ({ leads }) => leads.toLowerCase(),
  words: ({ words }) => words.toLowerCase(),
  chapter: ({ uses: [{ from }], chapter }) => `${chapter}\n${String(from).padStart(9, '0')}`,
  title: ({ title }) => title.toLowerCase(),
  uses: ({ uses }) => -uses.length,
  checked: ({ checkedAt }) => checkedAt ?? '',
  findings: ({ findings }) => -findings.length,
};

/** Rows in the order of a column; without one, what needs the author first, then by address. */
export function* sorted(rows: readonly Row[], sort: Sort | null): Sliced<Row[]> {
  const key = sort ? KEYS[sort.column] : ({ rank }: Row) => rank;
  const way = sort?.down ? -1 : 1;
  const keyed = yield* mapped(rows, (row) => ({ row, key: key(row) }));
  const inOrder = yield* ordered(keyed, (one, other) => {
    if (one.key !== other.key) return one.key < other.key ? -way : way;
    if (sort || one.row.href === other.row.href) return 0;
    return one.row.href < other.row.href ? -1 : 1;
  });
  return yield* mapped(inOrder, ({ row }) => row);
}

/** Rows under a heading of their own. */
export interface RowGroup {
  id: string;
  title: string;
  rows: Row[];
}

/** What is drawn, line by line. */
export type Line = { kind: 'group'; group: RowGroup; open: boolean } | { kind: 'row'; row: Row; key: string };

/** The rows of a view under their headings; views of destinations and links have none. */
export function groupsOf(
  by: ViewName,
  rows: readonly Row[],
  chapters: readonly { id: string; title: string }[],
): RowGroup[] {
  switch (by) {
    case 'rule':
      return allRules.flatMap(({ id, title }) => {
        const own = rows.filter(({ findings }) => findings.some(({ rule }) => rule === id));
        return own.length > 0 ? [{ id, title, rows: own }] : [];
      });
    case 'chapter':
      return chapters.flatMap(({ id, title }) => {
        const own = rows.filter(({ uses: [first] }) => first.chapter === id);
        return own.length > 0 ? [{ id, title: title || 'A chapter without a title', rows: own }] : [];
      });
    case 'site': {
      const bySite = new Map<string, Row[]>();
      for (const row of rows) {
        const own = bySite.get(row.site);
        if (own) own.push(row);
        else bySite.set(row.site, [row]);
      }
      return [...bySite]
        .sort(([, one], [, other]) => other.length - one.length)
        .map(([site, own]) => ({ id: site, title: site, rows: own }));
    }
    default:
      return [];
  }
}

/** How many rows fit each filter. */
export function countsOf(rows: readonly Row[]): Map<Exclude<Filter, null>, number> {
  const counts = new Map<Exclude<Filter, null>, number>();
  const add = (filter: Exclude<Filter, null>) => counts.set(filter, (counts.get(filter) ?? 0) + 1);
  for (const row of rows) {
    add(row.verdict);
    if (row.findings.length > 0) add('findings');
    for (const severity of SEVERITIES)
      if (row.findings.some((one) => one.severity === severity)) add(severity);
  }
  return counts;
}
