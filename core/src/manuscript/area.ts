import { faultInDestination, type Destination } from '../destination/index.js';
import { faultInFrame, type AreaFrame } from './look.js';

/** A rectangle in shares of a picture's width and height: 0 to 1 from its upper left corner. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * A part of a picture that leads somewhere. Since its box is in shares of the picture, it stays in proportion whatever
 * size the picture is shown at. `name` is what a screen reader says (HTML `alt` of an area; WCAG H24).
 */
export interface LinkArea extends Box {
  id: string;
  name: string;
  destination: Destination;
  hoverNote: string;
  /** `null`: unseen. */
  frame: AreaFrame | null;
  /** On a page: the words that stand there. */
  words?: string;
  /** On a page: the lines of words that it covers, where it is no single rectangle; the box is around them. */
  lines?: readonly Box[];
  /** On a page: the link of the file that it was read from. */
  from?: string;
}

/** What a link area says: its name, or the words of the page that stand there. */
export const saidOfArea = ({ name, words = '' }: Pick<LinkArea, 'name' | 'words'>): string => name || words;

/** The smallest side of an area, as a share of a picture and of a page. */
export const SMALLEST_SIDE = 0.01;
export const SMALLEST_ON_PAGE = 0.001;

/** Shares are kept to a hundred-thousandth: a hundredth of a point on a sheet that is a metre high. */
const round = (share: number) => Math.round(share * 100_000) / 100_000;

/** The nearest box that lies within the picture or page and is large enough to be pressed. */
export function withinPicture({ x, y, width, height }: Box, smallest = SMALLEST_SIDE): Box {
  const wide = Math.min(1, Math.max(smallest, width));
  const high = Math.min(1, Math.max(smallest, height));
  return {
    x: round(Math.min(1 - wide, Math.max(0, x))),
    y: round(Math.min(1 - high, Math.max(0, y))),
    width: round(wide),
    height: round(high),
  };
}

/** The box between two corners, whichever way it was drawn. */
export function boxBetween(
  a: { x: number; y: number },
  b: { x: number; y: number },
  smallest = SMALLEST_SIDE,
): Box {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return withinPicture({ x, y, width: Math.abs(a.x - b.x), height: Math.abs(a.y - b.y) }, smallest);
}

/** How much two boxes have in common: a surface. */
export function sharedBy(one: Box, other: Box): number {
  const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
  return across <= 0 || down <= 0 ? 0 : across * down;
}

/** How much of the smaller one of two boxes lies in the other, as a share. */
export const overlapOf = (one: Box, other: Box): number =>
  sharedBy(one, other) / Math.min(one.width * one.height, other.width * other.height);

/** Whether the middle of one box lies in another. */
export function holdsMiddle(box: Box, other: Box): boolean {
  const [x, y] = [other.x + other.width / 2, other.y + other.height / 2];
  return x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height;
}

/** The smallest box around some boxes. */
export function boxAround(boxes: readonly Box[]): Box {
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  const right = Math.max(...boxes.map((box) => box.x + box.width));
  const bottom = Math.max(...boxes.map((box) => box.y + box.height));
  return { x, y, width: right - x, height: bottom - y };
}

function faultInBox(value: unknown): { path: string; message: string } | null {
  if (typeof value !== 'object' || value === null) return { path: '', message: 'a box must be an object' };
  const box = value as Record<string, unknown>;
  for (const side of ['x', 'y', 'width', 'height'])
    if (typeof box[side] !== 'number' || !(box[side] >= 0 && box[side] <= 1))
      return { path: side, message: 'must be a share of the picture, 0 to 1' };
  const { x, y, width, height } = box as unknown as Box;
  if (width === 0 || height === 0) return { path: 'width', message: 'an area has a width and a height' };
  return x + width > 1.0002 || y + height > 1.0002
    ? { path: 'x', message: 'an area lies within its picture' }
    : null;
}

/** Says what is wrong with a value that should be a link area, or `null`; its id is looked at elsewhere. */
export function faultInArea(value: unknown): { path: string; message: string } | null {
  if (typeof value !== 'object' || value === null) return { path: '', message: 'an area must be an object' };
  const area = value as Record<string, unknown>;
  const misplaced = faultInBox(area);
  if (misplaced) return misplaced;
  const { words, lines, from } = area;
  if (words !== undefined && typeof words !== 'string') return { path: 'words', message: 'must be words' };
  if (from !== undefined && typeof from !== 'string') return { path: 'from', message: 'must be words' };
  if (lines !== undefined && !(Array.isArray(lines) && lines.every((line) => faultInBox(line) === null)))
    return { path: 'lines', message: 'must be boxes' };
  if (typeof area.name !== 'string') return { path: 'name', message: 'must be words' };
  if (typeof area.hoverNote !== 'string') return { path: 'hoverNote', message: 'must be words' };
  const wrong = faultInDestination(area.destination);
  if (wrong) return { path: 'destination', message: wrong };
  const frame = area.frame === null ? null : faultInFrame(area.frame);
  return frame ? { path: 'frame', message: frame } : null;
}
