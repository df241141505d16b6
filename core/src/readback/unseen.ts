import type { ExpectedLink } from '../publish/index.js';
import type { FoundLink } from './found-link.js';

/**
 * Links as they can be matched where no font had a shape for some signs: boxes stand for these, and the author is told once, so
 * no link is blamed for them. A landing that consists of nothing else can't be judged.
 */
export const withoutUnseen =
  (unseen: ReadonlySet<string>) =>
  (link: ExpectedLink): ExpectedLink => {
    const seen = seenOf(unseen);
    const { before = '', after = '' } = link.between ?? {};
    return {
      ...link,
      text: seen(link.text),
      landing: seen(link.landing),
      between: { before: seen(before), after: seen(after) },
    };
  };

/** The same of what was found: all boxes are one shape, which a reader takes for one of the signs, or for none. */
export const foundWithoutUnseen =
  (unseen: ReadonlySet<string>) =>
  (link: FoundLink): FoundLink => {
    const seen = seenOf(unseen);
    const landing = link.landing && {
      ...link.landing,
      text: seen(link.landing.text),
      before: seen(link.landing.before),
      after: seen(link.landing.after),
    };
    return { ...link, text: seen(link.text), ...(landing ? { landing } : {}) };
  };

const seenOf = (unseen: ReadonlySet<string>) => (words: string) =>
  Array.from(words, (sign) => (unseen.has(sign) || sign === '\0' ? '' : sign)).join('');
