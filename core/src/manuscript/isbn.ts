/**
 * The digits of an ISBN in words that are meant to be one ("ISBN 978-…", "urn:isbn:…", a number of its length); `null` for other names
 * of a book.
 */
export function isbnIn(words: string): string | null {
  const [, mark = '', rest = ''] = /^\s*((?:urn:)?isbn(?:-?1[03])?[:\s]*)?(.*?)\s*$/i.exec(words) ?? [];
  const digits = rest.replace(/[\s\p{Pd}]/gu, '').toUpperCase();
  const isLike = /^(?:97[89]\d{10}|\d{9}[\dX])$/.test(digits);
  return mark !== '' || isLike ? digits : null;
}

/** Whether the digits of an ISBN fit its last one, the check digit (ISO 2108:2017, annex A; ISBN-10: its edition of 1992). */
export function isIsbn(digits: string): boolean {
  if (/^97[89]\d{10}$/.test(digits))
    return (
      [...digits].reduce((sum, digit, index) => sum + Number(digit) * (index % 2 === 0 ? 1 : 3), 0) % 10 === 0
    );
  if (!/^\d{9}[\dX]$/.test(digits)) return false;
  return (
    [...digits].reduce((sum, digit, index) => sum + (digit === 'X' ? 10 : Number(digit)) * (10 - index), 0) %
      11 ===
    0
  );
}
