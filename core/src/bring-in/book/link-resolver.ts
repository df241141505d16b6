import {
  decodeLoosely,
  parseDeviceAddress,
  parseMailto,
  insteadOf,
  parseWebAddress,
  NOWHERE,
  urlFrom,
  type Destination,
} from '../../destination/index.js';
import { BOUNDS } from '../../manuscript/index.js';
import type { Ids } from './ids.js';

/** A made-up origin for the files of a book, so that relative references resolve by the URL parser (RFC 3986, 5.2). */
export const INSIDE = 'http://inside.invalid/';

/** The made-up address of a file of a book. */
export const addressInside = (file: string): string =>
  INSIDE + file.split('/').map(encodeURIComponent).join('/');

/** The path within the book that a reference in one of its files leads to; empty for none. */
export function pathFrom(file: string, reference: string): string {
  const url = urlFrom(reference, addressInside(file));
  if (!url?.href.startsWith(INSIDE)) return '';
  return decodeLoosely(url.pathname.slice(1));
}

export interface ResolverParts {
  ids: Pick<Ids, 'find'>;
  /** The id of the chapter that a file of the book became, by path. */
  chapters: ReadonlyMap<string, string>;
  /** The places of pages that are made anew, by path. */
  made?: ReadonlyMap<string, string>;
  /** Where relative references lead that are not files of the book; `null` when that is nowhere. */
  outside: string | null;
  /** The enclosure that a file of the book became, by path. */
  fileAt(path: string): string | null;
}

/**
 * Where an address of a file leads; the address of a file that did not come along; why it can't be kept, and of some such addresses that
 * another one may do for them.
 */
export type Resolved = Destination | { missing: string } | { leftOut: string; was?: string };

/** Where an `href` in a file of the book leads, or why it can't be kept. */
export function resolveHref(href: string, file: string, parts: ResolverParts): Resolved {
  const trimmed = href.trim();
  // Files of the machine, or of the network, that the book was written on.
  if (trimmed === '' || trimmed === '#') return { kind: 'place', place: NOWHERE };
  if (/^(?:file:|[a-z]:[\\/]|\\\\)/i.test(trimmed)) return { missing: trimmed };
  const scheme = /^([a-z][a-z0-9+.-]*):/i.exec(trimmed)?.[1]?.toLowerCase();
  if (scheme === 'mailto')
    return parseMailto(trimmed)?.destination ?? { leftOut: 'the email address can’t be read' };
  if (scheme === 'tel' || scheme === 'geo') {
    const device = parseDeviceAddress(trimmed);
    return device
      ? { kind: 'web', href: device.href }
      : {
          leftOut: `“${trimmed.slice(0, 80)}” can’t be read as ${scheme === 'tel' ? 'a telephone number' : 'a spot on the earth'}`,
        };
  }
  if (scheme && scheme !== 'http' && scheme !== 'https') return otherScheme(trimmed);
  if (scheme || trimmed.startsWith('//')) {
    const full = scheme ? trimmed : `https:${trimmed}`;
    const url = parseWebAddress(full);
    return url ? { kind: 'web', href: url.href } : { leftOut: 'the address can’t be read' };
  }
  return inside(trimmed, file, parts);
}

/** The DOI that an address names; `null` for any other. A DOI leads nowhere by itself: `doi.org` resolves it (ISO 26324). */
export const doiIn = (address: string): string | null =>
  /^\s*(?:doi:|info:doi\/|urn:doi:)(.*?)\s*$/i.exec(address)?.[1] ?? null;

function otherScheme(address: string): Resolved {
  const doi = doiIn(address);
  const resolved = doi ? parseWebAddress(`https://doi.org/${doi.replace(/^\/+/, '')}`) : null;
  if (resolved) return { kind: 'web', href: resolved.href };
  const leftOut = `“${address.slice(0, 80)}” can’t be published, so the words stay without it`;
  return insteadOf(address) ? { leftOut, was: address } : { leftOut };
}

function inside(
  reference: string,
  file: string,
  { ids, chapters, made, outside, fileAt }: ResolverParts,
): Resolved {
  const url = urlFrom(reference, addressInside(file));
  if (!url) return { leftOut: 'the address can’t be read' };
  if (reference.startsWith('?'))
    return outside
      ? { kind: 'web', href: new URL(reference, outside).href }
      : { leftOut: `“${reference.slice(0, 80)}” asks a page of the web, and where that stands is not said` };
  const path = decodeLoosely(url.pathname.slice(1));
  const page = made?.get(path);
  if (page !== undefined) return { kind: 'place', place: page };
  const chapter = chapters.get(path);
  if (chapter === undefined) {
    const enclosure = fileAt(path);
    const fragment = url.hash.slice(1);
    if (enclosure)
      return { kind: 'file', enclosure, ...(fragment ? { fragment: decodeLoosely(fragment) } : {}) };
    if (outside) return { kind: 'web', href: new URL(reference, outside).href };
    return { missing: reference };
  }
  const fragment = url.hash.slice(1);
  if (fragment === '') return { kind: 'place', place: chapter };
  // HTML, 7.4.6.4: an element of that id, else `top` is the top of the page.
  const place = ids.find(path, fragment) ?? ids.find(path, decodeLoosely(fragment));
  if (!place && fragment.toLowerCase() === 'top') return { kind: 'place', place: chapter };
  return {
    kind: 'place',
    place: place ?? `missing-${fragment.replace(/[^\p{L}\p{N}._-]+/gu, '-')}`.slice(0, BOUNDS.id),
  };
}
