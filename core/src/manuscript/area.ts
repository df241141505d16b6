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
}

/** The smallest side of an area, as a share of the picture. */
export const SMALLEST_SIDE = 0.01;

/** Shares are kept to a ten-thousandth: a twentieth of a millimetre on the widest page. */
const round = (share: number) => Math.round(share * 10_000) / 10_000;

/** The nearest box that lies within the picture and is large enough to be pressed. */
export function withinPicture({ x, y, width, height }: Box): Box {
  const wide = Math.min(1, Math.max(SMALLEST_SIDE, width));
  const high = Math.min(1, Math.max(SMALLEST_SIDE, height));
  return {
    x: round(Math.min(1 - wide, Math.max(0, x))),
    y: round(Math.min(1 - high, Math.max(0, y))),
    width: round(wide),
    height: round(high),
  };
}

/** The box between two corners, whichever way it was drawn. */
export function boxBetween(a: { x: number; y: number }, b: { x: number; y: number }): Box {
  return withinPicture({
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  });
}

/** Says what is wrong with a value that should be a link area, or `null`; its id is looked at elsewhere. */
export function faultInArea(value: unknown): { path: string; message: string } | null {
  if (typeof value !== 'object' || value === null) return { path: '', message: 'an area must be an object' };
  const area = value as Record<string, unknown>;
  for (const side of ['x', 'y', 'width', 'height'])
    if (typeof area[side] !== 'number' || !(area[side] >= 0 && area[side] <= 1))
      return { path: side, message: 'must be a share of the picture, 0 to 1' };
  const { x, y, width, height } = area as unknown as Box;
  if (width === 0 || height === 0) return { path: 'width', message: 'an area has a width and a height' };
  if (x + width > 1.0002 || y + height > 1.0002)
    return { path: 'x', message: 'an area lies within its picture' };
  if (typeof area.name !== 'string') return { path: 'name', message: 'must be words' };
  if (typeof area.hoverNote !== 'string') return { path: 'hoverNote', message: 'must be words' };
  const wrong = faultInDestination(area.destination);
  if (wrong) return { path: 'destination', message: wrong };
  const frame = area.frame === null ? null : faultInFrame(area.frame);
  return frame ? { path: 'frame', message: frame } : null;
}
