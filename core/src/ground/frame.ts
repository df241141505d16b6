import type { Box } from '../manuscript/index.js';

/** Left, bottom, right and top, in units of the user space of a page (ISO 32000-1, 8.3.2.3). */
export type Rect = readonly [left: number, bottom: number, right: number, top: number];

/** How a page of a PDF is shown (ISO 32000-1, 14.11.2 and table 30). */
export interface PageFrame {
  /** The part of the page that is seen. */
  crop: Rect;
  /** By which it is turned clockwise, in degrees. */
  rotate: 0 | 90 | 180 | 270;
  /** A unit of its user space, in points. */
  unit: number;
}

/** The size of a page as it is shown, in points. */
export function sizeShown({ crop, rotate, unit }: PageFrame): { width: number; height: number } {
  const [wide, high] = [(crop[2] - crop[0]) * unit, (crop[3] - crop[1]) * unit];
  return rotate % 180 === 0 ? { width: wide, height: high } : { width: high, height: wide };
}

interface Point {
  x: number;
  y: number;
}

/** A point of the user space in shares of the page as it is shown, from its upper left corner. It may lie outside. */
export function shownAt({ crop, rotate }: PageFrame, { x, y }: Point): Point {
  const across = (x - crop[0]) / (crop[2] - crop[0]);
  const up = (y - crop[1]) / (crop[3] - crop[1]);
  if (rotate === 90) return { x: up, y: across };
  if (rotate === 180) return { x: 1 - across, y: up };
  if (rotate === 270) return { x: 1 - up, y: 1 - across };
  return { x: across, y: 1 - up };
}

/** The point of the user space at shares of the page as it is shown: the inverse of `shownAt`. */
export function userAt({ crop, rotate }: PageFrame, { x, y }: Point): Point {
  const [across, up] =
    rotate === 90 ? [y, x] : rotate === 180 ? [1 - x, y] : rotate === 270 ? [1 - y, 1 - x] : [x, 1 - y];
  return { x: crop[0] + across * (crop[2] - crop[0]), y: crop[1] + up * (crop[3] - crop[1]) };
}

/** A millionth of a page is a hundredth of a point on the longest page there is. */
const within = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 1e6) / 1e6;
const rounded = (length: number): number => Math.round(length * 1e6) / 1e6;

/** A rectangle of the user space as a box of the page that is shown, as far as it can be seen; `null` where nothing of it can. */
export function boxOf(frame: PageFrame, [left, bottom, right, top]: Rect): Box | null {
  const one = shownAt(frame, { x: left, y: bottom });
  const other = shownAt(frame, { x: right, y: top });
  const [x, y] = [within(Math.min(one.x, other.x)), within(Math.min(one.y, other.y))];
  const [endX, endY] = [within(Math.max(one.x, other.x)), within(Math.max(one.y, other.y))];
  return endX > x && endY > y ? { x, y, width: rounded(endX - x), height: rounded(endY - y) } : null;
}

/** A box of the page that is shown as a rectangle of its user space. */
export function rectOf(frame: PageFrame, { x, y, width, height }: Box): Rect {
  const one = userAt(frame, { x, y });
  const other = userAt(frame, { x: x + width, y: y + height });
  return [
    Math.min(one.x, other.x),
    Math.min(one.y, other.y),
    Math.max(one.x, other.x),
    Math.max(one.y, other.y),
  ];
}
