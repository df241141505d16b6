/** An id that can stand in every format: an XML NCName of ASCII or other letters (XML Names 1.0, production 4). */
const NCNAME = /^[\p{L}_][\p{L}\p{N}\p{M}._·-]*$/u;

export const isId = (text: string): boolean => NCNAME.test(text);

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
