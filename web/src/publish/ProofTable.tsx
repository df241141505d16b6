import type { ProofRow } from '@vennet/core/readback';
import type { ExportJob } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { TableProperties, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useMemo, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { FullDialog } from './FullDialog.js';
import { LinkTable } from './LinkTable.js';
import { CHANGES } from './ProofView.js';
import type { SavedTable } from './save-table.js';
import { SaveTable } from './SaveTable.js';
import { ToLink } from './ToLink.js';
import { FrameStage } from './try/FrameStage.js';
import { PdfSheet, shownRect } from './try/PdfSheet.js';
import type { Stage } from './try/reading-state.js';
import { useMadePdf } from './try/use-made-pdf.js';

const STATES: Record<ProofRow['state'], string> = {
  lost: 'Lost',
  changed: 'Changed',
  found: 'As in the book',
};
const ORDER: readonly ProofRow['state'][] = ['lost', 'changed', 'found'];
const COLOURS: Partial<Record<ProofRow['state'], string>> = {
  lost: 'var(--broken)',
  changed: 'var(--moved)',
};
/** How many rows are shown at first. */
const SHOWN = 300;

/** Every link of the book with what was found of it in a made file, and the page on which it stands. */
export function ProofTable({ job }: { job: ExportJob }) {
  return (
    <FullDialog icon={TableProperties} words="See every link">
      <Table job={job} />
    </FullDialog>
  );
}

function Table({ job }: { job: ExportJob }) {
  const chapters = useBook((store) => store.book?.chapters);
  const { data, error } = useQuery({
    queryKey: ['proof-rows', job.id],
    queryFn: () => api.proofRows(job.id),
    staleTime: Infinity,
    meta: { silent: true },
  });
  const [only, setOnly] = useState<ProofRow['state'] | ''>('');
  const [chosen, setChosen] = useState<ProofRow | null>(null);
  const titles = useMemo(() => new Map(chapters?.map(({ id, title }) => [id, title])), [chapters]);
  const sorted = useMemo(
    () => data?.toSorted((one, other) => ORDER.indexOf(one.state) - ORDER.indexOf(other.state)) ?? [],
    [data],
  );
  const rows = only === '' ? sorted : sorted.filter(({ state }) => state === only);
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-3 border-b border-line px-5 py-3">
        <Dialog.Title className="font-text text-xl">The links of {job.fileName}</Dialog.Title>
        <div className="flex flex-wrap items-center gap-3">
          <label className="flex items-center gap-2 text-sm">
            Show
            <select
              className="field !w-auto"
              value={only}
              onChange={({ target }) => setOnly(target.value as typeof only)}
            >
              <option value="">all {sorted.length}</option>
              {ORDER.map((state) => (
                <option key={state} value={state}>
                  {STATES[state]}: {sorted.filter((row) => row.state === state).length}
                </option>
              ))}
            </select>
          </label>
          <SaveTable
            name={`${job.fileName.replace(/\.\w+$/, '')}-proof`}
            table={() => savedTable(job, rows, titles)}
          />
          <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
            <X size={16} aria-hidden="true" />
          </Dialog.Close>
        </div>
      </header>
      <div className="grid min-h-0 grow lg:grid-cols-[minmax(0,1fr)_30rem]">
        <div className="min-w-0 overflow-auto px-5 pb-3">
          {error && (
            <p role="alert" className="border-l-4 border-moved py-1 pl-3">
              {error.message}
            </p>
          )}
          {!data && !error && <p className="pt-3">Reading the proof …</p>}
          {data && (
            <LinkTable
              caption="Each link of the book, and what was found of it"
              heads={['State', 'Words', 'Leads to', 'Where']}
              items={rows}
              most={SHOWN}
              sticks
              row={(row, index) => (
                <Row
                  key={`${row.id} ${index}`}
                  row={row}
                  isChosen={row === chosen}
                  chapter={titles.get(row.chapter) ?? ''}
                  choose={() => setChosen(row)}
                />
              )}
            />
          )}
        </div>
        <section
          aria-label="Where it stands"
          className="min-h-0 overflow-auto border-l border-line bg-[var(--ground)] p-4"
        >
          {chosen ? (
            <Where job={job} row={chosen} />
          ) : (
            <p className="text-soft">
              Press where a link stands, and its page is shown here with the link outlined.
            </p>
          )}
        </section>
      </div>
    </>
  );
}

interface RowProps {
  row: ProofRow;
  isChosen: boolean;
  chapter: string;
  choose(): void;
}

function Row({ row, isChosen, chapter, choose }: RowProps) {
  const { id, state, change, text, href, where, note, foundHref, foundText } = row;
  return (
    <tr
      className="border-b border-line align-top aria-selected:bg-wash"
      aria-selected={isChosen || undefined}
    >
      <td className="py-1.5 pr-4 whitespace-nowrap" style={{ color: COLOURS[state] }}>
        {STATES[state]}
      </td>
      <td className="max-w-72 py-1.5 pr-4 break-words">
        <ToLink id={id} chapter={row.chapter} words={text || note || '(no words)'} />
        <span className="block text-xs text-soft">{chapter}</span>
        {change && (
          <span className="block text-moved">
            {CHANGES[change]}
            {change === 'words' && foundText && `: “${foundText}”`}
            {change === 'address' && `: ${foundHref}`}
          </span>
        )}
      </td>
      <td className="max-w-80 py-1.5 pr-4 break-all text-soft">
        {href}
        {note && note !== href && <span className="block text-xs">“{note}”</span>}
      </td>
      <td className="py-1.5 whitespace-nowrap">
        {where !== '' && (
          <button type="button" className="cursor-pointer underline" onClick={choose}>
            {where.replace(/^EPUB\//, '')}
          </button>
        )}
      </td>
    </tr>
  );
}

/** The page of the file on which a link stands, with the link outlined. */
function Where({ job, row }: { job: ExportJob; row: ProofRow }) {
  const number = Number(/^page (\d+)$/.exec(row.where)?.[1] ?? 0);
  if (job.format === 'pdf' && number > 0) return <OnSheet job={job.id} number={number} row={row} />;
  if (row.nth !== null && (job.format === 'epub' || job.format === 'web'))
    return <OnPage key={`${row.where} ${row.nth}`} job={job.id} row={row} />;
  return <p className="text-soft">It stands in {row.where}.</p>;
}

function OnSheet({ job, number, row }: { job: string; number: number; row: ProofRow }) {
  const { file, fault } = useMadePdf(job);
  if (fault) return <p>The file can’t be opened: {fault}</p>;
  if (!file) return <p className="text-soft">Opening the file …</p>;
  return (
    <PdfSheet file={file} number={number} width={440} label={`Page ${number}, with the link outlined`}>
      {(sheet) =>
        row.areas.map((area, index) => (
          <span key={index} data-testid="outlined" className="pdf-lit" style={shownRect(sheet, area)} />
        ))
      }
    </PdfSheet>
  );
}

const NOTHING = () => {};

function OnPage({ job, row: { where, nth } }: { job: string; row: ProofRow }) {
  const stage = useRef<Stage>(null);
  const path = where === 'the page' ? '' : where;
  const here = useMemo(() => ({ path, spot: '' }), [path]);
  const paths = useMemo(() => [path], [path]);
  return (
    <div className="h-full">
      <FrameStage
        job={job}
        paths={paths}
        here={here}
        title={where}
        screen="tablet"
        paged={false}
        stage={stage}
        linked={() => stage.current?.toLink(nth ?? 0)}
        pressed={NOTHING}
        step={NOTHING}
        next={NOTHING}
        turned={NOTHING}
        past={NOTHING}
        said={NOTHING}
      />
    </div>
  );
}

const savedTable = (
  { fileName }: ExportJob,
  rows: readonly ProofRow[],
  titles: ReadonlyMap<string, string>,
): SavedTable => ({
  title: `The links of ${fileName}`,
  heads: [
    'State',
    'What is otherwise',
    'Chapter',
    'Words',
    'Leads to',
    'Found',
    'Said of it',
    'Lands at',
    'Where',
    'Rectangles, in points',
  ],
  rows: rows.map((row) => [
    STATES[row.state],
    row.change ? CHANGES[row.change] : '',
    titles.get(row.chapter) ?? '',
    row.text,
    row.href,
    row.foundHref,
    row.note,
    row.landing,
    row.where,
    row.areas.map((area) => area.map((side) => side.toFixed(1)).join(' ')).join('; '),
  ]),
});
