import type { HostSlots } from './host-slots.js';

export interface TurnOptions {
  atOnce: number;
  hostOf(item: string): string;
  slots: HostSlots;
  signal: AbortSignal;
}

interface Waiting {
  item: string;
  attempt: number;
}

/**
 * Works through items, `atOnce` at a time and within the slots of each item's host. `work` gives `null` when an item is
 * done, or the time in ms after which it wants another turn; its host is left alone until then. Ends when all are done
 * or, after what is under way has ended, when the signal says stop.
 */
export function inTurn(
  items: readonly string[],
  { atOnce, hostOf, slots, signal }: TurnOptions,
  work: (item: string, attempt: number) => Promise<number | null>,
): Promise<void> {
  const hosts = new Map<string, Waiting[]>();
  for (const item of items) {
    const host = hostOf(item);
    const queue = hosts.get(host);
    if (queue) queue.push({ item, attempt: 1 });
    else hosts.set(host, [{ item, attempt: 1 }]);
  }
  const resting = new Map<string, NodeJS.Timeout>();
  let running = 0;

  return new Promise((resolve, reject) => {
    let failure: { error: unknown } | null = null;
    const settle = () => {
      if (running > 0) return;
      if (failure)
        return reject(failure.error instanceof Error ? failure.error : new Error(String(failure.error)));
      if (signal.aborted || hosts.size === 0) {
        for (const timer of resting.values()) clearTimeout(timer);
        resolve();
      }
    };
    const rest = (host: string, time: number) => {
      clearTimeout(resting.get(host));
      resting.set(
        host,
        setTimeout(() => {
          resting.delete(host);
          start();
        }, time),
      );
    };
    const run = async (host: string, { item, attempt }: Waiting) => {
      running++;
      await slots.take(host);
      try {
        const again = await work(item, attempt);
        if (again !== null) {
          rest(host, again);
          hosts.set(host, [...(hosts.get(host) ?? []), { item, attempt: attempt + 1 }]);
        }
      } catch (error) {
        if (!signal.aborted) failure ??= { error };
      } finally {
        slots.release(host);
        running--;
        start();
      }
    };
    /** Takes from each host in turn, so that one with many addresses does not hold up the rest. */
    const start = () => {
      let took = true;
      while (took && !signal.aborted && !failure) {
        took = false;
        for (const [host, queue] of [...hosts]) {
          if (running >= atOnce) return;
          const next = !resting.has(host) && slots.isFree(host) ? queue.shift() : undefined;
          if (queue.length === 0) hosts.delete(host);
          if (next) {
            took = true;
            void run(host, next);
          }
        }
      }
      settle();
    };
    signal.addEventListener('abort', start, { once: true });
    start();
  });
}
