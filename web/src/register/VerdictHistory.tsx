import type { CheckRun } from '@vennet/core/wire';
import { Bar, BarChart, ResponsiveContainer, Tooltip, XAxis } from 'recharts';
import { VERDICTS } from '@vennet/core/reach';
import { VERDICT_COLOURS, VERDICT_WORDS } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';

/** Runs that are shown. */
const RUNS = 12;

/** How the book's verdicts went over the last runs: one column a run. */
export default function VerdictHistory({ runs }: { runs: CheckRun[] }) {
  const done = runs
    .filter((run) => run.state === 'done' && run.scope === 'all' && run.total > 1)
    .slice(0, RUNS)
    .reverse();
  const verdicts = VERDICTS.filter(
    (verdict) => verdict !== 'sound' && done.some((run) => run.verdicts[verdict]),
  );
  const [earliest] = done;
  const latest = done.at(-1);
  if (!earliest || !latest || earliest === latest || verdicts.length === 0) return null;
  const columns = done.map((run) => ({
    when: when(run.createdAt, 'moment'),
    ...Object.fromEntries(verdicts.map((verdict) => [verdict, run.verdicts[verdict] ?? 0])),
  }));
  const first = notSound(earliest);
  const last = notSound(latest);
  return (
    <figure className="w-60 text-sm">
      <div aria-hidden="true">
        <ResponsiveContainer width="100%" height={64}>
          <BarChart data={columns} barCategoryGap={3}>
            <XAxis dataKey="when" hide />
            <Tooltip
              cursor={{ fill: 'var(--line)' }}
              contentStyle={{
                background: 'var(--raised)',
                border: '1px solid var(--strong-line)',
                fontSize: 13,
              }}
            />
            {verdicts.map((verdict) => (
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
      </div>
      <figcaption className="text-soft">
        Not sound, over {done.length} runs: {first} then, {last} now
      </figcaption>
    </figure>
  );
}

const notSound = (run: CheckRun) => run.total - (run.verdicts.sound ?? 0);
