export { trimmedEnds } from './ends.js';
export { applyRepair, repairBook } from './repair.js';
export type { BookRepair, Repair } from './repair.js';
