import { wordsFromAddress } from '../../destination/index.js';
import { accessibleName } from '../../reader/index.js';
import type { Rule } from '../finding.js';
import { isVague } from '../../language/index.js';

/** Words that say nothing about where the link leads. WCAG 2.4.4 and 2.4.9, F63, F84; ACT aizyf1. */
export const vagueText: Rule = {
  id: 'vague-text',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 and 2.4.9 (F63, F84)',
  looksAt: () => true,
  find(link, { language, inside }) {
    const name = accessibleName(link);
    // The mark of a hand-made note is told as such.
    if (!isVague(name, language) || inside?.handMade.has(link.id)) return null;
    const text = link.destination.kind === 'web' ? wordsFromAddress(link.destination.href) : null;
    return {
      message: `“${name}” does not say where this leads. Read in a list of links, without its sentence, it means nothing.`,
      repairs: text ? [{ label: `Put “${text}”`, repair: { type: 'text', text } }] : [],
    };
  },
};
