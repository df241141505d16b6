/** How much of a file may stand before its encoding is declared, in bytes (HTML wants it in the first 1,024). */
const HEAD = 2048;

/** How an XML file declares its encoding (XML 1.0, 4.3.3). */
export const XML_ENCODING = /^[^<]*<\?xml[^>]*encoding\s*=\s*["']([\w-]+)/;

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
    const decoder = new TextDecoder(encoding);
    const text = decoder.decode(bytes);
    return decoder.encoding === 'windows-1252' ? toWindows1252(text) : text;
  } catch {
    return new TextDecoder().decode(bytes);
  }
}

/** 0x80 to 0x9F of windows-1252 (WHATWG Encoding, index-windows-1252). */
const WINDOWS_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** Node 20 decodes windows-1252, by which every `latin1` is meant too, as ISO 8859-1: quotation marks become control characters. */
export const toWindows1252 = (text: string): string =>
  text.replace(/[\u0080-\u009f]/g, (sign) => WINDOWS_1252[sign.charCodeAt(0) - 0x80] ?? sign);
