import { describe, expect, test } from '@jest/globals';
import { decodeText, headOf, markedEncoding } from './index.js';

const DECLARED = /charset=["']?([\w-]+)/;
const bytes = (...values: number[]) => Uint8Array.from(values);
const ascii = (text: string) => [...text].map((sign) => sign.charCodeAt(0));

describe('the encoding of a page (HTML, 13.2.3.2: mark, then what came with it, then what it declares)', () => {
  test('a byte order mark decides', () => {
    expect(markedEncoding(bytes(0xff, 0xfe, 0x61, 0))).toBe('utf-16le');
    expect(markedEncoding(bytes(0xfe, 0xff, 0, 0x61))).toBe('utf-16be');
    expect(markedEncoding(bytes(0xff, 0x61))).toBeNull();
    expect(markedEncoding(bytes(0xfe, 0xfe))).toBeNull();
    expect(decodeText(bytes(0xff, 0xfe, 0xe4, 0), DECLARED, 'utf-8')).toBe('ä');
    expect(decodeText(bytes(0xfe, 0xff, 0, 0xe4), DECLARED)).toBe('ä');
  });

  test('then what was told, what is declared, and UTF-8', () => {
    const page = bytes(...ascii('<meta charset=windows-1252>'), 0x80);
    expect(decodeText(page, DECLARED)).toContain('€');
    expect(decodeText(page, DECLARED, 'iso-8859-5')).not.toContain('€');
    expect(decodeText(bytes(0xc3, 0xa4), DECLARED)).toBe('ä');
    expect(decodeText(bytes(0xc3, 0xa4), DECLARED, 'no-such-encoding')).toBe('ä');
  });

  // WHATWG Encoding, index-windows-1252; `latin1` and `iso-8859-1` are labels of it.
  test('quotation marks of windows-1252 are quotation marks', () => {
    const quoted = bytes(0x93, 0x61, 0x94, 0x20, 0x96, 0x20, 0x81, 0x9f, 0xe4);
    for (const label of ['windows-1252', 'latin1', 'ISO-8859-1'])
      expect(decodeText(quoted, DECLARED, label)).toBe('“a” – \u0081Ÿä');
    expect(decodeText(bytes(0x93), DECLARED, 'windows-1251')).toBe('“');
  });

  test('a declaration counts where it stands early', () => {
    const late = bytes(...ascii(' '.repeat(2048)), ...ascii('charset=windows-1252'), 0x80);
    expect(headOf(late)).toHaveLength(2048);
    expect(decodeText(late, DECLARED)).not.toContain('€');
  });
});
