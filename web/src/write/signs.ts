import { fold } from '@vennet/core/language';
import { SIGN_NAMES } from './sign-names.js';

export interface Sign {
  sign: string;
  /** As `U+00A0`. */
  code: string;
  name: string;
}

/** What people call some of them beside their names in the standard (common practice). */
const CALLED: Readonly<Record<string, string>> = {
  '00A0': 'non-breaking space',
  '00A7': 'paragraph legal',
  '00AD': 'optional discretionary',
  '00B6': 'paragraph',
  '2011': 'no break',
  '2013': 'dash range',
  '2014': 'long dash',
  '2026': 'ellipsis dots',
  '202F': 'thin non-breaking',
};

const ALL: readonly Sign[] = SIGN_NAMES.trim()
  .split('\n')
  .map((line) => {
    const [code = '', ...words] = line.split(' ');
    return {
      sign: String.fromCodePoint(Number.parseInt(code, 16)),
      code: `U+${code}`,
      name: words.join(' '),
    };
  });

/** Signs whose name has all the words that are searched for, or that are what is searched for: itself, or its code. */
export function signsFor(wanted: string): readonly Sign[] {
  const trimmed = wanted.trim();
  const words = fold(trimmed).split(/\s+/).filter(Boolean);
  const code = trimmed.toUpperCase().replace(/^(?:U\+|0X)/, '');
  return ALL.filter(
    (one) =>
      one.sign === trimmed ||
      one.code === `U+${code}` ||
      words.every((word) => `${one.name} ${CALLED[one.code.slice(2)] ?? ''}`.includes(word)),
  );
}

/** Signs that show nothing of themselves. */
export const SHOWN_AS: Readonly<Record<string, string>> = {
  '\u00a0': 'space',
  '\u202f': 'narrow space',
  '\u2009': 'thin space',
  '\u200b': 'break',
  '\u00ad': 'soft hyphen',
};
