import type { Destination } from './destination.js';
import { recognise } from './recognise.js';

/** An address that stands in a text in full: its first unit, and the one after its last. */
export interface AddressInText {
  start: number;
  end: number;
  destination: Destination;
}

/**
 * Signs at which an address ends wherever they stand: white space, the brackets and quotation marks around addresses (RFC 3986, appendix C)
 * in the forms of every language, the stops of Chinese and Japanese, and the long dash, none of which may stand in a URL without being written in percent
 * (WHATWG URL, 4.1); and what stands for things that are no text.
 */
const STOPS = String.raw`\s<>"“”„‟«»‹›‘‚‛「」『』《》〈〉【】〔〕〝〞＂（）［］、。，；：！？…—―\u2060\ufffc`;

/** An email address begins where a word does, and has at most 64 signs before its @ (RFC 5321, 4.5.3.1.1). */
const ADDRESS = new RegExp(
  String.raw`(?<![\p{Script=Latin}\p{N}+.@_-])(?:https?:\/\/|www\.(?=[^${STOPS}.])|mailto:)[^${STOPS}]+` +
    String.raw`|(?<![^${STOPS}()\[\]{},;:'’/|=])[^${STOPS}@()\[\]{},;:'’/|=]{1,64}@[^${STOPS}@]{1,255}\.[^${STOPS}@]{1,255}`,
  'giu',
);

const CLOSING: Readonly<Record<string, string>> = { ')': '(', ']': '[', '}': '{' };

/** Where an address ends in what was taken for one: without the signs of the sentence around it. */
function endOf(words: string): number {
  let end = words.length;
  for (;;) {
    const last = words[end - 1];
    if (last === undefined) return end;
    const opening = CLOSING[last];
    const said = words.slice(0, end);
    if (opening) {
      // A bracket that was opened within the address belongs to it.
      if (count(said, opening) >= count(said, last)) return end;
      end -= 1;
    } else if (
      /[.,;:!?'’`*_~|–-]/.test(last) &&
      !(last === '-' || last === '_' || last === '~' ? isInPath(said) : false)
    ) {
      end -= 1;
    } else if (/['’]s$/i.test(said)) end -= 2;
    else return end;
  }
}

/** These signs may end a path; at the end of a name they are of the sentence. */
const isInPath = (address: string): boolean =>
  /[/?#=&][^/]*[\w)]?[-_~]$/.test(address.replace(/^\w+:\/\//, ''));

const count = (text: string, sign: string): number => text.split(sign).length - 1;

/** The addresses that stand in a text in full: with their scheme, with www in front, or of email. A bare domain may be words. */
export function addressesIn(text: string): AddressInText[] {
  const found: AddressInText[] = [];
  for (const match of text.matchAll(ADDRESS)) {
    const end = endOf(match[0]);
    const recognition = recognise(match[0].slice(0, end));
    if (recognition.ok)
      found.push({ start: match.index, end: match.index + end, destination: recognition.destination });
  }
  return found;
}

/** The address that a text ends with, but for the signs of the sentence that follow it; `null` where it ends with none. */
export function addressAtEnd(text: string): AddressInText | null {
  // What lies before the last white space can't belong to it.
  const from = Math.max(0, text.search(/\S*$/));
  const last = addressesIn(text.slice(from)).at(-1);
  if (!last) return null;
  const after = text.slice(from + last.end);
  return /[\p{L}\p{N}]/u.test(after.replace(/^['’]s/i, ''))
    ? null
    : { ...last, start: from + last.start, end: from + last.end };
}
