import { whatNow, type NextStep, type ReadyStep, type Standing } from '@vennet/core/reports';
import type { Link } from '@vennet/core/manuscript';
import type { CheckRun } from '@vennet/core/wire';
import { ArrowRight, Check } from 'lucide-react';
import { useState } from 'react';
import { useBook, verdictFor } from '../book/store.js';
import { mapped, useInSlices } from '../parts/use-in-slices.js';
import { when } from '../parts/when.js';

interface NowProps {
  runs: readonly CheckRun[];
  today: string;
  /** Opens the preview of a step, or the words to pick from. */
  take(step: ReadyStep): void;
  /** Shows the rows that a step is about. */
  showRows(step: NextStep): void;
}

/** Steps that are shown at first. */
const FEW = 4;

/** The answer to *what now?*: the few repairs that put most right, then what only the author can decide. */
export function WhatNow({ runs, today, take, showRows }: NowProps) {
  const links = useBook((store) => store.links);
  const findings = useBook((store) => store.findings);
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const choices = useBook((store) => store.choices);
  const [all, setAll] = useState(false);
  const now = useInSlices(
    function* () {
      const aside = new Map(
        choices.aside.filter(({ rule }) => rule === 'verdict').map((one) => [one.of, one]),
      );
      const standings = yield* mapped(links, (link): [Link, Standing] => {
        const about = verdictFor(link, { placeIds, verdicts, surroundings });
        const set = aside.get(link.href);
        return [
          link,
          {
            verdict: about.verdict,
            movedTo: about.movedTo ?? null,
            securedTo: about.securedTo ?? null,
            copy: 'copy' in about ? about.copy : null,
            isAside: set?.print === about.verdict && (set.until === '' || set.until >= today),
          },
        ];
      });
      return whatNow({ links, findings, standings: new Map(standings) });
    },
    [links, findings, placeIds, verdicts, surroundings, choices, today],
  );
  if (now === null) return null;
  const { ready, yours } = now;
  if (links.length === 0) return null;
  if (ready.length === 0 && yours.length === 0) return <AllDone runs={runs} />;
  const [shownReady, shownYours] = all ? [ready, yours] : [ready.slice(0, FEW), yours.slice(0, FEW)];
  const more = ready.length + yours.length - shownReady.length - shownYours.length;
  return (
    <section aria-labelledby="what-now" className="mb-6 rounded-md border border-line bg-sheet p-4">
      <h2 id="what-now" className="font-text text-xl">
        What now?
      </h2>
      <div className="mt-2 grid gap-x-8 gap-y-3 lg:grid-cols-2">
        {shownReady.length > 0 && (
          <div>
            <h3 className="label">Ready to be put right</h3>
            <ul className="space-y-1">
              {shownReady.map((step) => (
                <li key={step.id}>
                  <button
                    type="button"
                    className="group flex w-full cursor-pointer items-start gap-2 rounded-sm text-left"
                    onClick={() => take(step)}
                  >
                    <ArrowRight size={16} aria-hidden="true" className="mt-1 shrink-0 text-amber" />
                    <span className="underline decoration-line underline-offset-3 group-hover:decoration-ink">
                      {step.words}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
        {shownYours.length > 0 && (
          <div>
            <h3 className="label">Only you can decide</h3>
            <ul className="space-y-1">
              {shownYours.map((step) => (
                <li key={step.id}>
                  <button
                    type="button"
                    className="cursor-pointer text-left underline decoration-line underline-offset-3 hover:decoration-ink"
                    onClick={() => showRows(step)}
                  >
                    {step.words}
                  </button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
      {(more > 0 || all) && (
        <button
          type="button"
          className="button mt-3"
          data-look="quiet"
          data-size="small"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all ? 'Show fewer' : `Show ${more} more`}
        </button>
      )}
    </section>
  );
}

/** When nothing is left, it is said, and since when. */
function AllDone({ runs }: { runs: readonly CheckRun[] }) {
  const last = runs.find(({ state, scope }) => state === 'done' && scope !== 'chosen');
  return (
    <section
      aria-label="What now?"
      className="mb-6 flex items-center gap-3 rounded-md border border-line bg-sheet p-4"
    >
      <Check size={22} aria-hidden="true" className="text-sound" />
      <p className="font-text text-lg">
        Nothing is left to do.{' '}
        {last?.finishedAt && (
          <span className="text-soft">Every link was looked at on {when(last.finishedAt, 'moment')}.</span>
        )}
      </p>
    </section>
  );
}
