export { safeFileName, travellingPaths } from './file-names.js';
export { NO_SURROUNDINGS, OPENS_FOR, TRAVELS } from './shelf-file.js';
export type { OpensFor, OtherBook, ShelfFile, Surroundings, Travels } from './shelf-file.js';
