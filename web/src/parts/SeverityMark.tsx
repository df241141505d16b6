import type { Severity } from '@vennet/core/audit';
import { memo } from 'react';

export const SEVERITY_WORDS: Record<Severity, string> = {
  'must-fix': 'Must fix',
  'should-fix': 'Should fix',
  consider: 'Consider',
};

const COLOURS: Record<Severity, string> = {
  'must-fix': 'var(--broken)',
  'should-fix': 'var(--moved)',
  consider: 'var(--soft)',
};

/** The mark of a finding: a flag, full, half or plain. */
export const SeverityMark = memo(function SeverityMark({
  severity,
  withWord = false,
}: {
  severity: Severity;
  withWord?: boolean;
}) {
  return (
    <span
      className="inline-flex items-center gap-1.5 align-middle whitespace-nowrap"
      style={{ color: COLOURS[severity] }}
    >
      <svg
        viewBox="0 0 16 16"
        width="15"
        height="15"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
        strokeLinejoin="round"
        aria-hidden="true"
        className="shrink-0"
      >
        <path d="M3.5 14.5v-12" strokeLinecap="round" />
        <path d="M3.5 2.8h9l-2.6 3 2.6 3h-9Z" fill={severity === 'must-fix' ? 'currentColor' : 'none'} />
        {severity === 'should-fix' && <path d="M3.5 5.8h6.4l2.6 3h-9Z" fill="currentColor" />}
      </svg>
      <span className={withWord ? 'font-semibold' : 'sr-only'}>{SEVERITY_WORDS[severity]}</span>
    </span>
  );
});
