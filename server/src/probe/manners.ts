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

/** A turn at a host: how long was waited for it, in ms, and its end. */
export interface Turn {
  waited: number;
  end(): void;
}

interface Waiting {
  host: string;
  kind: 'page' | 'beside';
  since: number;
  signal: AbortSignal;
  begin(turn: Turn): void;
  refuse(error: Error): void;
}

/** Waits before every request, so that no host is asked too much: so many at once, at a steady rate, and not while it rests. */
export class Manners {
  readonly #lanes = new Map<string, Lane>();
  readonly #addressOf = new Map<string, string>();
  /** Those who came first are first. */
  readonly #waiting = new Set<Waiting>();
  readonly #all = { page: 0, beside: 0 };
  #alarm: NodeJS.Timeout | undefined;

  constructor(readonly options: MannersOptions) {}

  /** A new run: what hosts said in the one before is not held against them. */
  forgive(): void {
    for (const lane of this.#lanes.values()) lane.refusals = 0;
  }

  /** The rest that a host has left, in ms. */
  restOf(host: string): number {
    return Math.max(0, this.#lane(host).restUntil - this.options.now());
  }

  /** Waits for a turn at a host. @throws RestError when the host rests for longer than is waited for */
  async turn(host: string, kind: 'page' | 'beside', signal: AbortSignal): Promise<Turn> {
    if (!this.#addressOf.has(host)) {
      const [first] = await this.options.reachable(nameOf(host)).catch(() => []);
      this.#addressOf.set(host, first?.address ?? host);
    }
    signal.throwIfAborted();
    return new Promise((resolve, reject) => {
      const giveUp = () => waiting.refuse(signal.reason as Error);
      const leave = () => {
        this.#waiting.delete(waiting);
        signal.removeEventListener('abort', giveUp);
      };
      const waiting: Waiting = {
        host,
        kind,
        since: this.options.now(),
        signal,
        begin: (turn) => {
          leave();
          resolve(turn);
        },
        refuse: (error) => {
          leave();
          reject(error);
        },
      };
      this.#waiting.add(waiting);
      this.#grant();
      if (this.#waiting.has(waiting)) signal.addEventListener('abort', giveUp, { once: true });
    });
  }

  /** Lets begin whoever may, and looks again when the next one may. */
  #grant(): void {
    clearTimeout(this.#alarm);
    const now = this.options.now();
    let soonest = Infinity;
    for (const one of this.#waiting) {
      const until = this.restingUntil(one.host);
      if (until !== null) {
        one.refuse(new RestError(one.host, until));
        continue;
      }
      if (this.#all[one.kind] >= this.options[one.kind === 'page' ? 'atOnce' : 'beside']) continue;
      const wait = Math.max(...this.#lanesOf(one.host).map((lane) => this.#wait(lane, now)));
      if (wait > 0) soonest = Math.min(soonest, wait);
      else one.begin(this.#begin(one, now));
    }
    if (Number.isFinite(soonest))
      this.#alarm = setTimeout(() => this.#grant(), Math.min(soonest, 60_000) + 1);
  }

  #begin({ host, kind, since }: Waiting, now: number): Turn {
    const lanes = this.#lanesOf(host);
    this.#all[kind]++;
    for (const lane of lanes) {
      lane.busy++;
      lane.next = Math.max(now, lane.next) + this.#distance(lane);
    }
    let ended = false;
    return {
      waited: now - since,
      end: () => {
        if (ended) return;
        ended = true;
        this.#all[kind]--;
        for (const lane of lanes) lane.busy--;
        this.#grant();
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
}

const nameOf = (host: string): string => new URL(`http://${host}/`).hostname;
