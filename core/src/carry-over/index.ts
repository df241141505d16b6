export { carryOver } from './apply.js';
export type { CarriedTo, FilesNow } from './apply.js';
export { FATES, planCarryOver } from './plan.js';
export type { Carried, CarriedKind, CarryPlan, Fate, Passage } from './plan.js';
export { Locator } from './locate.js';
export type { Located } from './locate.js';
export { END } from './tokens.js';
export type { Token } from './tokens.js';
export type { MadeKind } from './made.js';
