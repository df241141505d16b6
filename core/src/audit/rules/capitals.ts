import { factsOf } from '../facts.js';
import { languageOf, putWords, type Rule } from '../finding.js';

/** All capitals: harder to read, and some screen readers spell them. Names of a few letters are none. Common practice (no source). */
export const capitals: Rule = {
  id: 'capitals',
  title: 'Words in capitals throughout',
  severity: 'consider',
  criterion: 'Common practice',
  looksAt: ({ carrier }) => carrier === 'text',
  find(link, context) {
    const words = factsOf(link).words;
    if (!areCapitals(words)) return null;
    const small = words.toLocaleLowerCase(languageOf(link, context));
    return {
      judged: 'alone',
      message:
        'These words are in capitals throughout. They are harder to read, and some screen readers spell them.',
      repairs: [putWords(`${small.charAt(0).toLocaleUpperCase(languageOf(link, context))}${small.slice(1)}`)],
    };
  },
};

/** No small letter, and words that are longer than those of short names: two of four letters, or one of nine. */
function areCapitals(words: string): boolean {
  if (/\p{Ll}|[/@]/u.test(words)) return false;
  const long = words.match(/\p{Lu}{4,}/gu) ?? [];
  const letters = (words.match(/\p{Lu}/gu) ?? []).length;
  return (long.length >= 2 && letters >= 10) || long.some((word) => word.length >= 9);
}
