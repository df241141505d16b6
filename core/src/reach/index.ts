export { FAILURES } from './answer.js';
export type { Answer, Failure, Hop } from './answer.js';
export { askedAddress, verdictInside } from './inside.js';
export type { Inside } from './inside.js';
export { VERDICT_TABLE, verdictOf, VERDICTS } from './verdict.js';
export type { Verdict, VerdictName } from './verdict.js';
