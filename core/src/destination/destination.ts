import { parseDeviceAddress } from './device-address.js';
import { formatMailto, isMailAddress, type MailDestination } from './mailto.js';
import { urlFrom } from './url-from.js';
import { parseWebAddress } from './web-address.js';

/**
 * Where a link leads. Everything in Vennet that takes a destination takes this type.
 *
 * - `web`: `href` is a serialised WHATWG URL with the scheme http or https, or an address of a telephone or a spot on the earth.
 * - `mail`: what RFC 6068 can carry; `body` has line feeds (`\n`) between its lines.
 * - `file`: an enclosure of the book, by its id.
 * - `place`: a place in this book, by its id (a chapter's id is the place at its top).
 * - `book`: another book, whole or at one of its places.
 */
export type Destination =
  | { kind: 'web'; href: string }
  | MailDestination
  | { kind: 'file'; enclosure: string; fragment?: string }
  | { kind: 'place'; place: string }
  | { kind: 'book'; book: string; place?: string };

export const DESTINATION_KINDS = [
  'web',
  'mail',
  'file',
  'place',
  'book',
] as const satisfies Destination['kind'][];
export type DestinationKind = Destination['kind'];

/** The address of a destination as a web page would have it in `href`. */
export function hrefOf(destination: Destination): string {
  switch (destination.kind) {
    case 'web':
      return destination.href;
    case 'mail':
      return formatMailto(destination);
    case 'file':
      return `enclosure/${destination.enclosure}${destination.fragment ? `#${destination.fragment}` : ''}`;
    case 'place':
      return `#${destination.place}`;
    case 'book':
      return `book/${destination.book}${destination.place ? `#${destination.place}` : ''}`;
  }
}

/** The address of a destination that the network is asked for: a web page's, and of no telephone or spot. */
export const pageAddress = (destination: Destination | null): string | null =>
  destination?.kind === 'web' && !parseDeviceAddress(destination.href) ? destination.href : null;

/** The place that stands for none: where a link led that came without an address. No place of a book is called so. */
export const NOWHERE = 'no-destination';

/** The host of an address as the URL parser writes it, without `www.`: what follows a name and a password, up to a port. */
const HOST = /^https?:\/\/(?:[^/?#@]*@)?(?:www\.)?(\[[^\]]*\]|[^/?#:]*)/;

/** The domains that a destination names, in small letters: the host of a web page, those of email addresses. */
export function domainsOf(destination: Destination): string[] {
  if (destination.kind === 'web') return [HOST.exec(destination.href)?.[1] ?? ''].filter(Boolean);
  if (destination.kind !== 'mail') return [];
  return [...destination.to, ...destination.cc, ...destination.bcc].map((address) =>
    address.slice(address.lastIndexOf('@') + 1).toLowerCase(),
  );
}

/** The longest address, in signs: what servers and reading programs take at least (RFC 9110, 4.1: 8,000 octets). */
export const LONGEST_ADDRESS = 8_000;

const words = (value: unknown): value is string => typeof value === 'string';
const optional = (value: unknown): boolean => value === undefined || words(value);
const addresses = (value: unknown): boolean =>
  Array.isArray(value) && value.every((one) => words(one) && isMailAddress(one));

/**
 * Says what is wrong with a value that should be a destination, or `null` when it is one.
 * This is the guard at the edge: nothing but http, https, mailto, tel and geo may ever become an address in a file.
 */
export function faultInDestination(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'a destination must be an object with a kind';
  const fault = faultInKind(value);
  if (fault) return fault;
  const length = hrefOf(value as Destination).length;
  return length > LONGEST_ADDRESS ? `an address has at most ${LONGEST_ADDRESS} signs, not ${length}` : null;
}

function faultInKind(value: object): string | null {
  const it = value as Record<string, unknown>;
  switch (it.kind) {
    case 'web': {
      if (!words(it.href) || !urlFrom(it.href)) return 'href must be a full web address';
      const device = parseDeviceAddress(it.href);
      if (device) return device.href === it.href ? null : `href must be written as ${device.href}`;
      const url = parseWebAddress(it.href);
      if (!url) return `a web link leads to http or https and a host, not ${it.href.slice(0, 80)}`;
      return url.href === it.href ? null : `href must be written as ${url.href}`;
    }
    case 'mail':
      if (!addresses(it.to) || !addresses(it.cc) || !addresses(it.bcc))
        return 'to, cc and bcc must be lists of email addresses';
      return words(it.subject) && words(it.body) ? null : 'subject and body must be words';
    case 'file':
      return words(it.enclosure) && it.enclosure !== '' && optional(it.fragment)
        ? null
        : 'a file link must name its enclosure';
    case 'place':
      return words(it.place) && it.place !== '' ? null : 'a link inside the book must name its place';
    case 'book':
      return words(it.book) && it.book !== '' && optional(it.place)
        ? null
        : 'a link to another book must name it';
    default:
      return `unknown kind of destination: ${String(it.kind)}`;
  }
}
