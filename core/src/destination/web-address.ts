import { urlFrom } from './url-from.js';

/**
 * Parses a full web address with the platform's WHATWG URL parser; `null` when it is none. A host with a percent sign
 * in it is refused by the standard (forbidden domain code points) but let through by some parsers, so it is refused
 * here: an address must mean the same in the browser, on the server and in every reading program.
 */
export function parseWebAddress(address: string): URL | null {
  const url = urlFrom(address);
  if (!url) return null;
  const isWeb = url.protocol === 'http:' || url.protocol === 'https:';
  return isWeb && !/[\s%]/.test(url.hostname) ? url : null;
}
