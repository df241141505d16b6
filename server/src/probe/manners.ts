import type { Resolve } from './names.js';

export interface MannersOptions {
  /** Requests under way in all: for pages, and for what is asked beside them. */
  atOnce: number;
  beside: number;
  /** Requests under way at one host, and at one address. */
  perHost: number;
  /** Requests that are begun at one host in a second, and at one address; 0 for no limit. */
  rate: number;
  /** Rests that are waited for, in ms; a longer one ends the host for this run. */
  longestRest: number;
  /** Where a host may be asked: what is behind one address counts together. */
  reachable: Resolve;
  now(): number;
  /** Is told of every rest, to be kept over a restart. */
  rests?: Rests;
}

/** The rests that hosts asked for, kept somewhere. Times are in ms since 1970. */
export interface Rests {
  until(host: string): number | undefined;
  keep(host: string, until: number): void;
}

/** A host asked for a rest that is longer than anybody waits. */
export class RestError extends Error {
  readonly code = 'VENNET_RESTING';

  constructor(
    host: string,
    readonly until: number,
  ) {
    super(`${host} asked for a rest until ${new Date(until).toISOString()}`);
  }
}

/** What is under way at a host or at an address, and when the next request may begin. */
interface Lane {
  busy: number;
  next: number;
  restUntil: number;
  refusals: number;
}

/** At a host that said twice that it is asked too often: one request at once, at this distance in ms at least. */
const SLOWED = 2_000;

/** Waits before every request, so that no host is asked too much: so many at once, at a steady rate, and not while it rests. */
export class Manners {
  readonly #lanes = new Map<string, Lane>();
  readonly #addressOf = new Map<string, string>();
  readonly #waiting = new Set<() => void>();
  readonly #all = { page: 0, beside: 0 };

  constructor(readonly options: MannersOptions) {}

  /** A new run: what hosts said in the one before is not held against them. */
  forgive(): void {
    for (const lane of this.#lanes.values()) lane.refusals = 0;
  }

  /** The rest that a host has left, in ms. */
  restOf(host: string): number {
    return Math.max(0, this.#lane(host).restUntil - this.options.now());
  }

  #waitFor(host: string): number {
    const now = this.options.now();
    return Math.max(...this.#lanesOf(host).map((lane) => this.#wait(lane, now)));
  }

  /**
   * Waits for a turn at a host; what comes back ends it, and says how long was waited, in ms.
   * @throws RestError when the host rests for longer than is waited for
   */
  async turn(
    host: string,
    kind: 'page' | 'beside',
    signal: AbortSignal,
  ): Promise<{ waited: number; end(): void }> {
    if (!this.#addressOf.has(host)) {
      const [first] = await this.options.reachable(nameOf(host)).catch(() => []);
      this.#addressOf.set(host, first?.address ?? host);
    }
    const { now } = this.options;
    const begun = now();
    for (;;) {
      signal.throwIfAborted();
      const until = this.restingUntil(host);
      if (until !== null) throw new RestError(host, until);
      const isFull = this.#all[kind] >= this.options[kind === 'page' ? 'atOnce' : 'beside'];
      const wait = isFull ? Infinity : this.#waitFor(host);
      if (wait <= 0) break;
      await this.#change(wait, signal);
    }
    const lanes = this.#lanesOf(host);
    this.#all[kind]++;
    for (const lane of lanes) {
      lane.busy++;
      lane.next = Math.max(now(), lane.next) + this.#distance(lane);
    }
    let ended = false;
    return {
      waited: now() - begun,
      end: () => {
        if (ended) return;
        ended = true;
        this.#all[kind]--;
        for (const lane of lanes) lane.busy--;
        for (const wake of [...this.#waiting]) wake();
      },
    };
  }

  /** A host asked for a rest: the longest one wins. */
  rest(host: string, time: number): void {
    const lane = this.#lane(host);
    const until = this.options.now() + time;
    if (until <= lane.restUntil) return;
    lane.restUntil = until;
    this.options.rests?.keep(host, until);
  }

  /** A host said that it is asked too often; said twice, it is slowed for the rest of the run. */
  refused(host: string): void {
    this.#lane(host).refusals++;
  }

  /** Until when a host rests that rests for longer than anybody waits; `null` for one that can be asked. */
  restingUntil(host: string): number | null {
    const { restUntil } = this.#lane(host);
    return restUntil - this.options.now() > this.options.longestRest ? restUntil : null;
  }

  #lanesOf(host: string): Lane[] {
    const address = this.#addressOf.get(host);
    return address === undefined || address === host
      ? [this.#lane(host)]
      : [this.#lane(host), this.#lane(`at ${address}`)];
  }

  #lane(key: string): Lane {
    let lane = this.#lanes.get(key);
    if (!lane) {
      const restUntil = this.options.rests?.until(key) ?? 0;
      this.#lanes.set(key, (lane = { busy: 0, next: 0, restUntil, refusals: 0 }));
    }
    return lane;
  }

  #wait(lane: Lane, now: number): number {
    if (lane.restUntil > now) return lane.restUntil - now;
    if (lane.busy >= (lane.refusals > 1 ? 1 : this.options.perHost)) return Infinity;
    return lane.next - now;
  }

  #distance({ refusals }: Lane): number {
    const { rate } = this.options;
    const usual = rate > 0 ? 1000 / rate : 0;
    return refusals > 1 && rate > 0 ? Math.max(SLOWED, 4 * usual) : usual;
  }

  /** Until a turn ends or a time is over. */
  #change(time: number, signal: AbortSignal): Promise<void> {
    return new Promise((resolve) => {
      let timer: NodeJS.Timeout | undefined;
      const wake = () => {
        clearTimeout(timer);
        this.#waiting.delete(wake);
        signal.removeEventListener('abort', wake);
        resolve();
      };
      this.#waiting.add(wake);
      signal.addEventListener('abort', wake, { once: true });
      if (Number.isFinite(time)) timer = setTimeout(wake, Math.min(time, 60_000) + 1);
    });
  }
}

const nameOf = (host: string): string => new URL(`http://${host}/`).hostname;
