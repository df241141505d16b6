import { createHash, randomBytes } from 'node:crypto';
import { setMaxListeners } from 'node:events';
import {
  isFrontPage,
  likened,
  verdictOf,
  type Answer,
  type ArchivedCopy,
  type Asked,
  type FailureAnswer,
  type Likened,
  type WebAnswer,
} from '@vennet/core/reach';
import { Agent } from 'undici';
import { copyNear } from './archive.js';
import { BODY_BOUNDS } from './body.js';
import { makeNetwork, type ConnectorOptions, type Network } from './connector.js';
import { mayPass } from './failure.js';
import { inTurn } from './in-turn.js';
import { askForMail } from './mail.js';
import { Manners, type Rests } from './manners.js';
import { openPdf } from './pdf-spots.js';
import { PRODUCT, RulesOfSites } from './robots.js';
import { fragmentOf, hopsWith, visit, type Visited, type VisitOptions } from './visit.js';

export interface ProberOptions extends Partial<ConnectorOptions> {
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
  /** How often in all a page is asked after faults that may pass. */
  tries?: number;
  /** Wait before the second try after a passing fault, in ms, where the host names none; three times as long before each further one. */
  retryDelay?: number;
  /** Longest rest that a host may ask for by `Retry-After`, in ms; a longer one ends it for this run. */
  longestWait?: number;
  /** Whether the rules of sites for programs are kept (RFC 9309). */
  robots?: boolean;
  /** An address under which somebody can be reached about the requests; empty for none. */
  contact?: string;
}

/** What belongs to one run. */
export interface RunContext {
  /** Languages that pages are asked for in, as BCP 47 tags, the best first. */
  languages?: readonly string[];
  /** The page as it was when it was last found sound, or when the link was made. */
  before?(href: string): Likened | null;
  /** The file of the Shelf that is to be had at an address. */
  file?(href: string): { name: string; size: number; checksum: string } | null;
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

/** Statuses that often pass: worth one more try (RFC 9110: 5xx; RFC 6585: 429; RFC 8470: 425). */
const PASSING = (status: number) => status >= 500 || [408, 421, 425, 429].includes(status);

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

type RunOptions = Required<Pick<ProberOptions, 'tries' | 'retryDelay' | 'longestWait' | 'robots'>>;

/** What is found out once in a run: the rules of sites, what they answer to nonsense, which hosts are not there at all. */
class Run {
  readonly #rules: RulesOfSites;
  readonly #nonsense = new Map<string, Promise<Likened | null>>();
  readonly #withoutHttps = new Set<string>();
  /** Hosts that can't be connected to, with what was met. */
  readonly #gone = new Map<string, Visited & { outcome: 'failure' }>();
  /** What was asked in earlier tries, and the rest after them, in ms. */
  readonly #earlier = new Map<string, { requests: Asked[]; pause: number }>();
  readonly #token = `vennet-asks-${randomBytes(6).toString('hex')}`;
  readonly #visiting: VisitOptions;

  constructor(
    visiting: VisitOptions,
    readonly options: RunOptions,
    readonly context: RunContext,
  ) {
    this.#rules = new RulesOfSites(visiting);
    this.#visiting = options.robots
      ? { ...visiting, mayAsk: (href, requests) => this.#rules.mayAsk(href, requests) }
      : visiting;
  }

  /** Asks for a page: the answers for every link that leads there, or the time in ms after which it is to be asked again. */
  async page(page: string, hrefs: readonly string[], attempt: number): Promise<number | [string, Answer][]> {
    const file = this.context.file?.(page) ?? null;
    const checksum = createHash('sha256');
    let size = 0;
    const take = (bytes: Uint8Array) => {
      checksum.update(bytes);
      size += bytes.length;
    };
    const wanted = {
      fragments: [...new Set(hrefs.map(fragmentOf))],
      ...(file ? { copy: { most: BODY_BOUNDS.document, take } } : {}),
    };
    const visited = this.#gone.get(hostOf(page)) ?? (await visit(page, wanted, this.#visiting));
    const again = this.#again(page, visited, attempt);
    const { requests: earlier = [], pause = 0 } = this.#earlier.get(page) ?? {};
    const [first] = visited.requests;
    if (first && pause > 0) first.rest = Math.round((first.rest ?? 0) + pause);
    if (again !== null) {
      this.#earlier.set(page, { requests: [...earlier, ...visited.requests], pause: again });
      return again;
    }
    this.#earlier.delete(page);
    const parts = {
      edition: 2 as const,
      at: new Date(this.#visiting.now()).toISOString(),
      requests: [...earlier, ...visited.requests],
    };
    if (visited.outcome === 'failure') {
      if (visited.hops.length === 0 && isOfHost(visited)) this.#gone.set(hostOf(page), visited);
      const { failure, tls, status, until } = visited;
      return hrefs.map((href): [string, FailureAnswer] => [
        href,
        {
          ...parts,
          outcome: 'failure',
          hops: hopsWith(fragmentOf(href), visited.hops),
          failure,
          ...(tls ? { tls } : {}),
          ...(status ? { status } : {}),
          ...(until ? { until: new Date(until).toISOString() } : {}),
        },
      ]);
    }
    const isThere = visited.status >= 200 && visited.status < 300;
    const nonsense = isThere ? await this.#nonsenseFor(page, visited, parts.requests) : null;
    const secure = isThere ? await this.#secureFor(page, visited, parts.requests) : null;
    const whole = isThere && visited.page.whole;
    const compared = file && {
      ...file,
      found: foundOf(file, { whole, size, checksum: checksum.digest('hex') }),
    };
    return hrefs.map((href): [string, WebAnswer] => {
      const hops = hopsWith(fragmentOf(href), visited.hops);
      const arrived = hops.at(-1)?.location ?? href;
      return [
        href,
        {
          ...parts,
          outcome: 'status',
          hops,
          status: visited.status,
          page: visited.page,
          fragment: visited.fragments.get(fragmentOf(arrived)) ?? 'there',
          ...(visited.door ? { door: visited.door } : {}),
          nonsense,
          before: this.context.before?.(href) ?? null,
          secure,
          ...(compared ? { file: compared } : {}),
        },
      ];
    });
  }

  /** The time after which a page is to be asked again, in ms, where that is worth it. */
  #again(page: string, visited: Visited, attempt: number): number | null {
    if (attempt >= this.options.tries || this.#gone.has(hostOf(page))) return null;
    const pause = this.options.retryDelay * 3 ** (attempt - 1);
    if (visited.outcome === 'failure') {
      // A host that is silent has been given much time already.
      if (visited.failure === 'timeout' && attempt >= this.options.tries - 1) return null;
      return mayPass(visited) ? pause : null;
    }
    if (!PASSING(visited.status)) return null;
    // A door against programs is shut however often one knocks.
    const answer: Answer = { ...visited, edition: 2, outcome: 'status' };
    if (verdictOf(answer, page).verdict !== 'unreachable') return null;
    if (visited.rest === null) return pause;
    return visited.rest > this.options.longestWait
      ? null
      : Math.max(visited.rest, visited.rest > 0 ? 0 : pause);
  }

  /** What an address that can't exist gives at the site of a page; asked once, where it can tell something. */
  async #nonsenseFor(
    page: string,
    { page: { kind } }: Visited & { outcome: 'status' },
    requests: Asked[],
  ): Promise<Likened | null> {
    const url = new URL(page);
    if (isFrontPage(url) || kind !== 'html') return null;
    const known = this.#nonsense.get(url.origin);
    if (known) return known;
    const asking = this.#likenedAt(`${url.origin}/${this.#token}`, 'nonsense', requests);
    this.#nonsense.set(url.origin, asking);
    return asking;
  }

  /** The same address by HTTPS, for one by HTTP that was not sent on. */
  async #secureFor(page: string, { hops }: Visited, requests: Asked[]): Promise<Likened | null> {
    const url = new URL(page);
    if (url.protocol !== 'http:' || hops.length > 0 || url.port !== '' || this.#withoutHttps.has(url.host))
      return null;
    url.protocol = 'https:';
    const found = await this.#likenedAt(url.href, 'secure', requests);
    if (!found) this.#withoutHttps.add(url.host);
    return found;
  }

  async #likenedAt(href: string, why: 'nonsense' | 'secure', requests: Asked[]): Promise<Likened | null> {
    const visited = await visit(href, { why }, this.#visiting);
    requests.push(...visited.requests);
    if (visited.outcome === 'failure') return null;
    return likened(
      visited.page,
      visited.href.replace(/#.*/, ''),
      visited.status,
      new Date(this.#visiting.now()).toISOString(),
    );
  }
}

/** Whether what came is the file of the Shelf. */
function foundOf(
  file: { size: number; checksum: string },
  came: { whole: boolean; size: number; checksum: string },
): NonNullable<WebAnswer['file']>['found'] {
  if (came.size > file.size) return 'other';
  return !came.whole ? 'unread' : came.checksum === file.checksum ? 'same' : 'other';
}

/** A fault that all addresses of a host have in common: nothing can be connected to. */
const isOfHost = ({ failure, requests }: Visited & { outcome: 'failure' }): boolean =>
  ['unknown-name', 'name-fault', 'refused', 'certificate', 'private-address'].includes(failure) ||
  requests.at(-1)?.code === 'UND_ERR_CONNECT_TIMEOUT';

const pageOf = (href: string): string => (href.startsWith('mailto:') ? href : href.replace(/#.*/s, ''));

/** The host of a page, with its port; one for all email. */
const hostOf = (href: string): string => (href.startsWith('mailto:') ? '' : new URL(href).host);
