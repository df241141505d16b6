import { parseWebAddress } from './web-address.js';

/**
 * The web address that may do for one of another scheme: of a file by FTP, which browsers don't open any more, the same by HTTPS; of an
 * ISBN (RFC 3187) its page at a resolver of names (n2t.net, from memory). `null` where none is known.
 */
export function insteadOf(address: string): string | null {
  const ftp = /^ftps?:(\/\/.*)$/i.exec(address.trim())?.[1];
  if (ftp) return parseWebAddress(`https:${ftp}`)?.href ?? null;
  const isbn = /^(?:urn:)?isbn:\s*([\dx -]{10,20})$/i.exec(address.trim())?.[1]?.replace(/[ -]/g, '');
  return isbn && /^(?:\d{9}[\dx]|\d{13})$/i.test(isbn) ? `https://n2t.net/isbn:${isbn.toUpperCase()}` : null;
}
