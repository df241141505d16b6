import type { ExpectedLink } from '../publish/index.js';
import type { FoundLink } from './found-link.js';

/** What a reader of a PDF gives for a sign that no font has a shape for. */
const BLANK = /\0+/g;

/**
 * Links as they can be matched where no font had a shape for some signs: boxes stand for these, and the author is told once, so
 * no link is blamed for them. A landing that consists of nothing else can't be judged.
 */
export const withoutUnseen =
  (unseen: ReadonlySet<string>) =>
  (link: ExpectedLink): ExpectedLink => {
    const seen = (words: string) => Array.from(words, (sign) => (unseen.has(sign) ? '' : sign)).join('');
    const { before = '', after = '' } = link.between ?? {};
    return {
      ...link,
      text: seen(link.text),
      landing: seen(link.landing),
      between: { before: seen(before), after: seen(after) },
    };
  };

/** The same of what was found. */
export const withoutBlanks = (link: FoundLink): FoundLink => {
  const seen = (words: string) => words.replace(BLANK, '');
  const landing = link.landing && {
    ...link.landing,
    text: seen(link.landing.text),
    before: seen(link.landing.before),
    after: seen(link.landing.after),
  };
  return { ...link, text: seen(link.text), ...(landing ? { landing } : {}) };
};
