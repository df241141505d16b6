export interface TurnOptions {
  /** Items that are worked on at one time, in all and of one host. */
  atOnce: number;
  perHost: number;
  hostOf(item: string): string;
  /** How long a host has to be left alone yet, in ms; more than 0 lets others go first. */
  waitFor(host: string): number;
  signal: AbortSignal;
}

interface Waiting {
  item: string;
  attempt: number;
  /** Not before this time, in ms of `performance.now`. */
  after: number;
}

interface Host {
  queue: Waiting[];
  busy: number;
  /** Something of it wanted another turn: it will take longer than others, and goes first. */
  isLong: boolean;
}

/**
 * Works through items, so many at a time. `work` gives `null` when an item is done, or the time in ms after which it wants
 * another turn; others go on meanwhile. Ends when all are done or, after what is under way has ended, when the signal says stop.
 */
export function inTurn(
  items: readonly string[],
  { atOnce, perHost, hostOf, waitFor, signal }: TurnOptions,
  work: (item: string, attempt: number) => Promise<number | null>,
): Promise<void> {
  const hosts = new Map<string, Host>();
  for (const item of items) {
    const name = hostOf(item);
    const host = hosts.get(name);
    const one = { item, attempt: 1, after: 0 };
    if (host) host.queue.push(one);
    else hosts.set(name, { queue: [one], busy: 0, isLong: false });
  }
  let running = 0;
  let alarm: NodeJS.Timeout | undefined;

  return new Promise((resolve, reject) => {
    let failure: { error: unknown } | null = null;
    const run = async (host: Host, { item, attempt }: Waiting) => {
      running++;
      host.busy++;
      try {
        const again = await work(item, attempt);
        if (again !== null) {
          host.isLong = true;
          host.queue.push({ item, attempt: attempt + 1, after: performance.now() + again });
        }
      } catch (error) {
        if (!signal.aborted) failure ??= { error };
      } finally {
        running--;
        host.busy--;
        start();
      }
    };
    /** How long a host's next item has to wait, in ms; `Infinity` when something has to end first. */
    const waitOf = (name: string, { queue, busy }: Host): number => {
      if (queue.length === 0 || busy >= perHost) return Infinity;
      const soonest = Math.min(...queue.map(({ after }) => after)) - performance.now();
      return soonest > 0 ? soonest : waitFor(name);
    };
    /** Starts what may start, and gives the time in ms until more may; `Infinity` when something has to end first. */
    const startFree = (): number => {
      let soonest = Infinity;
      let took = true;
      while (took) {
        took = false;
        for (const [name, host] of hosts) {
          if (host.queue.length === 0 && host.busy === 0) hosts.delete(name);
          for (let turns = host.isLong ? perHost : 1; turns > 0; turns--) {
            if (running >= atOnce) return Infinity;
            const wait = waitOf(name, host);
            soonest = Math.min(soonest, wait > 0 ? wait : Infinity);
            if (wait > 0) break;
            took = true;
            const at = host.queue.findIndex(({ after }) => after <= performance.now());
            void run(host, host.queue.splice(at, 1)[0]!);
            // Its next turn comes after those of all others.
            if (!host.isLong && hosts.delete(name)) hosts.set(name, host);
          }
        }
      }
      return soonest;
    };
    /** Takes from each host in turn, so that one with many addresses does not hold up the rest. */
    const start = () => {
      clearTimeout(alarm);
      if (!signal.aborted && !failure) {
        const wait = startFree();
        if (Number.isFinite(wait)) alarm = setTimeout(start, wait + 1);
      }
      if (running > 0) return;
      if (failure)
        return reject(failure.error instanceof Error ? failure.error : new Error(String(failure.error)));
      if (signal.aborted || hosts.size === 0) resolve();
    };
    signal.addEventListener('abort', start, { once: true });
    start();
  });
}
