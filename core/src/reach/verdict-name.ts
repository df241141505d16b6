/** What a check says of a destination. What needs the author comes first. */
export const VERDICTS = [
  'broken',
  'unreachable',
  'moved',
  'guarded',
  'doubtful',
  'unchecked',
  'sound',
] as const;
export type VerdictName = (typeof VERDICTS)[number];
