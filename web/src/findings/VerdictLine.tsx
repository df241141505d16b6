import type { Link } from '@vennet/core/manuscript';
import { useBook, verdictFor } from '../book/store.js';
import { VerdictMark } from '../parts/VerdictMark.js';

/** What the last check said of a link, and the way to where it moved. */
export function VerdictLine({ link, leadTo }: { link: Link; leadTo(href: string): void }) {
  const placeIds = useBook((store) => store.placeIds);
  const verdicts = useBook((store) => store.verdicts);
  const surroundings = useBook((store) => store.surroundings);
  const { verdict, reason, movedTo } = verdictFor(link, { placeIds, verdicts, surroundings });
  if (link.kind === 'mail') return null;
  return (
    <div className="mt-2.5 text-sm">
      <p className="flex gap-1.5">
        <VerdictMark verdict={verdict} withWord /> <span>{reason}</span>
      </p>
      {movedTo && link.kind === 'web' && (
        <button
          type="button"
          className="button mt-1 !h-auto !justify-start text-left break-all"
          data-size="small"
          onClick={() => leadTo(movedTo)}
        >
          Lead to {movedTo}
        </button>
      )}
    </div>
  );
}
