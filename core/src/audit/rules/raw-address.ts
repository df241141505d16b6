import { factsOf } from '../facts.js';
import type { Rule } from '../finding.js';
import { isAmongSources } from '../judged.js';
import { isOnlyAddress } from '../shown-address.js';
import { betterWords } from '../suggested-words.js';
import { leadsElsewhere } from './misleading-text.js';

/** An address standing where words should. WCAG 2.4.4 (G91): the words of a link say what it is for. */
export const rawAddress: Rule = {
  id: 'raw-address',
  title: 'Addresses in place of words, but in lists of sources',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: (link) => link.carrier === 'text' && link.kind !== 'mail',
  find(link, context) {
    const words = factsOf(link).words;
    if (!isOnlyAddress(words) || leadsElsewhere(link) || isAmongSources(link, context)) return null;
    return {
      judged: 'alone',
      message: 'An address stands where words should. A screen reader spells it out, sign by sign.',
      repairs: betterWords(link, context),
    };
  },
};
