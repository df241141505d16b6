import type { Link } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import { useBook, verdictFor } from '../book/store.js';
import { VerdictMark } from '../parts/VerdictMark.js';
import { when } from '../parts/when.js';
import { VerdictOffers } from './VerdictOffers.js';

/** What the last check said of a link and when, what it found, and what may be put instead. */
export function VerdictLine({ link, repair }: { link: Link; repair(repair: Repair): void }) {
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const verdict = verdictFor(link, { placeIds, verdicts, surroundings });
  return (
    <div className="mt-2.5 text-sm">
      <p>
        <VerdictMark verdict={verdict.verdict} withWord /> <span>{verdict.reason}</span>
        {'checkedAt' in verdict && (
          <span className="text-soft"> Checked {when(verdict.checkedAt, 'moment')}.</span>
        )}
      </p>
      {verdict.quote && <p className="mt-0.5 text-soft break-words">Found: “{verdict.quote}”</p>}
      {link.kind === 'web' && (
        <VerdictOffers verdict={verdict} repair={repair} besideToo={link.carrier === 'text'} />
      )}
    </div>
  );
}
