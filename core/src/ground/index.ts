export { boxOf, rectOf, shownAt, sizeShown, userAt } from './frame.js';
export type { PageFrame, Rect } from './frame.js';
export { boxesOf, joined, wordsIn, wordsOfLine, wordsOfPage } from './page-text.js';
export type { Line, PageText, Piece, Stretch } from './page-text.js';
export { headingsIn } from './headings.js';
export type { FoundHeading } from './headings.js';
export { OUGHT_KINDS, oughtToBeLinks, SURENESS } from './ought-to-be-links.js';
export type { OughtKind, OughtToBeLink, PagesRead, Sureness } from './ought-to-be-links.js';
export { snapped } from './snapping.js';
