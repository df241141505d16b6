import { wordsFromAddress } from '../../destination/index.js';
import { accessibleName } from '../heard-as.js';
import type { Rule } from '../finding.js';
import { isVague } from '../vague-words.js';

/** Words that say nothing about where the link leads. WCAG 2.4.4 and 2.4.9, F63, F84; ACT aizyf1. */
export const vagueText: Rule = {
  id: 'vague-text',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 and 2.4.9 (F63, F84)',
  looksAt: () => true,
  find(link, { language }) {
    const name = accessibleName(link);
    if (!isVague(name, language)) return null;
    const text = link.destination.kind === 'web' ? wordsFromAddress(link.destination.href) : null;
    return {
      message: `“${name}” does not say where this leads. Read in a list of links, without its sentence, it means nothing.`,
      repairs: text ? [{ label: `Put “${text}”`, repair: { type: 'text', text } }] : [],
    };
  },
};
