import { readRefresh, type FragmentState, type PageFacts } from '@vennet/core/page';
import { urlFrom, withoutFragment } from '@vennet/core/destination';
import type { Asked, Failure, Hop, TlsFault } from '@vennet/core/reach';
import { CookieJar } from 'tough-cookie';
import type { buildConnector, Dispatcher } from 'undici';
import { readBody, type BodyOptions, type BodyRead } from './body.js';
import { failureOf } from './failure.js';
import { get, type Reply } from './get.js';
import { doorIn, retryAfter, SHOWN } from './headers.js';
import { lenientGet } from './lenient.js';
import { locationOf } from './location.js';
import { RestError, type Manners, type Turn } from './manners.js';
import { withinTime } from './time-limit.js';
import { ACCEPTED_ENCODINGS } from './unpacked.js';

export interface VisitOptions {
  dispatcher: Dispatcher;
  connect: buildConnector.connector;
  manners: Manners;
  /** Longest time until the headers of an answer are there, and then for its body, in ms. */
  timeout: number;
  /** Redirects that are followed before the way is given up. */
  redirects: number;
  userAgent: string;
  /** The languages that are asked for, as `Accept-Language` has them. */
  languages: string;
  signal: AbortSignal;
  now(): number;
  openPdf?: BodyOptions['openPdf'];
  /** Whether programs may ask for an address; judged at every hop. */
  mayAsk?(href: string, requests: Asked[]): Promise<true | Refused>;
}

/** A site's rules forbid an address, or could not be read. */
export interface Refused {
  failure: Failure;
  tls?: TlsFault;
  /** The status that came instead of rules. */
  status?: number;
  until?: number;
}

/** What is wanted of one visit. */
export interface Wanted {
  /** The fragments that lead to the page, without `#`. */
  fragments?: readonly string[];
  why?: Asked['why'];
  accept?: string;
  headers?: Record<string, string>;
  copy?: BodyOptions['copy'];
}

/** How a visit ended. Hops bear no fragments but those that the site itself put. */
export type Visited = { hops: Hop[]; requests: Asked[] } & (
  | {
      outcome: 'status';
      status: number;
      /** The address that answered. */
      href: string;
      page: PageFacts;
      fragments: Map<string, FragmentState>;
      door: string;
      memento: string;
      /** The rest that the host asks for, in ms; `null` for none. */
      rest: number | null;
    }
  | { outcome: 'failure'; failure: Failure; tls?: TlsFault; status?: number; until?: number }
);

const ACCEPT = 'text/html,application/xhtml+xml,application/xml;q=0.9,*/*;q=0.8';

/** A page that asks to be left for another within this time, in seconds, is a redirect; one that asks for more is a page. */
const SOON = 10;

/** A way that takes the network longer than this in all is given up, in ms. */
const LONGEST_WAY = 90_000;

const REDIRECTS = new Set([301, 302, 303, 307, 308]);

/**
 * Goes to a page as a browser does: from redirect to redirect, with cookies that live as long as this way, over `Refresh` headers
 * and `<meta http-equiv=refresh>` too; and reads what stands there as far as it is needed. `href` has no fragment.
 */
export async function visit(href: string, wanted: Wanted, options: VisitOptions): Promise<Visited> {
  const way = new Way(wanted, options);
  const seen = new Set<string>();
  let at = href;
  for (;;) {
    const state = `${at} ${way.cookiesFor(at)}`;
    if (seen.has(state)) return way.failed('redirect-loop');
    if (way.time > LONGEST_WAY) return way.failed('timeout');
    if (way.hops.length > options.redirects) return way.failed('too-many-redirects');
    seen.add(state);
    const may = await options.mayAsk?.(at, way.requests);
    if (may !== undefined && may !== true) return { ...way.failed(may.failure), ...may };
    const step = await way.ask(at);
    if ('end' in step) return step.end;
    at = step.next;
  }
}

/** One way over the network, and what has been seen on it. */
class Way {
  readonly hops: Hop[] = [];
  readonly requests: Asked[] = [];
  #jar: CookieJar | null = null;

  constructor(
    readonly wanted: Wanted,
    readonly options: VisitOptions,
  ) {}

  failed(failure: Failure, more: { tls?: TlsFault; until?: number } = {}): Visited & { outcome: 'failure' } {
    return { outcome: 'failure', failure, ...more, hops: this.hops, requests: this.requests };
  }

  /** The time that the network took so far, in ms. */
  get time(): number {
    return this.requests.reduce((sum, { time }) => sum + time, 0);
  }

  cookiesFor(href: string): string {
    return this.#jar?.getCookieStringSync(href).slice(0, LONGEST_COOKIES) ?? '';
  }

  /** Asks for one address: where it sends on, or how the way ends there. */
  async ask(href: string): Promise<{ next: string } | { end: Visited }> {
    const { manners, signal } = this.options;
    const { why } = this.wanted;
    let turn: Turn | null = null;
    try {
      turn = await manners.turn(new URL(href).host, why === undefined ? 'page' : 'beside', signal);
      return await this.#within(href, turn);
    } catch (error) {
      signal.throwIfAborted();
      if (error instanceof RestError) return { end: this.failed('resting', { until: error.until }) };
      const { failure, tls } = failureOf(error);
      return { end: this.failed(failure, tls ? { tls } : {}) };
    } finally {
      turn?.end();
    }
  }

  async #within(href: string, turn: Turn): Promise<{ next: string } | { end: Visited }> {
    try {
      return await this.#one(href, turn, get);
    } catch (error) {
      this.options.signal.throwIfAborted();
      if (failureOf(error).failure !== 'protocol') throw error;
      // Browsers bear with more than the library does.
      return this.#one(href, { ...turn, waited: 0 }, lenientGet, 'lenient');
    }
  }

  async #one(
    href: string,
    { waited, end }: Turn,
    by: typeof get | typeof lenientGet,
    why = this.wanted.why,
  ): Promise<{ next: string } | { end: Visited }> {
    const { timeout, signal, now, dispatcher, connect } = this.options;
    const begun = now();
    const asked: Asked = {
      at: new Date(begun).toISOString(),
      method: 'GET',
      href,
      time: 0,
      ...(why ? { why } : {}),
      ...(waited > 20 ? { rest: Math.round(waited) } : {}),
    };
    this.requests.push(asked);
    try {
      return await withinTime(2 * timeout, signal, async (within) => {
        const headers = this.#headers(href);
        const reply = await by(href, { dispatcher, connect, timeout, headers, signal: within, ended: end });
        try {
          return await this.#read(href, reply, asked);
        } finally {
          reply.body.destroy();
        }
      });
    } catch (error) {
      const { failure, code } = failureOf(error);
      asked.failure = failure;
      if (code) asked.code = code;
      throw error;
    } finally {
      asked.time = Math.round(now() - begun);
    }
  }

  #headers(href: string): Record<string, string> {
    const cookie = this.cookiesFor(href);
    return {
      'user-agent': this.options.userAgent,
      accept: this.wanted.accept ?? ACCEPT,
      'accept-language': this.options.languages,
      'accept-encoding': ACCEPTED_ENCODINGS,
      ...(cookie === '' ? {} : { cookie }),
      ...this.wanted.headers,
    };
  }

  async #read(href: string, reply: Reply, asked: Asked): Promise<{ next: string } | { end: Visited }> {
    const { status, headers } = reply;
    const { manners, now, timeout, openPdf } = this.options;
    asked.status = status;
    const shown = headers.some(SHOWN);
    if (shown.length > 0) asked.headers = shown;
    for (const cookie of headers.all('set-cookie').slice(0, MOST_COOKIES)) this.#keepCookie(cookie, href);
    if (REDIRECTS.has(status)) {
      const next = locationOf(headers.all('location'), href);
      if (next === undefined) return { end: this.failed('bad-redirect') };
      if (next !== null) return this.#hop({ href, status, location: next });
    }
    const rest = retryAfter(headers.get('retry-after'), now());
    const host = new URL(href).host;
    if (status === 429) manners.refused(host);
    if (rest !== null && (status === 429 || status === 503)) manners.rest(host, rest);
    const read = await this.#body(reply, { timeout, ...(openPdf ? { openPdf } : {}) });
    if (read.cutOff && status < 300) {
      asked.failure = read.cutOff;
      return { end: this.failed(read.cutOff) };
    }
    const refresh = headers.get('refresh') === '' ? read.page.refresh : readRefresh(headers.get('refresh'));
    if (refresh && refresh.href !== '' && refresh.seconds <= SOON && status < 300) {
      const next = urlFrom(refresh.href, href);
      if (next && /^https?:$/.test(next.protocol) && withoutFragment(next.href) !== withoutFragment(href)) {
        const location = next.hash === '' ? withHash(next.href, new URL(href).hash) : next.href;
        return this.#hop({ href, status, location, by: 'refresh' });
      }
    }
    return {
      end: {
        outcome: 'status',
        status,
        href,
        page: read.page,
        fragments: read.fragments,
        door: doorIn(headers),
        memento: headers.get('memento-datetime'),
        rest,
        hops: this.hops,
        requests: this.requests,
      },
    };
  }

  #body(reply: Reply, options: Omit<BodyOptions, 'fragments'>): Promise<BodyRead> {
    const { fragments = [], copy } = this.wanted;
    const put = this.hops
      .map(({ location }) => new URL(location).hash.slice(1))
      .findLast((hash) => hash !== '');
    const isPage = reply.status >= 200 && reply.status < 300;
    const looked = isPage ? (put === undefined ? fragments : [put]) : [];
    return readBody(reply, { ...options, fragments: looked, ...(copy && isPage ? { copy } : {}) });
  }

  #hop(hop: Hop): { next: string } {
    this.hops.push(hop);
    return { next: hop.location };
  }

  #keepCookie(cookie: string, href: string): void {
    this.#jar ??= new CookieJar(undefined, {
      rejectPublicSuffixes: false,
      allowSpecialUseDomain: true,
      looseMode: true,
    });
    this.#jar.setCookieSync(cookie.slice(0, LONGEST_COOKIES), href, { ignoreError: true });
  }
}

/** How many cookies of one answer are kept, and how much of them is sent, in signs. */
const MOST_COOKIES = 50;
const LONGEST_COOKIES = 8_000;

const withHash = (href: string, hash: string) => withoutFragment(href) + hash;

/** The fragment that an address ends in, without `#`. */
export const fragmentOf = (href: string): string => new URL(href).hash.slice(1);

/** The same way for a link with a fragment: it goes along until the site puts another one. */
export function hopsWith(fragment: string, hops: readonly Hop[]): Hop[] {
  let hash = fragment === '' ? '' : `#${fragment}`;
  return hops.map((hop) => {
    const href = withHash(hop.href, hash);
    hash = new URL(hop.location).hash || hash;
    return { ...hop, href, location: withHash(hop.location, hash) };
  });
}
