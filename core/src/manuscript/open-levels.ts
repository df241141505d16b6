/**
 * Follows headings in their order, and says of each how deep it stands among those that are open: 1 for the topmost. A level
 * that is jumped over is no step.
 */
export function openLevels(): (level: number) => number {
  const open: number[] = [];
  return (level) => {
    while ((open.at(-1) ?? 0) >= level) open.pop();
    return open.push(level);
  };
}
