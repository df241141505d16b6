import type { Finding, InsideFinding, Judged } from '@vennet/core/audit';
import { SeverityMark } from '../parts/SeverityMark.js';

/** What a link was judged with. */
const JUDGED_WORDS: Record<Judged, string> = {
  alone: 'Judged by itself.',
  sentence: 'Judged with its sentence.',
  paragraph: 'Judged with its paragraph.',
  item: 'Judged with its list item.',
  cell: 'Judged with its cell and headers.',
  heading: 'Judged with the heading above.',
};

interface LineProps<Found extends Finding | InsideFinding> {
  finding: Found;
  repair(repair: Found['repairs'][number]['repair']): void;
  /** Asks for a reason to leave it as it is. */
  setAside?(): void;
}

/** One finding in plain words, where it comes from, what it was judged with, and its repairs of one step. */
export function FindingLine<Found extends Finding | InsideFinding>({
  finding,
  repair,
  setAside,
}: LineProps<Found>) {
  const { severity, message, criterion, repairs } = finding;
  const judged = 'judged' in finding ? finding.judged : undefined;
  return (
    <div className="text-sm">
      <p>
        <SeverityMark severity={severity} withWord /> {message}{' '}
        <span className="text-soft">
          {judged && `${JUDGED_WORDS[judged]} `}
          <span className="whitespace-nowrap">{criterion}</span>
        </span>
      </p>
      {(repairs.length > 0 || setAside) && (
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
          {setAside && (
            <button type="button" className="button" data-look="quiet" data-size="small" onClick={setAside}>
              Set aside …
            </button>
          )}
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
