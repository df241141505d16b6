import type { VerdictName } from '@vennet/core/reach';
import { memo, type ReactElement } from 'react';

/** The words of the verdicts. */
export const VERDICT_WORDS: Record<VerdictName, string> = {
  broken: 'Broken',
  unreachable: 'Unreachable',
  moved: 'Moved',
  guarded: 'Guarded',
  doubtful: 'Doubtful',
  unchecked: 'Unchecked',
  sound: 'Sound',
};

export const VERDICT_COLOURS: Record<VerdictName, string> = {
  broken: 'var(--broken)',
  unreachable: 'var(--broken)',
  moved: 'var(--moved)',
  guarded: 'var(--guarded)',
  doubtful: 'var(--moved)',
  unchecked: 'var(--soft)',
  sound: 'var(--sound)',
};

/** Each verdict is a lamp seen from the sea: lit, moving, screened, half lit, gone, broken, not yet looked at. */
const DRAWINGS: Record<VerdictName, ReactElement> = {
  sound: (
    <>
      <circle cx="8" cy="8" r="3.6" fill="currentColor" stroke="none" />
      <path d="M8 .9v1.8M8 13.3v1.8M.9 8h1.8M13.3 8h1.8" />
    </>
  ),
  moved: (
    <>
      <circle cx="4.2" cy="8" r="2.6" strokeDasharray="1.6 1.6" />
      <path d="M8 8h6M11.4 5.2 14.3 8l-2.9 2.8" />
    </>
  ),
  guarded: (
    <>
      <circle cx="8" cy="8" r="6.1" />
      <path d="M5.4 3v10M8 2v12M10.6 3v10" />
    </>
  ),
  doubtful: (
    <>
      <circle cx="8" cy="8" r="5.6" />
      <path d="M8 2.4a5.6 5.6 0 0 0 0 11.2Z" fill="currentColor" />
    </>
  ),
  unreachable: (
    <path d="M1.6 10.8q1.6-2.4 3.2 0t3.2 0 3.2 0 3.2 0M3 7.2a5.2 5.2 0 0 1 10 0" strokeDasharray="2.4 1.7" />
  ),
  broken: (
    <>
      <path d="M9.6 2.6a5.6 5.6 0 0 1 3.6 7.2M6.4 13.4a5.6 5.6 0 0 1-3.7-7.1" />
      <path d="M11.6 2.2 4.4 13.8" strokeWidth="2" />
    </>
  ),
  unchecked: <circle cx="8" cy="8" r="3.4" strokeDasharray="1.5 1.5" />,
};

/** The mark of a verdict. Its word stands beside it, or is given to those who can't see the mark. */
export const VerdictMark = memo(function VerdictMark({
  verdict,
  withWord = false,
}: {
  verdict: VerdictName;
  withWord?: boolean;
}) {
  return (
    <span
      className="inline-flex items-center gap-1.5 align-middle whitespace-nowrap"
      style={{ color: VERDICT_COLOURS[verdict] }}
    >
      <svg
        viewBox="0 0 16 16"
        width="16"
        height="16"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
        strokeLinecap="round"
        aria-hidden="true"
        className="shrink-0"
      >
        {DRAWINGS[verdict]}
      </svg>
      <span className={withWord ? 'font-semibold' : 'sr-only'}>{VERDICT_WORDS[verdict]}</span>
    </span>
  );
});
