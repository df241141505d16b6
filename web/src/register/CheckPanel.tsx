import { Waves } from 'lucide-react';
import type { Checks } from './use-checks.js';
import { when } from '../parts/when.js';
import { isUnderWay } from '@vennet/core/wire';

/** The button that checks all links, and the progress of the run with its counts. */
export function CheckPanel({ checks }: { checks: Checks }) {
  const { current, runs, start, stop } = checks;
  const last = runs.find((run) => !isUnderWay(run));
  if (current)
    return (
      <div className="w-72 max-w-full" data-testid="check-progress">
        <p className="mb-1 flex justify-between">
          <span role="status">
            Checking {current.done} of {current.total}
          </span>
          <button type="button" className="button" data-size="small" onClick={() => void stop()}>
            Stop
          </button>
        </p>
        <progress
          className="h-2 w-full accent-amber"
          value={current.done}
          max={Math.max(1, current.total)}
          aria-label="Destinations checked"
        />
      </div>
    );
  return (
    <div className="text-right">
      <button type="button" className="button" data-look="main" onClick={() => void start()}>
        <Waves size={17} aria-hidden="true" /> Check all links
      </button>
      {last && (
        <p className="mt-1 text-sm text-soft">
          {last.state === 'done'
            ? 'Last checked '
            : last.state === 'stopped'
              ? `Stopped after ${last.done} of ${last.total}, `
              : 'Could not be finished, '}
          <time dateTime={last.finishedAt ?? last.createdAt}>
            {when(last.finishedAt ?? last.createdAt, 'moment')}
          </time>
        </p>
      )}
    </div>
  );
}
