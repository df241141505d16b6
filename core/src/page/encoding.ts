/** How much of a file may stand before its encoding is declared, in bytes (HTML wants it in the first 1,024). */
const HEAD = 2048;

/** The first bytes of a file, each as one sign: enough to find what it declares of itself. */
export function headOf(bytes: Uint8Array): string {
  return new TextDecoder('latin1').decode(bytes.subarray(0, HEAD));
}

/** The encoding that a byte order mark tells, where it is not UTF-8. */
export function markedEncoding(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  return null;
}

/**
 * Text by its byte order mark, else by the encoding that was told with it (as by HTTP), else by the one that it declares
 * (the first group of the pattern), else as UTF-8.
 */
export function decodeText(bytes: Uint8Array, declaration: RegExp, told?: string): string {
  const encoding = markedEncoding(bytes) ?? told ?? declaration.exec(headOf(bytes))?.[1] ?? 'utf-8';
  try {
    return new TextDecoder(encoding).decode(bytes);
  } catch {
    return new TextDecoder().decode(bytes);
  }
}
