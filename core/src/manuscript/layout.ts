import type { RoomAttrs } from './attrs.js';

/** Classes by which layout goes out and comes in again: a block that begins a page, and a picture's credit. */
export const NEW_PAGE = 'new-page';
export const CREDIT = 'credit';

/** The distance of ruled lines, in mm (common practice for handwriting). */
export const RULED = 8;

/** How many lines fit into ruled room of a height in mm. */
export const roomLines = (height: number): number => Math.max(1, Math.floor(height / RULED));

type Room = Pick<RoomAttrs, 'height' | 'ruled'>;

/** The rows of which room to write is made where there are only paragraphs, and how high each is, in mm. */
export const roomRows = ({ height, ruled }: Room): { count: number; high: number } =>
  ruled ? { count: roomLines(height), high: RULED } : { count: 1, high: height };

/** The class of room to write. */
export const roomClass = (ruled: boolean): string => (ruled ? 'room ruled' : 'room');

/** How room to write is named where a part of a text has a name alone; `roomNamed` reads it. */
export const roomName = ({ height, ruled }: Room): string => `room ${height}${ruled ? ' ruled' : ''}`;

/** The room to write that a name tells of; `null` for any other name. */
export function roomNamed(name: string): Room | null {
  const [, height, ruled] = /^room (\d+)( ruled)?$/.exec(name) ?? [];
  return height === undefined ? null : { height: Number(height), ruled: ruled !== undefined };
}
