import type { Finding, InsideFinding } from '@vennet/core/audit';
import { SeverityMark } from '../parts/SeverityMark.js';

/** One finding in plain words, where it comes from, and its repairs of one step. */
export function FindingLine<Found extends Finding | InsideFinding>({
  finding,
  repair,
}: {
  finding: Found;
  repair(repair: Found['repairs'][number]['repair']): void;
}) {
  const { severity, message, criterion, repairs } = finding;
  return (
    <div className="text-sm">
      <p>
        <SeverityMark severity={severity} withWord /> {message}{' '}
        <span className="whitespace-nowrap text-soft">{criterion}</span>
      </p>
      {repairs.length > 0 && (
        <div className="mt-1 flex flex-wrap gap-1.5">
          {repairs.map((offer: Found['repairs'][number]) => (
            <button
              key={offer.label}
              type="button"
              className="button !h-auto !justify-start text-left break-all"
              data-size="small"
              onClick={() => repair(offer.repair)}
            >
              {offer.label}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

/** All findings of one link, place, note or list. */
export function Findings<Found extends Finding | InsideFinding>({
  findings,
  repair,
}: {
  findings: Found[];
  repair(repair: Found['repairs'][number]['repair'], finding: Found): void;
}) {
  if (findings.length === 0) return null;
  return (
    <ul className="mt-2.5 space-y-2 border-t border-line pt-2.5" aria-label="Findings">
      {findings.map((finding) => (
        <li key={finding.rule}>
          <FindingLine finding={finding} repair={(chosen) => repair(chosen, finding)} />
        </li>
      ))}
    </ul>
  );
}
