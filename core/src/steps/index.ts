export { applySteps, stepsFrom, StepsRefused } from './applied.js';
export { stepsBetween } from './between.js';
export { rebase } from './rebase.js';
export type { Rebased } from './rebase.js';
export { takeBack } from './take-back.js';
export type { DoneSteps, TakenBack } from './take-back.js';
export { wordsPutIn } from './words.js';
