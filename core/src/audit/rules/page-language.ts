import { areOneLanguage, languageName, languageTag, saysLanguage } from '../../language/index.js';
import { NOTHING_ABOUT } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { putWords, type RepairOffer, type Rule } from '../finding.js';

/**
 * A page in another language than the book's, and neither words nor link say so: known from what the author said of it, or
 * from the page itself when it was last checked. Common practice (no source).
 */
export const pageLanguage: Rule = {
  id: 'page-language',
  title: 'Pages in another language that are not said to be',
  severity: 'consider',
  criterion: 'Common practice (HTML, hreflang)',
  looksAt: ({ kind }) => kind === 'web',
  find(link, context) {
    const { about, destination } = link;
    const found = destination.kind === 'web' ? context.answers?.get(destination.href)?.language : '';
    const told = about?.language || found;
    const tag = told ? languageTag(told) : null;
    if (
      !tag ||
      areOneLanguage(tag, context.language) ||
      areOneLanguage(tag, link.language || context.language)
    )
      return null;
    if (saysLanguage(`${factsOf(link).words} ${link.before} ${link.after}`, tag, context.language))
      return null;
    const name = languageName(tag, context.language);
    const called = name ?? tag;
    const repairs: RepairOffer[] = [];
    if (link.carrier === 'text' && factsOf(link).words !== '')
      repairs.push(putWords(`${factsOf(link).words} (${called})`));
    if (!about?.language)
      repairs.push({
        label: `Mark it as ${languageName(tag, 'en') ?? tag}`,
        repair: { type: 'about', about: { ...(about ?? NOTHING_ABOUT), language: tag } },
      });
    // What is marked says it to programs alone.
    return {
      judged: 'sentence',
      message: `The page is in another language (${languageName(tag, 'en') ?? tag}) than the book, and its words don’t say so.`,
      repairs,
    };
  },
};
