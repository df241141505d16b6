/** The best of several runs, in ms: what the work takes when nothing disturbs it. */
export async function best(runs: number, work: () => unknown): Promise<number> {
  let least = Infinity;
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    await work();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

/** The best of several runs of works that take turns, in ms: what disturbs the machine for a while disturbs all of them. */
export async function bestInTurn(runs: number, works: readonly (() => unknown)[]): Promise<number[]> {
  const least = works.map(() => Infinity);
  for (let run = 0; run < runs; run++)
    for (const [index, work] of works.entries())
      least[index] = Math.min(least[index] ?? Infinity, await best(1, work));
  return least;
}

/** One line of the result: what was measured, against which floor, and the bar that it has to keep. */
export function line(what: string, time: number, floor: string, floorTime: number, bar: number | null): void {
  const ratio = time / floorTime;
  const kept = bar === null ? '' : ratio <= bar ? `  (bar ${bar}: kept)` : `  (bar ${bar}: MISSED)`;
  console.log(
    `${what}: ${ratio.toFixed(2)} × ${floor}${kept}   [${time.toFixed(0)} ms / ${floorTime.toFixed(0)} ms]`,
  );
}
