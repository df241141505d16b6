import { hrefOf, LONGEST_ADDRESS, type Destination } from './destination.js';
import { parseDeviceAddress } from './device-address.js';
import { mailAddressesIn, parseMailto } from './mailto.js';
import { parseWebAddress } from './web-address.js';
import { trackingParameters, withoutTracking } from './tracking.js';

/** Why what was typed can't be a destination. */
export type Refusal = 'empty' | 'scheme' | 'unparsable' | 'mail' | 'words';

export type Recognition =
  | {
      ok: true;
      destination: Destination;
      /** Names of the tracking parameters in the address; empty when there are none. */
      tracking: string[];
      /** The same destination without them. */
      untracked: Destination;
      /** The scheme was not typed but put in front. */
      completed: boolean;
    }
  | { ok: false; refusal: Refusal; reason: string };

const SCHEME = /^([a-z][a-z0-9+.-]*):/i;
const HOST_AND_PORT = /^[^\s/?#@:]+\.[^\s/?#@:]+:\d{1,5}(?:[/?#]|$)|^localhost:\d{1,5}(?:[/?#]|$)/iu;
/** Labels of letters, digits and hyphens with a dot between, the last one of letters or an `xn--` label. */
const BARE_DOMAIN =
  /^(?:[\p{L}\p{N}](?:[\p{L}\p{N}\p{M}-]*[\p{L}\p{N}\p{M}])?\.)+(?:xn--[a-z0-9-]+|\p{L}[\p{L}\p{M}]+)\.?(?::\d{1,5})?(?:[/?#].*)?$/iu;
const IPV4 = /^(?:\d{1,3}\.){3}\d{1,3}(?::\d{1,5})?(?:[/?#].*)?$/;

/**
 * Says what was typed or pasted into "Leads to". A bare domain becomes `https://…/`, a mail address a mail
 * destination. Web addresses are parsed and serialised by the WHATWG URL parser; nothing but http, https,
 * mailto, tel and geo is taken.
 */
export function recognise(typed: string): Recognition {
  const text = unwrap(typed);
  if (text === '') return refuse('empty', 'Type or paste an address, such as lamp.example/tides.');
  const scheme = HOST_AND_PORT.test(text) ? null : SCHEME.exec(text)?.[1]?.toLowerCase();
  if (scheme === 'mailto') {
    const mail = parseMailto(text);
    if (!mail)
      return refuse('unparsable', 'This email address can’t be read. It should look like name@lamp.example.');
    return accept(mail.destination, false);
  }
  if (scheme === 'http' || scheme === 'https') return web(text, false);
  if (scheme === 'tel' || scheme === 'geo') return device(text, scheme);
  if (scheme)
    return refuse(
      'scheme',
      `Addresses that begin with “${scheme}:” can’t be published, since reading programs block them or run them. Use http, https, an email address, tel: or geo:.`,
    );
  if (text.startsWith('//')) return web(`https:${text}`, true);
  const to = mailAddressesIn(text);
  if (to?.every((one) => BARE_DOMAIN.test(one.slice(one.lastIndexOf('@') + 1))))
    return accept({ kind: 'mail', to, cc: [], bcc: [], subject: '', body: '' }, true);
  if (BARE_DOMAIN.test(text) || IPV4.test(text) || HOST_AND_PORT.test(text))
    return web(`https://${text}`, true);
  if (/^[^\s@]+@[^\s@]*$/.test(text))
    return refuse(
      'mail',
      `An email address has a dot in what follows the @, such as ${text.slice(0, text.indexOf('@'))}@lamp.example.`,
    );
  return refuse(
    'words',
    'This is not an address yet. A web address has a dot in it, such as lamp.example/tides.',
  );
}

/** People paste addresses in angle brackets and quotation marks (RFC 3986 appendix C). */
function unwrap(typed: string): string {
  const text = typed.trim();
  const inner = /^<(?:URL:)?\s*([^<>]*)>$|^"([^"]*)"$|^“([^”]*)”$/i.exec(text);
  return inner ? (inner[1] ?? inner[2] ?? inner[3] ?? '').trim() : text;
}

function web(address: string, completed: boolean): Recognition {
  const url = parseWebAddress(address);
  if (!url)
    return refuse(
      'unparsable',
      `“${address}” can’t be read as a web address. Check the part before the first slash.`,
    );
  return accept({ kind: 'web', href: url.href }, completed);
}

function device(address: string, scheme: 'tel' | 'geo'): Recognition {
  const read = parseDeviceAddress(address);
  if (read) return accept({ kind: 'web', href: read.href }, false);
  return refuse(
    'unparsable',
    scheme === 'tel'
      ? 'This can’t be read as a telephone number. It should look like tel:+49-30-901820.'
      : 'This can’t be read as a spot on the earth. It should look like geo:54.18,7.89: latitude, then longitude.',
  );
}

function accept(destination: Destination, completed: boolean): Recognition {
  if (hrefOf(destination).length > LONGEST_ADDRESS)
    return refuse(
      'unparsable',
      `This address is longer than ${LONGEST_ADDRESS} signs, and not every reading program opens it. Ask the site for a shorter one.`,
    );
  const tracking = destination.kind === 'web' ? trackingParameters(destination.href) : [];
  const untracked: Destination =
    destination.kind === 'web' && tracking.length > 0
      ? { kind: 'web', href: withoutTracking(destination.href) }
      : destination;
  return { ok: true, destination, tracking, untracked, completed };
}

function refuse(refusal: Refusal, reason: string): Recognition {
  return { ok: false, refusal, reason };
}
