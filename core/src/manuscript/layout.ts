/** Classes by which layout goes out and comes in again: a block that begins a page, and a picture's credit. */
export const NEW_PAGE = 'new-page';
export const CREDIT = 'credit';

/** The distance of ruled lines, in mm (common practice for handwriting). */
export const RULED = 8;

/** How many lines fit into ruled room of a height in mm. */
export const roomLines = (height: number): number => Math.max(1, Math.floor(height / RULED));
