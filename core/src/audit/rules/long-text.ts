import { factsOf } from '../facts.js';
import type { Rule } from '../finding.js';
import { isAmongSources } from '../judged.js';
import { fillsItsParagraph } from './whole-paragraph.js';

/** Signs from which the words of a link are long to listen to. Common practice (no source). */
const LONG = 100;

/** Words that take long to listen to, in the text and in every list of links. Common practice (no source). */
export const longText: Rule = {
  id: 'long-text',
  title: 'Links of more than 100 signs',
  severity: 'consider',
  criterion: 'Common practice',
  looksAt: ({ carrier, text }) => carrier === 'text' && text.length > LONG,
  find(link, context) {
    const { length } = factsOf(link).words;
    if (length <= LONG || fillsItsParagraph(link, context) || isAmongSources(link, context)) return null;
    return {
      judged: 'alone',
      message: `These words are ${length} signs long. A screen reader says all of them before a reader can choose; link the few that name what is there.`,
      repairs: [],
    };
  },
};
