export { ARCHIVE_BOUNDS, unpack } from './book/archive.js';
export type { ArchiveBounds } from './book/archive.js';
export { bringIn } from './bring-in.js';
export type { BringInSource } from './bring-in.js';
export type { BroughtEnclosure, BroughtIn } from './book/brought-in.js';
export { BringInError } from './book/refusal.js';
export type { BringInFault } from './book/refusal.js';
export { reportWords } from './book/report.js';
export type { BringInReport, ReportLine } from './book/report.js';
