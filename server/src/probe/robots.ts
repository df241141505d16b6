import { createRequire } from 'node:module';
import { verdictOf, type Answer, type Asked, type Failure } from '@vennet/core/reach';
import type parser from 'robots-parser';
import { visit, type Refused, type Visited, type VisitOptions } from './visit.js';

// The package says that it is a module, and is none.
const robotsParser = createRequire(import.meta.url)('robots-parser') as typeof parser.default;

/** The name by which robots rules may speak of Vennet (RFC 9309, 2.2.1). */
export const PRODUCT = 'Vennet';

/** How much of a file of rules is read, in bytes (RFC 9309, 2.5: 500 KiB at least). */
export const LONGEST_RULES = 512 * 1024;

/** Redirects that are followed to the rules of a site (RFC 9309, 2.3.1.2: five at least). */
const REDIRECTS = 6;

/** What a site lets programs look at. */
interface Rules {
  allows(href: string): boolean;
}

const EVERYTHING: Rules = { allows: () => true };

/** The rules in a `robots.txt` at an address. Whatever can't be read in it rules nothing. */
export function rulesIn(text: string, href: string): Rules {
  const rules = robotsParser(href, text);
  return { allows: (address) => rules.isAllowed(address, PRODUCT) !== false };
}

/** The rules of sites, each read once; what failed for now is read again when it is needed again. */
export class RulesOfSites {
  readonly #known = new Map<string, Promise<Rules | Refused>>();

  constructor(readonly options: VisitOptions) {}

  /**
   * Whether Vennet may ask for an address. Rules that can't be had forbid everything until the fault has passed (RFC 9309, 2.3.1.4);
   * a fault of the network is then that of the address too. What is asked for them is put to `requests`.
   */
  async mayAsk(href: string, requests: Asked[]): Promise<true | Refused> {
    const { origin } = new URL(href);
    let reading = this.#known.get(origin);
    if (!reading) this.#known.set(origin, (reading = this.#read(`${origin}/robots.txt`, requests)));
    const rules = await reading;
    if ('allows' in rules) return rules.allows(href) || { failure: 'robots' };
    if (this.#known.get(origin) === reading) this.#known.delete(origin);
    return rules;
  }

  async #read(href: string, requests: Asked[]): Promise<Rules | Refused> {
    const pieces: Uint8Array[] = [];
    const copy = { most: LONGEST_RULES, take: (bytes: Uint8Array) => void pieces.push(bytes) };
    const wanted = { why: 'robots' as const, accept: 'text/plain,*/*;q=0.5', copy };
    const visited = await visit(href, wanted, { ...this.options, redirects: REDIRECTS });
    requests.push(...visited.requests);
    if (visited.outcome === 'failure') {
      const { failure, tls, until } = visited;
      return NO_RULES.has(failure)
        ? EVERYTHING
        : { failure, ...(tls ? { tls } : {}), ...(until ? { until } : {}) };
    }
    const { status } = visited;
    const isShut = status >= 500 && verdictOf(asAnswer(visited), href).verdict === 'unreachable';
    if (isShut) return { failure: 'robots-unknown', status };
    return status >= 300 ? EVERYTHING : rulesIn(Buffer.concat(pieces).toString('utf8'), href);
  }
}

/** What is wrong with the rules alone (RFC 9309, 2.3.1.2 and 2.3.1.3): there are none. */
const NO_RULES: ReadonlySet<Failure> = new Set([
  'redirect-loop',
  'too-many-redirects',
  'bad-redirect',
  'unpackable',
]);

const asAnswer = ({ status, page, door }: Visited & { outcome: 'status' }): Answer => ({
  edition: 2,
  outcome: 'status',
  hops: [],
  status,
  page,
  door,
});
