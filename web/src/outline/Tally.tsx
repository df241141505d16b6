import type { VerdictName } from '@vennet/core/reach';
import { SeverityMark } from '../parts/SeverityMark.js';
import { VerdictMark } from '../parts/VerdictMark.js';

/** The verdicts that a chapter's tally shows: those that want something of the author. */
const TALLIED: VerdictName[] = ['broken', 'unreachable', 'moved'];

export type Verdicts = Partial<Record<VerdictName, number>>;

/** How many links of a chapter want something, and how many findings it has. */
export function Tally({ verdicts, findings }: { verdicts: Verdicts; findings: number }) {
  return (
    <span className="mt-0.5 flex shrink-0 gap-1.5 text-xs font-normal tabular-nums">
      {TALLIED.map((verdict) => {
        const count = verdicts[verdict];
        return (
          count && (
            <span key={verdict} className="flex items-center gap-0.5">
              <VerdictMark verdict={verdict} />
              {count}
            </span>
          )
        );
      })}
      {findings > 0 && (
        <span className="flex items-center gap-0.5">
          <SeverityMark severity="should-fix" />
          {findings}
        </span>
      )}
    </span>
  );
}
