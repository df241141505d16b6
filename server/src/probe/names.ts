import { lookup as systemLookup, promises as dns, type LookupAddress } from 'node:dns';
import { isIP } from 'node:net';

/** Finds all addresses of a name, as `dns.promises.lookup` with `all` does. */
export type Resolve = (name: string) => Promise<LookupAddress[]>;

/** A server of a domain that takes mail; lower numbers come first. A null MX (RFC 7505) has an empty `exchange`. */
export interface MailServer {
  priority: number;
  exchange: string;
}

/** What is asked of name servers. Errors bear the code of `node:dns` (`ENOTFOUND`, `ENODATA`, `ESERVFAIL`, …) and `names: true`. */
export interface Names {
  addresses: Resolve;
  mailServers(domain: string): Promise<MailServer[]>;
}

/** A name was not resolved. */
export class NameError extends Error {
  readonly names = true;

  constructor(
    hostname: string,
    readonly code: string,
  ) {
    super(`${hostname}: ${code}`);
  }
}

const TIMES = { timeout: 4_000, tries: 2 };

/** Asks the name servers of this machine, or those that are given (`host:port`). */
export function namesBy(servers?: readonly string[]): Names {
  const resolver = new dns.Resolver(TIMES);
  if (servers) resolver.setServers(servers);
  return {
    async addresses(name) {
      const known = knownAddress(name);
      if (known) return [known];
      const found = await Promise.allSettled([resolver.resolve4(name), resolver.resolve6(name)]);
      const addresses = found.flatMap((one, index) =>
        one.status === 'fulfilled'
          ? one.value.map((address) => ({ address, family: index === 0 ? 4 : 6 }))
          : [],
      );
      if (addresses.length > 0) return addresses;
      const codes = found.map((one) => (one.status === 'rejected' ? codeOf(one.reason) : 'ENODATA'));
      // Without any name server the system may still know the name in a way of its own.
      if (!servers && codes.every((code) => code === 'ECONNREFUSED')) return bySystem(name);
      throw new NameError(
        name,
        codes.find((code) => code !== 'ENODATA' && code !== 'ENOTFOUND') ?? codes[0]!,
      );
    },
    async mailServers(domain) {
      try {
        return await resolver.resolveMx(domain);
      } catch (error) {
        throw new NameError(domain, codeOf(error));
      }
    },
  };
}

/** Names that no server has to be asked for: addresses in digits, and this machine itself (RFC 6761, 6.3). */
function knownAddress(name: string): LookupAddress | null {
  const literal = name.replace(/^\[|\]$/g, '');
  const family = isIP(literal);
  if (family) return { address: literal, family };
  return /(?:^|\.)localhost\.?$/i.test(name) ? { address: '127.0.0.1', family: 4 } : null;
}

const bySystem: Resolve = (name) =>
  new Promise((resolve, reject) =>
    systemLookup(name, { all: true }, (error, addresses) =>
      error ? reject(new NameError(name, codeOf(error))) : resolve(addresses),
    ),
  );

const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? 'EUNKNOWN';

/** How long an answer of a name server is kept, in ms. */
const KEPT = 60_000;

/** Names that are asked for once in a while, however many requests need them. */
export function remembered(names: Names, now: () => number = Date.now): Names {
  return {
    addresses: memo((name) => names.addresses(name), now),
    mailServers: memo((domain) => names.mailServers(domain), now),
  };
}

function memo<Value>(
  ask: (name: string) => Promise<Value>,
  now: () => number,
): (name: string) => Promise<Value> {
  const kept = new Map<string, { until: number; value: Promise<Value> }>();
  return (name) => {
    const known = kept.get(name);
    if (known && known.until > now()) return known.value;
    const value = ask(name);
    kept.set(name, { until: now() + KEPT, value });
    // What failed for now is asked anew.
    value.catch((error: unknown) => {
      if (!isDefinite(codeOf(error))) kept.delete(name);
    });
    return value;
  };
}

/** The name does not exist, or has nothing of what was asked for. */
export const isDefinite = (code: string): boolean =>
  code === 'ENOTFOUND' || code === 'ENODATA' || code === 'ENONAME';
