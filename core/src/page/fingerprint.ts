/** Hashes that are kept of a text. */
const KEPT = 32;
/** Words of a text that are looked at. */
const LOOKED_AT = 20_000;
/** Hexadecimal digits of one hash. */
const DIGITS = 8;

/**
 * A fingerprint of a text: the 32 least hashes of its pairs of neighbouring words, in their order, as hexadecimal digits (a
 * bottom sketch; Broder, “On the resemblance and containment of documents”, 1997). Empty for a text without two words. Two of
 * them tell what share of their pairs two texts have in common.
 */
export class Fingerprint {
  /** The least hashes so far, the least first. */
  readonly #least: number[] = [];
  #words = 0;
  #last = 0;

  /** How many words were looked at; no more than 20,000 are. */
  get words(): number {
    return this.#words;
  }

  add(text: string): void {
    eachWord(text, (hash) => {
      if (this.#words >= LOOKED_AT) return;
      if (this.#words++ > 0) this.#keep(mix(Math.imul(this.#last, 0x9e3779b1) ^ hash));
      this.#last = hash;
    });
  }

  #keep(hash: number): void {
    const least = this.#least;
    if (least.length === KEPT && hash >= least[KEPT - 1]!) return;
    let at = least.length;
    while (at > 0 && least[at - 1]! > hash) at--;
    if (least[at - 1] === hash) return;
    least.splice(at, 0, hash);
    if (least.length > KEPT) least.pop();
  }

  toString(): string {
    return this.#least.map((value) => value.toString(16).padStart(DIGITS, '0')).join('');
  }
}

/** How many words a text has; of writing without spaces between words, each sign is one. */
export function wordsIn(text: string): number {
  let count = 0;
  eachWord(text, () => void count++);
  return count;
}

const LETTER = /^[\p{L}\p{N}]$/u;
const UNSPACED = /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]$/u;

/** The hash of each word (FNV-1a, 32 bits, of its small letters), found sign by sign: pages are long, and many. */
function eachWord(text: string, found: (hash: number) => void): void {
  let hash = OFFSET;
  let isWord = false;
  const end = () => {
    if (isWord) found(hash);
    hash = OFFSET;
    isWord = false;
  };
  for (let at = 0; at < text.length; at++) {
    const code = text.codePointAt(at)!;
    if (code > 0xffff) at++;
    if (code < 0x80) {
      const isCapital = code >= 0x41 && code <= 0x5a;
      if (isCapital || (code >= 0x61 && code <= 0x7a) || (code >= 0x30 && code <= 0x39)) {
        hash = Math.imul(hash ^ (isCapital ? code + 32 : code), PRIME);
        isWord = true;
      } else end();
      continue;
    }
    const sign = String.fromCodePoint(code);
    if (code >= 0xe00 && UNSPACED.test(sign)) {
      end();
      found(Math.imul(OFFSET ^ code, PRIME));
    } else if (LETTER.test(sign)) {
      hash = Math.imul(hash ^ sign.toLowerCase().codePointAt(0)!, PRIME);
      isWord = true;
    } else end();
  }
  end();
}

const OFFSET = 0x811c9dc5;
const PRIME = 0x01000193;

/** The share of the pairs of words that two texts have in common, from 0 to 1, as far as their fingerprints tell. */
export function likeness(one: string, other: string): number {
  if (one === other) return 1;
  const [left, right] = [hashesIn(one), hashesIn(other)];
  const all = [...new Set([...left, ...right])].sort().slice(0, KEPT);
  return all.filter((hash) => left.has(hash) && right.has(hash)).length / Math.max(1, all.length);
}

const hashesIn = (print: string): Set<string> => new Set(print.match(/.{8}/g));

/** The last step of MurmurHash3: every bit of the value changes every bit of what comes out. */
function mix(value: number): number {
  let mixed = value;
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  return (mixed ^ (mixed >>> 16)) >>> 0;
}
