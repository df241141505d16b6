import { randomBytes } from 'node:crypto';

/** A new id for a chapter, a link or an enclosure: 100 bits, beginning with a letter so that it can stand in any file. */
export function mint(): string {
  const digits = BigInt(`0x${randomBytes(13).toString('hex')}`).toString(36);
  return `v${digits.padStart(20, '0').slice(-20)}`;
}
