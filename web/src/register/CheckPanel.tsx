import { isUnderWay, type CheckRun, type NewCheck } from '@vennet/core/wire';
import { counted, message } from '@vennet/core/language';
import { useQuery } from '@tanstack/react-query';
import { ChevronDown, Waves } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { queries } from '../api/queries.js';
import { VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';
import { CheckDialog } from './CheckDialog.js';
import type { Checks } from './use-checks.js';

/** What a check can be about beside everything. */
const SCOPES: [string, NewCheck][] = [
  ['What is new or was corrected', { scope: 'changed' }],
  ['What was broken, unreachable or doubtful', { scope: 'failures' }],
  ['What was not looked at for 30 days', { scope: 'older', days: 30 }],
];

/** The button that checks all links or some, the progress of the run with its counts, and how the last one went. */
export function CheckPanel({ book, checks }: { book: string; checks: Checks }) {
  const { current, runs, start } = checks;
  const [isSet, setIsSet] = useState(false);
  const last = runs.find((run) => !isUnderWay(run));
  if (current) return <Progress run={current} checks={checks} />;
  return (
    <div className="text-right">
      <div className="inline-flex">
        <button
          type="button"
          className="button !rounded-r-none"
          data-look="main"
          onClick={() => void start()}
        >
          <Waves size={17} aria-hidden="true" /> Check all links
        </button>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger
            className="button !rounded-l-none !border-l-ground !px-2"
            data-look="main"
            aria-label="More about checking"
          >
            <ChevronDown size={16} aria-hidden="true" />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="menu" align="end">
              <DropdownMenu.Label className="px-3 py-1 text-sm text-soft">Check only</DropdownMenu.Label>
              {SCOPES.map(([words, what]) => (
                <DropdownMenu.Item key={words} className="menu-item" onSelect={() => void start(what)}>
                  {words}
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Separator className="my-1 border-t border-line" />
              <DropdownMenu.Item className="menu-item" onSelect={() => setIsSet(true)}>
                When and how links are checked …
              </DropdownMenu.Item>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </div>
      <CheckDialog book={book} open={isSet} show={setIsSet} />
      {last && <Last run={last} checks={checks} />}
    </div>
  );
}

function Progress({ run, checks: { pace, stop } }: { run: CheckRun; checks: Checks }) {
  return (
    <div className="w-80 max-w-full" data-testid="check-progress">
      <p className="mb-1 flex justify-between">
        <span role="status">
          Checking {run.done} of {run.total}
        </span>
        <button type="button" className="button" data-size="small" onClick={() => void stop()}>
          Stop
        </button>
      </p>
      <progress
        className="h-2 w-full accent-amber"
        value={run.done}
        max={Math.max(1, run.total)}
        aria-label="Destinations checked"
      />
      <p className="mt-1 h-5 text-sm text-soft tabular-nums">
        {pace &&
          `${pace.rate < 10 ? pace.rate.toFixed(1) : Math.round(pace.rate)} a second, ${timeLeft(pace.left)} left`}
      </p>
    </div>
  );
}

function timeLeft(time: number): string {
  const seconds = Math.ceil(time / 1000);
  if (seconds < 60) return counted(seconds, 'second', 'seconds');
  const minutes = Math.ceil(seconds / 60);
  return minutes < 90
    ? counted(minutes, 'minute', 'minutes')
    : counted(Math.round(minutes / 60), 'hour', 'hours');
}

function Last({ run, checks }: { run: CheckRun; checks: Checks }) {
  const { state, done, total, finishedAt, createdAt, scheduled, changes } = run;
  const at = finishedAt ?? createdAt;
  return (
    <div className="mt-1 text-sm text-soft">
      <p>
        {state === 'done'
          ? scheduled
            ? 'Checked by the schedule '
            : 'Last checked '
          : state === 'stopped'
            ? `Stopped after ${done} of ${total}, `
            : 'Could not be finished, '}
        <time dateTime={at}>{when(at, 'moment')}</time>
      </p>
      {state !== 'done' && done < total && (
        <button type="button" className="button mt-1" data-size="small" onClick={() => void checks.goOn(run)}>
          Go on with the other {total - done}
        </button>
      )}
      {state === 'done' && changes !== null && changes > 0 && <Changes run={run} count={changes} />}
    </div>
  );
}

/** What a run found otherwise than those before it. */
function Changes({ run, count }: { run: CheckRun; count: number }) {
  const [open, setOpen] = useState(false);
  const { data = [] } = useQuery({ ...queries.checkChanges(run.id), enabled: open });
  return (
    <details
      className="mt-1 max-w-md text-left"
      open={open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="cursor-pointer text-right">
        {message(
          '{count, plural, one {One destination is} other {# destinations are}} otherwise than before',
          {
            count,
          },
        )}
      </summary>
      <ul className="mt-1 max-h-60 space-y-1 overflow-auto rounded-md border border-line bg-raised p-2">
        {data.flatMap(({ href, was, is }) =>
          was === null
            ? []
            : [
                <li key={href} className="break-all">
                  <VerdictMark verdict={was} />
                  <span className="sr-only">{VERDICT_WORDS[was]}</span> →{' '}
                  <VerdictMark verdict={is} withWord /> {href}
                </li>,
              ],
        )}
      </ul>
    </details>
  );
}
