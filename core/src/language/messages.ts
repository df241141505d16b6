import { IntlMessageFormat } from 'intl-messageformat';

/** The language in which Vennet speaks to its author. What it writes into books follows their own; see `phrases`. */
export const AUTHOR_LANGUAGE = 'en';

const known = new Map<string, IntlMessageFormat>();

/**
 * Words for the author with numbers in them, as ICU MessageFormat: `{count, plural, one {# link} other {# links}}`. The one
 * place where a number decides on words.
 */
export function message(pattern: string, values: Readonly<Record<string, string | number>>): string {
  let format = known.get(pattern);
  if (!format) known.set(pattern, (format = new IntlMessageFormat(pattern, AUTHOR_LANGUAGE)));
  return String(format.format(values));
}

/** A number as it stands before an author: `1,200`. */
export const many = (count: number): string => count.toLocaleString(AUTHOR_LANGUAGE);

/** A number with what it counts: `1 link`, `1,200 links`. */
export const counted = (count: number, one: string, many: string): string =>
  message('{count, plural, one {# {one}} other {# {many}}}', { count, one, many });

/** What a number counts, without the number. */
export const nounFor = (count: number, one: string, many: string): string =>
  message('{count, plural, one {{one}} other {{many}}}', { count, one, many });
