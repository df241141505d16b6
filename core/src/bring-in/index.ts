export { ARCHIVE_BOUNDS, unpack } from './archive.js';
export type { ArchiveBounds } from './archive.js';
export { bringIn } from './bring-in.js';
export type { BringInSource, BroughtIn } from './bring-in.js';
export { readPicture, withoutScripts } from './picture.js';
export type { BroughtEnclosure } from './picture.js';
export { BringInError } from './refusal.js';
export type { BringInFault } from './refusal.js';
export type { BringInReport, ReportLine } from './report.js';
