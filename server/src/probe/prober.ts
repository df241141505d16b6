import { setMaxListeners } from 'node:events';
import type { Answer, ArchivedCopy, Asked } from '@vennet/core/reach';
import { Agent } from 'undici';
import { copyNear } from './archive.js';
import { makeNetwork, type ConnectorOptions, type Network } from './connector.js';
import { fetchedFile, type FetchedFile } from './fetched-file.js';
import { inTurn } from './in-turn.js';
import { askForMail } from './mail.js';
import { Manners, type Rests } from './manners.js';
import { openPdf } from './pdf-spots.js';
import { PRODUCT } from './robots.js';
import { hostOf, pageOf, Run, type RunContext, type RunOptions } from './run.js';
import { visit, type Visited, type VisitOptions } from './visit.js';

export interface ProberOptions extends Partial<ConnectorOptions>, Partial<RunOptions> {
  /** Pages that are asked at one time. */
  atOnce?: number;
  /** Requests under way at one host, and at one address. */
  perHost?: number;
  /** Requests that are begun at one host in a second, and at one address; 0 for no limit. */
  rate?: number;
  /** Longest time for one request until its headers are there, and for its body, in ms. */
  requestTimeout?: number;
  /** Redirects that are followed before the way is given up. */
  redirects?: number;
  /** An address under which somebody can be reached about the requests; empty for none. */
  contact?: string;
}

/** Options that can be changed while the server runs. */
export type Adjustable = Pick<ProberOptions, 'perHost' | 'rate' | 'robots' | 'contact'>;

const DEFAULTS = {
  atOnce: 32,
  perHost: 4,
  rate: 5,
  requestTimeout: 15_000,
  redirects: 20,
  tries: 3,
  retryDelay: 500,
  longestWait: 120_000,
  timeout: 8_000,
  robots: true,
  contact: '',
};

const VERSION = '0.1';

/** Asks for destinations. One for the life of the server: its connections and host limits are shared by all runs. */
export class Prober {
  readonly #options: typeof DEFAULTS & ProberOptions;
  readonly #network: Network;
  readonly #dispatcher: Agent;
  readonly #manners: Manners;
  #runs = 0;

  constructor(options: ProberOptions = {}) {
    this.#options = { ...DEFAULTS, ...options };
    const { atOnce, perHost, rate, longestWait: longestRest } = this.#options;
    this.#network = makeNetwork(this.#options);
    this.#dispatcher = new Agent({ connect: this.#network.connect, maxHeaderSize: 64 * 1024 });
    this.#manners = new Manners({
      atOnce,
      beside: Math.max(4, Math.ceil(atOnce / 2)),
      perHost,
      rate,
      longestRest,
      reachable: this.#network.reachable,
      now: Date.now,
    });
  }

  /** Changes how politely hosts are asked, from the next request on. */
  adjust(options: Adjustable): void {
    Object.assign(this.#options, options);
    const { perHost, rate } = this.#options;
    Object.assign(this.#manners.options, { perHost, rate });
  }

  /** Keeps the rests of hosts somewhere. */
  keepRestsIn(rests: Rests): void {
    this.#manners.options.rests = rests;
  }

  /**
   * Asks for many destinations (`http:`, `https:`, `mailto:`), each until it has an answer, and hands over every answer as it comes.
   * A page is asked once, whatever number of fragments lead into it. A host that asks for time is left alone meanwhile while
   * others go on.
   */
  async probeAll(
    hrefs: readonly string[],
    answered: (href: string, answer: Answer) => unknown,
    signal: AbortSignal,
    context: RunContext = {},
  ): Promise<void> {
    // Each request that is under way listens to it.
    setMaxListeners(0, signal);
    if (this.#runs++ === 0) this.#manners.forgive();
    const run = new Run(this.#visitOptions(signal, context), this.#options, context);
    const pages = new Map<string, string[]>();
    for (const href of hrefs) {
      const known = pages.get(pageOf(href));
      if (known) known.push(href);
      else pages.set(pageOf(href), [href]);
    }
    try {
      await inTurn(
        [...pages.keys()],
        {
          atOnce: 2 * this.#options.atOnce,
          perHost: this.#options.perHost,
          hostOf,
          waitFor: (host) =>
            host === '' || this.#manners.restingUntil(host) !== null ? 0 : this.#manners.restOf(host),
          signal,
        },
        async (page, attempt) => {
          const leading = pages.get(page)!;
          if (page.startsWith('mailto:')) {
            const answer = await askForMail(page, { ...this.#network, now: Date.now });
            for (const href of leading) await answered(href, answer);
            return null;
          }
          const again = await run.page(page, leading, attempt);
          signal.throwIfAborted();
          if (typeof again === 'number') return again;
          for (const [href, answer] of again) await answered(href, answer);
          return null;
        },
      );
    } finally {
      this.#runs--;
    }
  }

  /** One page, for its title. What network errors mean is in what comes back. */
  page(href: string): Promise<Visited> {
    return visit(pageOf(href), { why: 'title' }, this.#visitOptions(new AbortController().signal, {}));
  }

  /** A file, whole. @throws NotFetched */
  file(href: string, most: number): Promise<FetchedFile> {
    const { userAgent } = this.#visitOptions(new AbortController().signal, {});
    return fetchedFile(href, {
      dispatcher: this.#dispatcher,
      timeout: 2 * this.#options.requestTimeout,
      redirects: this.#options.redirects,
      most,
      headers: { 'user-agent': userAgent, accept: 'image/*', 'accept-encoding': 'identity' },
    });
  }

  /** The copy of a page that an archive has nearest to a time (RFC 7089). */
  copyNear(
    href: string,
    date: Date,
    timeGate: string,
    signal: AbortSignal,
  ): Promise<{ copy: ArchivedCopy | null; requests: Asked[] }> {
    return copyNear(href, date, timeGate, this.#visitOptions(signal, {}));
  }

  async close(): Promise<void> {
    await this.#dispatcher.destroy();
  }

  #visitOptions(signal: AbortSignal, { languages = [] }: RunContext): VisitOptions {
    const { requestTimeout: timeout, redirects, contact } = this.#options;
    return {
      dispatcher: this.#dispatcher,
      connect: this.#network.connect,
      manners: this.#manners,
      timeout,
      redirects,
      userAgent: `${PRODUCT}/${VERSION} (link check${contact === '' ? '' : `; ${contact}`})`,
      languages: acceptLanguage(languages),
      signal,
      now: Date.now,
      openPdf,
    };
  }
}

/** `de-AT, de;q=0.9, *;q=0.5` */
function acceptLanguage(languages: readonly string[]): string {
  const tags = [...new Set(languages.flatMap((tag) => [tag, tag.split('-')[0]!]))].slice(0, 8);
  const weighed = tags.map((tag, index) =>
    index === 0 ? tag : `${tag};q=${(0.95 - index * 0.05).toFixed(2)}`,
  );
  return [...weighed, tags.length > 0 ? '*;q=0.5' : '*'].join(', ');
}
