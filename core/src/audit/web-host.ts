import { parse } from 'tldts';

/** Names that exist for examples and tests alone (RFC 2606) end an address as well. */
const RESERVED = new Set(['example', 'test', 'invalid']);

/** A host as far as its owner goes. */
export interface Host {
  /** In small letters, without `www.`. */
  name: string;
  /** The part of it that was registered (Public Suffix List), or the host itself where nothing can be. */
  registrable: string;
  /** It ends in a known public suffix, or is one of the names for examples. */
  isKnown: boolean;
  isIp: boolean;
}

/** The host of a name or an address, by the Public Suffix List (`tldts`). */
export function hostOf(address: string): Host {
  const { hostname, domain, isIcann, isPrivate, isIp, publicSuffix } = parse(address, {
    allowPrivateDomains: true,
  });
  const name = (hostname ?? address).toLowerCase().replace(/^www\./, '');
  return {
    name,
    registrable: domain ?? name,
    isKnown: Boolean(isIcann || isPrivate) || RESERVED.has(publicSuffix ?? ''),
    isIp: isIp ?? false,
  };
}

/** Hosts that are one under two names: the resolver of digital object identifiers. Common practice (no source). */
const ONE: Readonly<Record<string, string>> = { 'dx.doi.org': 'doi.org' };

/** A host, in small letters, under the name by which it is compared: without `www.`, and without the name of its pages for telephones. */
export function comparable(host: string): string {
  const plain = /^(?:[wmad])/.test(host) ? host.replace(/^(?:www\d?|m|mobile|amp)\.(?=[^.]+\.)/, '') : host;
  return ONE[plain] ?? plain;
}
