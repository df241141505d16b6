export { trimmedEnds } from './ends.js';
export { findMentions, linkMentions } from './mentions.js';
export type { Mention, MentionLink, MentionSearch } from './mentions.js';
export { findWords, replaceAll, replaceHits } from './find.js';
export type { FindSearch, Hit, Replaced } from './find.js';
export { applyInsideRepair } from './inside-repair.js';
export type { InsideRepair, InsideTarget } from './inside-repair.js';
export { applyRepair, repairBook, repairPlanned } from './repair.js';
export type { BookRepair, Planned, Repair } from './repair.js';
export {
  afterRepairs,
  faultInPrefixes,
  leadElsewhere,
  planDestinations,
  planEach,
  planPrefix,
  planWithoutTracking,
} from './plans.js';
export type { LinkAfter, Plan, RefusedRepair } from './plans.js';
export { findSpots, itemSpot, numberedItemAt, spotOfWords } from './unnamed-spots.js';
export type { SpotSearch, UnnamedSpot } from './unnamed-spots.js';
export { findFileLabels, labelInName } from './file-labels.js';
export type { FileLabel } from './file-labels.js';
