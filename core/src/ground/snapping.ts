import type { Box } from '../manuscript/index.js';

/** How near an edge has to be to another to come onto it, in shares of the page across and down. */
export interface Reach {
  across: number;
  down: number;
}

const nearest = (edge: number, edges: readonly number[], reach: number): number | null =>
  edges.reduce<number | null>((best, one) => {
    const distance = Math.abs(one - edge);
    return distance <= reach && (best === null || distance < Math.abs(best - edge)) ? one : best;
  }, null);

/**
 * A box whose edges come onto those of what is near: words, pictures, other areas, the page itself. One that is moved keeps its size,
 * and comes onto the nearest edge on either side.
 */
export function snapped(box: Box, others: readonly Box[], reach: Reach, keepsSize: boolean): Box {
  const all = [...others, { x: 0, y: 0, width: 1, height: 1 }];
  const columns = all.flatMap(({ x, width }) => [x, x + width]);
  const rows = all.flatMap(({ y, height }) => [y, y + height]);
  const [x, width] = side(box.x, box.width, columns, reach.across, keepsSize);
  const [y, height] = side(box.y, box.height, rows, reach.down, keepsSize);
  return { x, y, width, height };
}

function side(
  start: number,
  length: number,
  edges: readonly number[],
  reach: number,
  keepsSize: boolean,
): [start: number, length: number] {
  const [first, last] = [nearest(start, edges, reach), nearest(start + length, edges, reach)];
  if (keepsSize) {
    const shifts = [first === null ? null : first - start, last === null ? null : last - start - length];
    const shift = shifts.reduce<number | null>(
      (best, one) => (one !== null && (best === null || Math.abs(one) < Math.abs(best)) ? one : best),
      null,
    );
    return [start + (shift ?? 0), length];
  }
  const [from, to] = [first ?? start, last ?? start + length];
  return to > from ? [from, to - from] : [start, length];
}
