export { carryOver } from './apply.js';
export type { CarriedTo, FilesNow } from './apply.js';
export { FATES, planCarryOver } from './plan.js';
export type { Carried, CarryPlan, Fate, Passage } from './plan.js';
export type { MadeKind } from './made.js';
