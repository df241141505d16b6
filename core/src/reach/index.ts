export type { Answer, Failure, Hop } from './answer.js';
export { verdictInside } from './inside.js';
export { verdictOf } from './verdict.js';
export type { Verdict, VerdictName } from './verdict.js';
