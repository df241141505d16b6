/**
 * Signs that no file can carry: control characters but tab and line feeds (XML 1.0, 2.2; C1 are discouraged there), noncharacters at the end of
 * the first plane, and halves of surrogate pairs.
 */
// eslint-disable-next-line no-control-regex -- they are what is looked for
const FORBIDDEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f\ufdd0-\ufdef\ufffe\uffff\p{Cs}]/u;
const ALL_FORBIDDEN = new RegExp(FORBIDDEN.source, 'gu');

/** How many combining marks may stand on one letter: writing needs fewer than ten, and typesetters break on thousands. */
export const MOST_MARKS = 32;
const TOO_MANY_MARKS = new RegExp(`\\p{M}{${MOST_MARKS + 1},}`, 'u');
const MARK = /\p{M}/u;

/** What is wrong with the signs of a text, or `null`. */
export function faultInSigns(text: string): string | null {
  const [sign] = FORBIDDEN.exec(text) ?? [];
  if (sign !== undefined)
    return `holds a sign that no file can carry (U+${(sign.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')})`;
  return TOO_MANY_MARKS.test(text) ? `has more than ${MOST_MARKS} combining marks on one letter` : null;
}

/** A text without the signs that no file can carry. */
export const withoutForbidden = (text: string): string =>
  FORBIDDEN.test(text) ? text.replace(ALL_FORBIDDEN, '') : text;

/** A text without what is too many marks on one letter; `before` is how many the text before it ended with. */
export function withFewMarks(text: string, before = 0): { text: string; trailing: number } {
  let trailing = before;
  let kept = '';
  for (const sign of text) {
    trailing = MARK.test(sign) ? trailing + 1 : 0;
    if (trailing <= MOST_MARKS) kept += sign;
  }
  return { text: kept, trailing };
}

/** Words as every file can carry them, cut to a length. */
export const plainWords = (words: string, longest: number): string =>
  withFewMarks(withoutForbidden(words))
    .text.slice(0, longest)
    .replace(/[\ud800-\udbff]$/, '');
