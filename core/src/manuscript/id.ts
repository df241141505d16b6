/** XML Names 1.0, production 4 (NCName) by XML 1.0 (fifth edition), productions 4 and 4a, without the colon. */
const START =
  'A-Z_a-z\\u{C0}-\\u{D6}\\u{D8}-\\u{F6}\\u{F8}-\\u{2FF}\\u{370}-\\u{37D}\\u{37F}-\\u{1FFF}\\u{200C}\\u{200D}' +
  '\\u{2070}-\\u{218F}\\u{2C00}-\\u{2FEF}\\u{3001}-\\u{D7FF}\\u{F900}-\\u{FDCF}\\u{FDF0}-\\u{FFFD}\\u{10000}-\\u{EFFFF}';
const MORE = `${START}\\-.0-9\\u{B7}\\u{300}-\\u{36F}\\u{203F}\\u{2040}`;
/* eslint-disable no-misleading-character-class -- the ranges are those of the standard */
const NCNAME = new RegExp(`^[${START}][${MORE}]*$`, 'u');
const NO_NAME_SIGN = new RegExp(`[^${MORE}]|[^\\p{L}\\p{N}\\p{M}]`, 'gu');
/* eslint-enable no-misleading-character-class */

/** An id that can stand in every format. */
export const isId = (text: string): boolean => NCNAME.test(text);

/** Longest id that is derived from words, in signs. */
const LONGEST = 48;

/**
 * An id derived from words of any script: in small letters, with hyphens between words. It is an NCName and free.
 */
export function idFromWords(words: string, isTaken: (id: string) => boolean): string {
  const plain = words.normalize('NFC').toLowerCase().replace(NO_NAME_SIGN, '-').replace(/-+/g, '-');
  const short = [...plain]
    .slice(0, LONGEST)
    .join('')
    .replace(/^-+|-+$/g, '');
  const base = short === '' ? 'bookmark' : isId(short) ? short : `b-${short}`;
  let id = base;
  for (let count = 2; isTaken(id); count++) id = `${base}-${count}`;
  return id;
}

/** Random bytes that make an id: 104 bits. */
export const ID_BYTES = 13;

/**
 * The id that random bytes make: it begins with a letter and holds letters and digits only, so it can stand in any file
 * (an XML NCName, an HTML id, a file name). The caller brings the randomness.
 */
export function idFrom(bytes: Uint8Array): string {
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `v${BigInt(`0x${hex}`).toString(36).padStart(21, '0').slice(-20)}`;
}
