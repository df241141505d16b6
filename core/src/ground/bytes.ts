/** Which of two runs of bytes comes first, by the first byte that differs: below 0 the one, above 0 the other, 0 where they are the same. */
export function orderOfBytes(one: Uint8Array, other: Uint8Array): number {
  const both = Math.min(one.length, other.length);
  for (let at = 0; at < both; at++) {
    const apart = (one[at] ?? 0) - (other[at] ?? 0);
    if (apart !== 0) return apart;
  }
  return one.length - other.length;
}

export const sameBytes = (one: Uint8Array, other: Uint8Array): boolean =>
  one.length === other.length && orderOfBytes(one, other) === 0;
