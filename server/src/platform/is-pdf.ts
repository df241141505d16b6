/** How much of a file is searched for its head, in bytes (common practice: other bytes may stand before it). */
const HEAD = 1024;

/** Whether a file is a PDF, by its head. */
export const isPdf = (bytes: Uint8Array): boolean =>
  Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(HEAD, bytes.length)).includes('%PDF-');
