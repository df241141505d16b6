export { GroundError, groundFile, MOST_PAGES, openGround } from './open.js';
export type { GroundFault, GroundFile } from './open.js';
export { pageId, readGround } from './read-ground.js';
export type { GroundRead, TextOf } from './read-ground.js';
export { pagesThatDiffer } from './same-pages.js';
export { readMarked, readText } from './read-text.js';
export { Structure } from './structure.js';
export { writeGround } from './write-ground.js';
export type { GroundTarget, GroundWritten, MarkedPiece, WriteGround } from './write-ground.js';
