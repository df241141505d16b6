import { parseDeviceAddress } from './device-address.js';
import { decodeLoosely } from './decode.js';

/**
 * Words for a web address that has none: the last part of its path made readable, and its host.
 * `https://lamp-trust.example/tide-tables/may.html` gives "May (lamp-trust.example)".
 */
export function wordsFromAddress(href: string): string {
  const device = parseDeviceAddress(href);
  if (device) return device.words;
  const url = new URL(href);
  const host = url.hostname.replace(/^www\./, '');
  const last = url.pathname.split('/').filter(Boolean).at(-1);
  if (!last) return host;
  const words = decodeLoosely(last)
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[-_+.]+/g, ' ')
    .trim();
  return words === '' ? host : `${words.charAt(0).toLocaleUpperCase()}${words.slice(1)} (${host})`;
}
