import { isIP, type LookupFunction } from 'node:net';
import ipaddr from 'ipaddr.js';
import type { buildConnector } from 'undici';
import type { Resolve } from './names.js';

/** A connection that the guard refused: the address is not one of the public network. */
export class PrivateAddressError extends Error {
  readonly code = 'VENNET_PRIVATE_ADDRESS';

  constructor(name: string, address: string) {
    super(`${name} leads to ${address}, which is not a public address`);
  }
}

/**
 * True for addresses of the public network. Not loopback, link-local, private, carrier-grade NAT, multicast, unspecified
 * or reserved (RFC 1918, 3927, 4193, 6598, 6890). An IPv4 address inside an IPv6 one is judged as what it is, in every form in
 * which it can stand there.
 */
export function isPublicAddress(address: string): boolean {
  if (!ipaddr.isValid(address)) return false;
  const read = ipaddr.process(address);
  if (read.range() === 'unicast') return read.kind() === 'ipv4' || isOrdinary(read as ipaddr.IPv6);
  const held = read.kind() === 'ipv6' ? heldBy(read as ipaddr.IPv6) : null;
  return held !== null && held.range() === 'unicast';
}

/** Not of the form `::a.b.c.d` (RFC 4291, 2.5.5.1), which is given up but still understood here and there. */
const isOrdinary = ({ parts }: ipaddr.IPv6): boolean => parts.slice(0, 6).some((part) => part !== 0);

/** The IPv4 address that an address leads to by a gateway: 6to4 (RFC 3056), NAT64 (RFC 6052). Others lead to none that is public. */
function heldBy(address: ipaddr.IPv6): ipaddr.IPv4 | null {
  const { parts } = address;
  const at = address.range() === '6to4' ? 1 : address.range() === 'rfc6052' ? 6 : null;
  if (at === null) return null;
  const [high = 0, low = 0] = parts.slice(at, at + 2);
  return new ipaddr.IPv4([high >> 8, high & 255, low >> 8, low & 255]);
}

/**
 * The public ones of a name's addresses, IPv4 first. `mayGo` says which others may be connected to, as those of a stand-in.
 * @throws PrivateAddressError where none is left
 */
export function publicOnly(resolve: Resolve, mayGo: (address: string) => boolean = () => false): Resolve {
  return async (name) => {
    const addresses = await resolve(name);
    const open = addresses.filter(({ address }) => isPublicAddress(address) || mayGo(address));
    if (open.length === 0 && addresses[0]) throw new PrivateAddressError(name, addresses[0].address);
    return open.sort((one, other) => one.family - other.family);
  };
}

/**
 * Wraps a connector so that it connects to public addresses only. The judgement is made when the connection is made, on
 * the very addresses that it goes to, so a name can't answer differently in between.
 */
export function guardAddresses(
  make: (lookup: LookupFunction) => buildConnector.connector,
  resolve: Resolve,
): buildConnector.connector {
  const onlyPublic = publicOnly(resolve);
  const lookup: LookupFunction = (name, { all }, callback) => {
    onlyPublic(name).then(
      (addresses) => {
        if (all || !addresses[0]) callback(null, addresses);
        else callback(null, addresses[0].address, addresses[0].family);
      },
      (error: NodeJS.ErrnoException) => callback(error, []),
    );
  };
  const connect = make(lookup);
  return (options, callback) => {
    // Node asks no resolver for an address in digits.
    const literal = options.hostname.replace(/^\[|\]$/g, '');
    if (isIP(literal) && !isPublicAddress(literal))
      callback(new PrivateAddressError(options.hostname, literal), null);
    else connect(options, callback);
  };
}
