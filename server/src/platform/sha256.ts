import { createHash } from 'node:crypto';

/** The SHA-256 of words or bytes, in hexadecimal digits. */
export const sha256 = (content: string | Uint8Array): string =>
  createHash('sha256').update(content).digest('hex');
