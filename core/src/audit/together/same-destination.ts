import { areOneLanguage, isVague, tellingWords } from '../../language/index.js';
import { contentOf, type Link } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { languageOf, putWords, type AuditContext } from '../finding.js';
import { shownAddresses } from '../shown-address.js';
import type { TogetherRule } from './together-rule.js';

/** Earlier uses of a page that are looked at. */
const LOOKED_AT = 20;

/** A page that is linked under words that have nothing in common: readers take it for two. WCAG 3.2.4, as a risk. */
export const sameDestination: TogetherRule = {
  id: 'same-destination',
  title: 'One page under words with nothing in common',
  severity: 'consider',
  criterion: 'WCAG 3.2.4',
  find(link, index, context) {
    const { host, path, destinationKey } = factsOf(link);
    if (host === '' || path.length < 2 || link.carrier !== 'text') return null;
    const uses = index.byDestination.get(destinationKey) ?? [];
    if (uses.length < 2 || uses[0] === link) return null;
    const own = stemsOf(link, context);
    if (own.length === 0) return null;
    const language = languageOf(link, context);
    for (const one of uses.slice(0, LOOKED_AT)) {
      // Said at the later one.
      if (one === link) return null;
      if (one.carrier !== 'text' || !areOneLanguage(languageOf(one, context), language)) continue;
      const stems = stemsOf(one, context);
      if (stems.length === 0 || stems.some((stem) => own.includes(stem))) continue;
      const { name } = factsOf(one);
      return {
        judged: 'alone',
        message: `Elsewhere this page is called “${name}”. Under words that have nothing in common, readers take it for two pages.`,
        repairs: [putWords(name)],
      };
    }
    return null;
  },
};

const known = new WeakMap<object, string[]>();

/** The beginnings of the words that say something; words of one family begin alike. None for an address and for vague words. */
function stemsOf(link: Link, context: AuditContext): string[] {
  const content = contentOf(link);
  const before = known.get(content);
  if (before) return before;
  const { name } = factsOf(link);
  const language = languageOf(link, context);
  const stems =
    isVague(name, language) || shownAddresses(name).length > 0
      ? []
      : tellingWords(name, language).map((word) => word.slice(0, 4));
  known.set(content, stems);
  return stems;
}
