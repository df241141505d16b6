import { useEffect, useState, type DependencyList } from 'react';

/** How long one slice of work may take, in ms: a frame has time for it beside the painting. */
const SLICE = 8;

/** Work that says after each small piece that it can be interrupted, and ends with what it made. */
export type Sliced<Made> = Generator<void, Made>;

/**
 * What long work makes, done in slices so that the page goes on living: `null` until it was made for the first time, and what was made
 * before while it is made anew.
 */
export function useInSlices<Made>(make: () => Sliced<Made>, deps: DependencyList): Made | null {
  const [made, setMade] = useState<Made | null>(null);
  useEffect(() => {
    const work = make();
    let isOver = false;
    const channel = new MessageChannel();
    const goOn = () => {
      const until = performance.now() + SLICE;
      while (!isOver && performance.now() < until) {
        const step = work.next();
        if (!step.done) continue;
        setMade(() => step.value);
        isOver = true;
      }
      if (!isOver) channel.port2.postMessage(null);
    };
    channel.port1.onmessage = goOn;
    // The room is painted before anything is begun.
    const frame = requestAnimationFrame(() => channel.port2.postMessage(null));
    return () => {
      isOver = true;
      cancelAnimationFrame(frame);
      channel.port1.close();
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- they are those of the caller
  }, deps);
  return made;
}

/** A list made of another one, some at a time. */
export function* mapped<Item, Made>(items: readonly Item[], make: (item: Item) => Made): Sliced<Made[]> {
  const made: Made[] = [];
  for (const [at, item] of items.entries()) {
    made.push(make(item));
    if (at % 64 === 63) yield;
  }
  return made;
}

/** Items in order; those that are equal stay as they came. Short runs are sorted, then merged two by two. */
export function* ordered<Item>(
  items: readonly Item[],
  compare: (one: Item, other: Item) => number,
): Sliced<Item[]> {
  let runs: Item[][] = [];
  for (let at = 0; at < items.length; at += 512) {
    runs.push(items.slice(at, at + 512).sort(compare));
    yield;
  }
  while (runs.length > 1) {
    const merged: Item[][] = [];
    for (let at = 0; at < runs.length; at += 2)
      merged.push(yield* merge(runs[at]!, runs[at + 1] ?? [], compare));
    runs = merged;
  }
  return runs[0] ?? [];
}

function* merge<Item>(
  one: Item[],
  other: Item[],
  compare: (one: Item, other: Item) => number,
): Sliced<Item[]> {
  const made: Item[] = [];
  let [at, from] = [0, 0];
  while (at < one.length && from < other.length) {
    made.push(compare(one[at]!, other[from]!) <= 0 ? one[at++]! : other[from++]!);
    if (made.length % 512 === 0) yield;
  }
  return made.concat(one.slice(at), other.slice(from));
}
