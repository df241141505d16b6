import { useQuery } from '@tanstack/react-query';
import { counted } from '@vennet/core/language';
import { VERDICTS } from '@vennet/core/reach';
import type { CheckRun } from '@vennet/core/wire';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import {
  Bar,
  BarChart,
  CartesianGrid,
  Line,
  LineChart,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { queries } from '../api/queries.js';
import { readable } from '../book/destination-words.js';
import { SEVERITY_WORDS } from '../parts/SeverityMark.js';
import { VERDICT_COLOURS, VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';

/** Runs that are shown. */
const RUNS = 12;

/** Runs over the whole book that came to their end, the oldest first. */
const wholeRuns = (runs: readonly CheckRun[]): CheckRun[] =>
  runs
    .filter((run) => run.state === 'done' && run.scope === 'all' && run.total > 1)
    .slice(0, RUNS)
    .reverse();

const notSound = (run: CheckRun) => run.total - (run.verdicts.sound ?? 0);
const shownVerdicts = (runs: readonly CheckRun[]) =>
  VERDICTS.filter((verdict) => verdict !== 'sound' && runs.some((run) => run.verdicts[verdict]));

const TOOLTIP = {
  cursor: { fill: 'var(--line)' },
  contentStyle: { background: 'var(--raised)', border: '1px solid var(--strong-line)', fontSize: 13 },
};

/** How the book's verdicts went over the last runs: one column a run. Pressed, it opens into what changed in each. */
export default function VerdictHistory({ runs }: { runs: CheckRun[] }) {
  const [open, setOpen] = useState(false);
  const done = wholeRuns(runs);
  const [earliest] = done;
  const latest = done.at(-1);
  if (!earliest || !latest || earliest === latest) return null;
  return (
    <>
      <button
        type="button"
        className="w-60 cursor-pointer rounded-md text-left text-sm hover:bg-raised"
        onClick={() => setOpen(true)}
      >
        <span aria-hidden="true" className="block">
          <ResponsiveContainer width="100%" height={56}>
            <BarChart data={columnsOf(done)} barCategoryGap={3} maxBarSize={20}>
              <XAxis dataKey="when" hide />
              {shownVerdicts(done).map((verdict) => (
                <Bar
                  key={verdict}
                  dataKey={verdict}
                  stackId="all"
                  fill={VERDICT_COLOURS[verdict]}
                  stroke="var(--ground)"
                  isAnimationActive={false}
                />
              ))}
            </BarChart>
          </ResponsiveContainer>
        </span>
        <span className="text-soft underline decoration-line underline-offset-3">
          Not sound, over {done.length} runs: {notSound(earliest)} then, {notSound(latest)} now
        </span>
      </button>
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Portal>
          <Dialog.Overlay className="veil" />
          <Dialog.Content className="dialog !w-[min(60rem,calc(100vw-2rem))]" aria-describedby={undefined}>
            <Dialog.Title className="text-xl font-semibold">Over time</Dialog.Title>
            <OverTime runs={done} />
            <div className="mt-4 flex justify-end">
              <Dialog.Close className="button">Done</Dialog.Close>
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}

const columnsOf = (runs: readonly CheckRun[]) =>
  runs.map((run) => ({ id: run.id, when: when(run.createdAt, 'moment'), ...run.verdicts, ...run.findings }));

const FINDING_LINES = [
  ['mustFix', SEVERITY_WORDS['must-fix'], 'var(--broken)', ''],
  ['shouldFix', SEVERITY_WORDS['should-fix'], 'var(--moved)', '6 3'],
  ['consider', SEVERITY_WORDS.consider, 'var(--soft)', '2 3'],
] as const;

/** Verdicts and findings over the runs; each run leads to what it found otherwise than the one before. */
function OverTime({ runs }: { runs: CheckRun[] }) {
  const [chosen, setChosen] = useState(runs.at(-1)?.id ?? '');
  const columns = columnsOf(runs);
  const choose = (state: { activeTooltipIndex?: number | string | null }) => {
    const run = runs[Number(state.activeTooltipIndex ?? -1)];
    if (run) setChosen(run.id);
  };
  const hasFindings = runs.some(({ findings }) => findings !== null);
  return (
    <div className="mt-3 grid gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div aria-hidden="true" className="space-y-3 text-sm">
        <p className="label">Destinations that are not sound</p>
        <ResponsiveContainer width="100%" height={150}>
          <BarChart
            data={columns}
            barCategoryGap={6}
            maxBarSize={48}
            onClick={choose}
            className="cursor-pointer"
          >
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis dataKey="when" hide />
            <YAxis width={30} allowDecimals={false} stroke="var(--soft)" fontSize={12} />
            <Tooltip {...TOOLTIP} />
            {shownVerdicts(runs).map((verdict) => (
              <Bar
                key={verdict}
                dataKey={verdict}
                name={VERDICT_WORDS[verdict]}
                stackId="all"
                fill={VERDICT_COLOURS[verdict]}
                stroke="var(--ground)"
                isAnimationActive={false}
              />
            ))}
          </BarChart>
        </ResponsiveContainer>
        {hasFindings && (
          <>
            <p className="label">Findings</p>
            <ResponsiveContainer width="100%" height={130}>
              <LineChart data={columns} onClick={choose} className="cursor-pointer">
                <CartesianGrid vertical={false} stroke="var(--line)" />
                <XAxis dataKey="when" hide />
                <YAxis width={30} allowDecimals={false} stroke="var(--soft)" fontSize={12} />
                <Tooltip {...TOOLTIP} />
                {FINDING_LINES.map(([key, name, colour, dash]) => (
                  <Line
                    key={key}
                    dataKey={key}
                    name={name}
                    stroke={colour}
                    strokeWidth={2}
                    strokeDasharray={dash}
                    dot={{ r: 3 }}
                    connectNulls
                    isAnimationActive={false}
                  />
                ))}
              </LineChart>
            </ResponsiveContainer>
          </>
        )}
      </div>
      <div>
        <table className="w-full text-sm">
          <caption className="label text-left">Runs; pick one to see what it found changed</caption>
          <thead className="sr-only">
            <tr>
              <th scope="col">When</th>
              <th scope="col">Not sound</th>
              <th scope="col">Findings that must be fixed</th>
            </tr>
          </thead>
          <tbody>
            {[...runs].reverse().map((run) => (
              <tr key={run.id} className={run.id === chosen ? 'bg-wash' : ''}>
                <td>
                  <button
                    type="button"
                    aria-pressed={run.id === chosen}
                    className="w-full cursor-pointer px-1.5 py-0.5 text-left underline decoration-line underline-offset-3"
                    onClick={() => setChosen(run.id)}
                  >
                    {when(run.createdAt, 'moment')}
                  </button>
                </td>
                <td className="px-1.5 text-right tabular-nums">{notSound(run)} not sound</td>
                <td className="px-1.5 text-right text-soft tabular-nums">
                  {run.findings ? `${run.findings.mustFix} must fix` : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <Changed run={chosen} />
      </div>
    </div>
  );
}

/** What a run found otherwise than those before it. */
function Changed({ run }: { run: string }) {
  const { data } = useQuery({ ...queries.checkChanges(run), enabled: run !== '' });
  const changed = data?.flatMap(({ href, was, is }) => (was === null ? [] : [{ href, was, is }]));
  return (
    <div className="mt-3 text-sm" aria-live="polite">
      <p className="label">
        {changed === undefined
          ? 'Looking…'
          : changed.length === 0
            ? 'Nothing was otherwise than before.'
            : counted(
                changed.length,
                'destination was otherwise than before',
                'destinations were otherwise than before',
              )}
      </p>
      <ul className="max-h-48 space-y-1 overflow-auto">
        {changed?.map(({ href, was, is }) => (
          <li key={href} className="break-all">
            <VerdictMark verdict={was} />
            <span aria-hidden="true"> → </span>
            <VerdictMark verdict={is} withWord /> {readable(href)}
          </li>
        ))}
      </ul>
    </div>
  );
}
