import { createHash, randomBytes } from 'node:crypto';
import { withoutFragment } from '@vennet/core/destination';
import {
  isFrontPage,
  likened,
  verdictOf,
  type Answer,
  type Asked,
  type FailureAnswer,
  type Likened,
  type WebAnswer,
} from '@vennet/core/reach';
import { BODY_BOUNDS } from './body.js';
import { mayPass } from './failure.js';
import { RulesOfSites } from './robots.js';
import { fragmentOf, hopsWith, visit, type Visited, type VisitOptions } from './visit.js';

/** What belongs to one run. */
export interface RunContext {
  /** Languages that pages are asked for in, as BCP 47 tags, the best first. */
  languages?: readonly string[];
  /** The page as it was when it was last found sound, or when the link was made. */
  before?(href: string): Likened | null;
  /** The file of the Shelf that is to be had at an address. */
  file?(href: string): { name: string; size: number; checksum: string } | null;
}

/** Statuses that often pass: worth one more try (RFC 9110: 5xx; RFC 6585: 429; RFC 8470: 425). */
const PASSING = (status: number) => status >= 500 || [408, 421, 425, 429].includes(status);

export interface RunOptions {
  /** How often in all a page is asked after faults that may pass. */
  tries: number;
  /** Wait before the second try after a passing fault, in ms, where the host names none; three times as long before each further one. */
  retryDelay: number;
  /** Longest rest that a host may ask for by `Retry-After`, in ms; a longer one ends it for this run. */
  longestWait: number;
  /** Whether the rules of sites for programs are kept (RFC 9309). */
  robots: boolean;
}

/** What is found out once in a run: the rules of sites, what they answer to nonsense, which hosts are not there at all. */
export class Run {
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
    const gone = this.#gone.get(hostOf(page));
    const visited = gone ?? (await visit(page, wanted, this.#visiting));
    const again = gone ? null : this.#again(page, visited, attempt);
    const { requests: earlier = [], pause = 0 } = this.#earlier.get(page) ?? {};
    const [first] = visited.requests;
    if (first && !gone && pause > 0) first.rest = Math.round((first.rest ?? 0) + pause);
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
      if (!gone && visited.hops.length === 0 && isOfHost(visited)) this.#gone.set(hostOf(page), visited);
      const { failure, tls, status, until } = visited;
      return hrefs.map((href): [string, FailureAnswer] => [
        href,
        {
          ...parts,
          href,
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
          href,
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
    if (attempt >= this.options.tries) return null;
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
      withoutFragment(visited.href),
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

export const pageOf = (href: string): string => (href.startsWith('mailto:') ? href : withoutFragment(href));

/** The host of a page, with its port; one for all email. */
export const hostOf = (href: string): string => (href.startsWith('mailto:') ? '' : new URL(href).host);
