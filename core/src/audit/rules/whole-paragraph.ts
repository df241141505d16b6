import { wordsOf, type Link } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { REMOVE, type AuditContext, type Rule } from '../finding.js';

/** Words from which a line that is one link counts as a paragraph, and fewer where it is a sentence. */
const MANY = 15;
const SENTENCE = 8;

/** True where the words of a link are all that its paragraph says, and more than a name. */
export function fillsItsParagraph(link: Link, { settingOf }: AuditContext): boolean {
  const line = settingOf?.(link)?.line;
  if (line?.type.name !== 'paragraph') return false;
  const words = factsOf(link).words;
  const count = words.split(' ').length;
  if (count < SENTENCE || (count < MANY && !/[.!?…]["”’)]*$/.test(words) && words.length <= 100))
    return false;
  return wordsOf(line) === words;
}

/** A whole paragraph that is one link. Common practice (no source). */
export const wholeParagraph: Rule = {
  id: 'whole-paragraph',
  title: 'Whole paragraphs that are one link',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: ({ carrier, text }) => carrier === 'text' && text.length > 30,
  find(link, context) {
    if (!fillsItsParagraph(link, context)) return null;
    return {
      judged: 'paragraph',
      message:
        'The whole paragraph is one link: it can’t be skimmed, and its words are hard to select. Link the few words that name what is there.',
      repairs: [REMOVE],
    };
  },
};
