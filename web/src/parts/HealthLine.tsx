import { many } from '@vennet/core/language';
import type { VerdictName } from '@vennet/core/reach';
import type { FindingCounts } from '@vennet/core/wire';
import { SEVERITY_WORDS, SeverityMark } from './SeverityMark.js';
import { VERDICT_WORDS, VerdictMark } from './VerdictMark.js';

/** The verdicts that want something of the author, the gravest first. */
const WANTING: readonly VerdictName[] = ['broken', 'unreachable', 'doubtful', 'moved', 'unchecked'];

interface HealthProps {
  verdicts: Partial<Record<VerdictName, number>>;
  /** `null` where findings were not counted. */
  findings: FindingCounts | null;
}

/** The health of a book's links in one line: marks, counts and words. What is grave comes first; what is in order is said. */
export function HealthLine({ verdicts, findings }: HealthProps) {
  const wanting = WANTING.filter((verdict) => verdicts[verdict]);
  const { mustFix = 0, shouldFix = 0 } = findings ?? {};
  const isFine = wanting.length === 0 && mustFix + shouldFix === 0;
  return (
    <span className="inline-flex flex-wrap items-center gap-x-3 gap-y-0.5 text-sm">
      {isFine && <VerdictMark verdict="sound" withWord />}
      {wanting.map((verdict) => (
        <span key={verdict} className="inline-flex items-center gap-1">
          <VerdictMark verdict={verdict} />
          <span className="tabular-nums">{verdicts[verdict]}</span>{' '}
          <span aria-hidden="true" className="text-soft">
            {VERDICT_WORDS[verdict].toLowerCase()}
          </span>
        </span>
      ))}
      {mustFix > 0 && <Found severity="must-fix" count={mustFix} />}
      {shouldFix > 0 && <Found severity="should-fix" count={shouldFix} />}
    </span>
  );
}

function Found({ severity, count }: { severity: 'must-fix' | 'should-fix'; count: number }) {
  return (
    <span className="inline-flex items-center gap-1">
      <SeverityMark severity={severity} />
      <span className="tabular-nums">{many(count)}</span>{' '}
      <span aria-hidden="true" className="text-soft">
        {SEVERITY_WORDS[severity].toLowerCase()}
      </span>
    </span>
  );
}
