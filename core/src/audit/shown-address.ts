import { isMailAddress, recognise, type Destination } from '../destination/index.js';
import { trimmedEnds } from '../repair/index.js';
import { hostOf } from './web-host.js';

/** An address that words show: what it is, and as it stands there. */
export interface Shown {
  destination: Destination;
  as: string;
  /** It was cut short by the author: "lamp.example/tides/…". */
  isCut: boolean;
}

/** Ends of file names that are also names of countries: `README.md`, `lamp.rs`. */
const FILE_ENDS = /\.(?:md|rs|py|sh|zip|mov|ps|so|cc|pm|ai|ts|app)$/i;

/**
 * The addresses that a link text shows to the eye: every word of it that has a scheme, begins with `www.`, is an email
 * address, or ends in a public suffix (*Node.js* and *tides.csv* do not; *README.md* is taken for a file).
 */
export function shownAddresses(text: string): Shown[] {
  if (!/[.@]|:\/\//.test(text)) return [];
  return text.split(/[\s<>"“”„«»|]+/u).flatMap((word) => addressIn(word) ?? []);
}

function addressIn(word: string): Shown | null {
  const { start, end } = trimmedEnds(word);
  const whole = word.slice(start, end);
  const isCut = /(?:…|\.\.\.)$/.test(whole);
  const plain = whole.replace(/(?:…|\.\.\.)$/, '');
  if (plain === '') return null;
  const hasScheme = /^(?:https?:\/\/|mailto:)/i.test(plain);
  const isMail = isMailAddress(plain);
  const bare =
    /^(?:[\p{L}\p{N}](?:[\p{L}\p{N}\p{M}-]*[\p{L}\p{N}\p{M}])?\.)+[\p{L}\p{M}]{2,}(?::\d+)?(?=[/?#]|$)/iu.exec(
      plain,
    )?.[0];
  if (!hasScheme && !isMail && !bare) return null;
  if (!hasScheme) {
    const host = isMail ? plain.slice(plain.lastIndexOf('@') + 1) : bare!;
    if (!hostOf(host).isKnown) return null;
    // Only a path or `www.` makes an address of what may be the name of a file.
    if (!isMail && FILE_ENDS.test(host) && host === plain && !/^www\./i.test(plain)) return null;
    // "St.Gallen", "e.g.This": a word of the text after a full stop.
    if (!isMail && host === plain && /\.\p{Lu}\p{Ll}/u.test(host) && !/^www\./i.test(plain)) return null;
  }
  const recognition = recognise(plain);
  return recognition.ok ? { destination: recognition.destination, as: whole, isCut } : null;
}

/** True when a text is an address and nothing else. */
export function isOnlyAddress(text: string): boolean {
  const plain = text.trim();
  return plain !== '' && !/\s/.test(plain) && shownAddresses(plain).length === 1;
}
