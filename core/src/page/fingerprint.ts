/** Hashes that are kept of a text. */
const KEPT = 32;
/** Words of a text that are looked at. */
const LOOKED_AT = 20_000;

/**
 * A fingerprint of a text: for each of 32 hash functions the least value over all pairs of neighbouring words, 16 bits each,
 * in hexadecimal digits (minwise hashing; Broder, “On the resemblance and containment of documents”, 1997). Empty for a text
 * without two words. Two of them tell what share of their pairs two texts have in common.
 */
export class Fingerprint {
  readonly #least = new Uint32Array(KEPT).fill(0xffffffff);
  #words = 0;
  #last = 0;

  add(text: string): void {
    for (const word of text.toLowerCase().match(WORD) ?? []) {
      if (this.#words >= LOOKED_AT) return;
      const hash = hashOf(word);
      if (this.#words++ > 0) this.#pair(Math.imul(this.#last, 0x9e3779b1) ^ hash);
      this.#last = hash;
    }
  }

  #pair(value: number): void {
    for (let index = 0; index < KEPT; index++) {
      const mixed = mix(value ^ Math.imul(index + 1, 0x85ebca6b));
      if (mixed < this.#least[index]!) this.#least[index] = mixed;
    }
  }

  toString(): string {
    if (this.#words < 2) return '';
    return [...this.#least].map((value) => (value >>> 16).toString(16).padStart(4, '0')).join('');
  }
}

/** A word; of writing without spaces between words, one sign. */
const WORD = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]|[\p{L}\p{N}]+/gu;

/** How many words a text has, in this sense. */
export const wordsIn = (text: string): number => text.match(WORD)?.length ?? 0;

/** The share of the pairs of words that two texts have in common, from 0 to 1, as far as their fingerprints tell. */
export function likeness(one: string, other: string): number {
  if (one === '' || other === '') return one === other ? 1 : 0;
  let same = 0;
  for (let at = 0; at < KEPT * 4; at += 4) if (one.slice(at, at + 4) === other.slice(at, at + 4)) same++;
  return same / KEPT;
}

/** FNV-1a, 32 bits. */
function hashOf(word: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < word.length; at++) hash = Math.imul(hash ^ word.charCodeAt(at), 0x01000193);
  return hash;
}

/** The last step of MurmurHash3: every bit of the value changes every bit of what comes out. */
function mix(value: number): number {
  let mixed = value;
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  return (mixed ^ (mixed >>> 16)) >>> 0;
}
