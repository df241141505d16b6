import { setMaxListeners } from 'node:events';
import { urlFrom } from '@vennet/core/destination';
import type { Answer, Hop } from '@vennet/core/reach';
import { Agent, type Dispatcher } from 'undici';
import { ask, type Reply } from './ask.js';
import { makeConnector, type ConnectorOptions } from './connector.js';
import { failureOf } from './failure.js';
import { HostSlots } from './host-slots.js';
import { inTurn } from './in-turn.js';
import { readPage, type PageHead } from './read-page.js';

export interface ProberOptions extends Partial<ConnectorOptions> {
  /** Probes under way at one time. */
  atOnce?: number;
  /** Requests under way at one host. */
  perHost?: number;
  /** Longest time for one request and its answer, in ms. */
  requestTimeout?: number;
  /** Redirects that are followed before the way is given up. */
  redirects?: number;
  /** Wait before the second try after a passing fault, in ms, where the host names none. */
  retryDelay?: number;
  /** Longest wait that a host may ask for by `Retry-After`, in ms; a longer one is not waited for. */
  longestWait?: number;
}

const DEFAULTS = {
  atOnce: 32,
  perHost: 4,
  requestTimeout: 15_000,
  redirects: 10,
  retryDelay: 1_000,
  longestWait: 30_000,
  timeout: 8_000,
};

const USER_AGENT = 'Vennet link check (asks each address once, with HEAD first)';

/** Faults that often pass: worth one more try (RFC 9110: 5xx; RFC 6585: 429; RFC 8470: 425). */
const PASSING = (status: number) => status >= 500 || status === 429 || status === 425 || status === 408;

/** What one try gave: an answer, and how long to wait before another try is worth it. */
interface Try {
  answer: Answer;
  again: number | null;
}

/** Asks web addresses. One for the life of the server: its connections and host limits are shared by all runs. */
export class Prober {
  readonly #options: typeof DEFAULTS & ProberOptions;
  readonly #dispatcher: Dispatcher;
  readonly #slots: HostSlots;

  constructor(options: ProberOptions = {}) {
    this.#options = { ...DEFAULTS, ...options };
    this.#slots = new HostSlots(this.#options.perHost);
    this.#dispatcher = new Agent({ connect: makeConnector(this.#options), maxHeaderSize: 64 * 1024 });
  }

  /**
   * Asks many addresses, each until it has an answer, and hands over every answer as it comes. A host that asks for
   * time is left alone meanwhile while others go on.
   */
  async probeAll(
    hrefs: readonly string[],
    answered: (href: string, answer: Answer) => void,
    signal: AbortSignal,
  ): Promise<void> {
    // Each request that is under way listens to it.
    setMaxListeners(0, signal);
    await inTurn(
      hrefs,
      { atOnce: this.#options.atOnce, hostOf, slots: this.#slots, signal },
      async (href, attempt) => {
        const { answer, again } = await this.#try(href, signal);
        signal.throwIfAborted();
        if (again !== null && attempt === 1 && again <= this.#options.longestWait) return again;
        answered(href, answer);
        return null;
      },
    );
  }

  /** The beginning of one page, for its title. @throws PageError, or what the network threw */
  page(href: string): Promise<PageHead> {
    const { requestTimeout: timeout } = this.#options;
    return readPage(href, { dispatcher: this.#dispatcher, timeout, userAgent: USER_AGENT });
  }

  async close(): Promise<void> {
    await this.#dispatcher.destroy();
  }

  /** One try: from hop to hop until something other than a redirect comes. The slot of the first host is held already. */
  async #try(href: string, signal: AbortSignal): Promise<Try> {
    const hops: Hop[] = [];
    const seen = new Set([href]);
    let at = href;
    let held = hostOf(href);
    try {
      for (;;) {
        const host = hostOf(at);
        if (host !== held) {
          this.#slots.release(held);
          await this.#slots.take(host);
          held = host;
        }
        const reply = await this.#ask(at, signal);
        const next = redirectTarget(at, reply);
        if (next === null) return this.#final(reply, hops);
        hops.push({ href: at, status: reply.status, location: next ?? '' });
        if (next === undefined) return failed('bad-redirect', hops);
        if (seen.has(next)) return failed('redirect-loop', hops);
        if (hops.length > this.#options.redirects) return failed('too-many-redirects', hops);
        seen.add(next);
        at = next;
      }
    } catch (error) {
      signal.throwIfAborted();
      const failure = failureOf(error);
      return {
        answer: { outcome: 'failure', failure, hops },
        again: failure === 'reset' ? this.#options.retryDelay : null,
      };
    } finally {
      const first = hostOf(href);
      if (held !== first) {
        // The turn gives back the slot of the first host, so that one has to be held again.
        this.#slots.release(held);
        await this.#slots.take(first);
      }
    }
  }

  #ask(href: string, signal: AbortSignal): Promise<Reply> {
    const url = new URL(href);
    url.hash = '';
    return ask(url.href, {
      dispatcher: this.#dispatcher,
      timeout: this.#options.requestTimeout,
      userAgent: USER_AGENT,
      signal,
      now: Date.now,
    });
  }

  #final(reply: Reply, hops: Hop[]): Try {
    const answer: Answer = { outcome: 'status', status: reply.status, hops };
    return { answer, again: PASSING(reply.status) ? (reply.retryAfter ?? this.#options.retryDelay) : null };
  }
}

function failed(failure: 'bad-redirect' | 'redirect-loop' | 'too-many-redirects', hops: Hop[]): Try {
  return { answer: { outcome: 'failure', failure, hops }, again: null };
}

/** Where a reply redirects to: `null` when it does not, `undefined` when what it says can't be followed. */
function redirectTarget(from: string, { status, location }: Reply): string | null | undefined {
  if (![301, 302, 303, 307, 308].includes(status) || location === null) return null;
  const target = urlFrom(location, from);
  if (!target) return undefined;
  if (target.protocol !== 'http:' && target.protocol !== 'https:') return undefined;
  // RFC 9110, 10.2.2: a fragment is carried on when the new address has none.
  if (target.hash === '') target.hash = new URL(from).hash;
  return target.href;
}

function hostOf(href: string): string {
  return new URL(href).host;
}
