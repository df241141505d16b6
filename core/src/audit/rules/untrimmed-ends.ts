import { trimmedEnds } from '../../repair/index.js';
import type { Rule } from '../finding.js';
import { fillsItsParagraph } from './whole-paragraph.js';

/** Space or punctuation taken into the link. WCAG 2.4.4 (G91): the words of the link are the words of its purpose. */
export const untrimmedEnds: Rule = {
  id: 'untrimmed-ends',
  title: 'Spaces and signs at the ends of links',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: (link) => link.carrier === 'text',
  find(link, context) {
    const { start, end } = trimmedEnds(link.text);
    if (start >= end || (start === 0 && end === link.text.length) || fillsItsParagraph(link, context))
      return null;
    const cut = link.text.slice(0, start) + link.text.slice(end);
    const what =
      cut.trim() === '' ? 'a space' : cut.trim() === cut ? `“${cut}”` : `a space and “${cut.trim()}”`;
    const where =
      start > 0 && end < link.text.length ? 'at both ends' : start > 0 ? 'at its start' : 'at its end';
    return {
      message: `The link takes in ${what} ${where}, and the underline shows it.`,
      repairs: [{ label: 'Trim the ends', repair: { type: 'trim' } }],
    };
  },
};
