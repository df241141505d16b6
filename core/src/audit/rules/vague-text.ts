import { wordsFromAddress } from '../../destination/index.js';
import { accessibleName } from '../heard-as.js';
import type { Rule } from '../finding.js';
import { vagueWords } from '../vague-words.js';

/** Words that say nothing about where the link leads. WCAG 2.4.4 and 2.4.9, F63, F84; ACT aizyf1. */
export const vagueText: Rule = {
  id: 'vague-text',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 and 2.4.9 (F63, F84)',
  looksAt: (link) => link.carrier === 'text',
  find(link, { language }) {
    const name = accessibleName(link);
    if (name === '') return null;
    const mute = !/[\p{L}\p{N}]/u.test(name);
    if (!mute && !vagueWords(language).has(fold(name))) return null;
    const text = link.destination.kind === 'web' ? wordsFromAddress(link.destination.href) : null;
    return {
      message: `“${name}” does not say where this leads. Read in a list of links, without its sentence, it means nothing.`,
      repairs: text ? [{ label: `Put “${text}”`, repair: { type: 'text', text } }] : [],
    };
  },
};

function fold(name: string): string {
  return name
    .toLocaleLowerCase()
    .replace(/[’`]/g, "'")
    .replace(/[^\p{L}\p{N}' ]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}
