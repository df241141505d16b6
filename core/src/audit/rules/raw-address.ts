import { wordsFromAddress } from '../../destination/index.js';
import type { Rule } from '../finding.js';
import { isOnlyAddress } from '../shown-address.js';
import { leadsElsewhere } from './misleading-text.js';

/** An address standing where words should. WCAG 2.4.9, G91: link text describes the purpose of the link. */
export const rawAddress: Rule = {
  id: 'raw-address',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.9 (G91)',
  looksAt: (link) => link.carrier === 'text' && link.kind === 'web',
  find(link) {
    if (link.destination.kind !== 'web' || !isOnlyAddress(link.text) || leadsElsewhere(link)) return null;
    const text = wordsFromAddress(link.destination.href);
    if (text === link.text.trim())
      return {
        message: 'An address stands where words should. Put words that say what is there.',
        repairs: [],
      };
    return {
      message: 'An address stands where words should. A screen reader spells it out, sign by sign.',
      repairs: [{ label: `Put “${text}”`, repair: { type: 'text', text } }],
    };
  },
};
