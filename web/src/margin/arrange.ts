/** Height of a closed slip, in CSS px. */
export const SLIP = 30;

/** What stays free between two slips, in CSS px. */
export const GAP = 4;

/** The open slip: its line in the text, where it stands and how high it is, in CSS px from the top of the margin. */
export interface OpenBox {
  line: number;
  top: number;
  height: number;
}

/** The open slip stands beside its line, or as far above as it must to be seen whole. `bottom` is the lower end of what can be seen. */
export function topOfOpen({
  line,
  bottom,
  height,
}: {
  line: number;
  bottom: number;
  height: number;
}): number {
  const lowest = Math.max(line - height + SLIP, bottom - height - 2 * GAP);
  return Math.max(0, Math.min(line - 10, lowest));
}

/**
 * Where closed slips stand, given the lines that they belong to in their order: beside their lines, one below the other,
 * and clear of the open one.
 */
export function arrange(lines: readonly number[], open: OpenBox | null): number[] {
  const firstBelow = open ? lines.findIndex((line) => line >= open.line) : -1;
  const above = firstBelow < 0 ? lines.length : firstBelow;
  const tops = stacked(lines.slice(0, above), -Infinity);
  if (!open) return tops;
  let ceiling = open.top - GAP;
  for (let index = above - 1; index >= 0 && tops[index]! + SLIP > ceiling; index--) {
    tops[index] = ceiling - SLIP;
    ceiling = tops[index]! - GAP;
  }
  return [...tops, ...stacked(lines.slice(above), open.top + open.height + GAP)];
}

/** One below the other from a floor on, each beside its line or as near below as there is room. */
function stacked(lines: readonly number[], floor: number): number[] {
  return lines.map((line) => {
    const top = Math.max(line, floor);
    floor = top + SLIP + GAP;
    return top;
  });
}
