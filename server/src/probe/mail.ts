import { decodeLoosely, isMailAddress } from '@vennet/core/destination';
import type { Asked, MailAnswer, MailState } from '@vennet/core/reach';
import { isPublicAddress } from './address-guard.js';
import { isDefinite, type Names, type Resolve } from './names.js';

export interface MailOptions {
  names: Names;
  /** The addresses of a host that are public. */
  reachable: Resolve;
  now(): number;
}

/**
 * Whether the domains of the receivers of a `mailto:` exist and take mail: by their MX, by a null MX not (RFC 7505), and
 * without one by their address (RFC 5321, 5.1). No mail server is connected to.
 */
export async function askForMail(href: string, options: MailOptions): Promise<MailAnswer> {
  const requests: Asked[] = [];
  const addresses = receiversIn(href);
  const receivers = await Promise.all(
    addresses.map(async (address) => ({ address, state: await stateOf(address, requests, options) })),
  );
  return { edition: 2, outcome: 'mail', at: new Date(options.now()).toISOString(), receivers, requests };
}

/** Every receiver of a `mailto:`, written well or not. */
function receiversIn(href: string): string[] {
  const [, to = '', query = ''] = /^mailto:([^?#]*)(?:\?([^#]*))?/i.exec(href) ?? [];
  const lists = query
    .split('&')
    .filter((field) => /^(?:to|cc|bcc)=/i.test(field))
    .map((field) => field.slice(field.indexOf('=') + 1));
  return [
    ...new Set(
      [to, ...lists]
        .flatMap((list) => list.split(','))
        .map((one) => decodeLoosely(one).trim())
        .filter((one) => one !== ''),
    ),
  ];
}

async function stateOf(address: string, requests: Asked[], options: MailOptions): Promise<MailState> {
  const at = address.lastIndexOf('@');
  const [local, domain] = [address.slice(0, at), address.slice(at + 1)];
  if (!isMailAddress(address) || !isLocalPart(local)) return 'malformed';
  const literal = /^\[(?:IPv6:)?(.*)\]$/i.exec(domain)?.[1];
  if (literal !== undefined) return isPublicAddress(literal) ? 'literal' : 'private';
  const name = asciiDomain(domain);
  if (name === null) return 'malformed';
  const { names, reachable, now } = options;
  const asked = async <Value>(
    method: 'MX' | 'A',
    of: string,
    ask: () => Promise<Value>,
  ): Promise<Value | string> => {
    const begun = now();
    const request: Asked = { at: new Date(begun).toISOString(), method, href: of, time: 0 };
    requests.push(request);
    try {
      return await ask();
    } catch (error) {
      const { code = 'EUNKNOWN' } = error as NodeJS.ErrnoException;
      request.code = code;
      request.failure =
        code === 'VENNET_PRIVATE_ADDRESS'
          ? 'private-address'
          : isDefinite(code)
            ? 'unknown-name'
            : 'name-fault';
      return code;
    } finally {
      request.time = now() - begun;
    }
  };
  const servers = await asked('MX', name, () => names.mailServers(name));
  if (servers === 'ENOTFOUND') return 'no-domain';
  if (typeof servers === 'string' && servers !== 'ENODATA') return 'fault';
  if (typeof servers === 'string' || servers.length === 0) {
    const own = await asked('A', name, () => reachable(name));
    if (typeof own !== 'string') return 'takes-by-address';
    return own === 'ENOTFOUND'
      ? 'no-domain'
      : own === 'VENNET_PRIVATE_ADDRESS'
        ? 'private'
        : isDefinite(own)
          ? 'no-server'
          : 'fault';
  }
  const exchanges = servers.filter(({ exchange }) => exchange !== '' && exchange !== '.');
  if (exchanges.length === 0) return 'refuses';
  const found = await Promise.all(
    exchanges.map(({ exchange }) => asked('A', exchange, () => reachable(exchange))),
  );
  if (found.some((one) => typeof one !== 'string')) return 'takes';
  if (found.some((one) => typeof one === 'string' && one !== 'VENNET_PRIVATE_ADDRESS' && !isDefinite(one)))
    return 'fault';
  return found.includes('VENNET_PRIVATE_ADDRESS') ? 'private' : 'no-server';
}

/** RFC 5321, 4.5.3.1.1: 64 octets at most; 4.1.2: a dot neither first nor last nor doubled, unless quoted. */
function isLocalPart(local: string): boolean {
  if (Buffer.byteLength(local) > 64) return false;
  return local.startsWith('"') || !/^\.|\.$|\.\./.test(local);
}

/** A domain as name servers know it; `null` for what can be none: without a dot, or with a part that is empty or too long. */
function asciiDomain(domain: string): string | null {
  try {
    const { hostname } = new URL(`http://${domain}/`);
    const labels = hostname.split('.');
    const isName =
      labels.length > 1 && labels.every((label) => /^[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?$/i.test(label));
    return isName && hostname.length <= 253 && !/^\d+$/.test(labels.at(-1)!) ? hostname : null;
  } catch {
    return null;
  }
}
