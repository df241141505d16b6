import { fold } from '../../language/index.js';
import { aboutOrNothing } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import type { Rule } from '../finding.js';

/** What is heard does not hold the words that are seen: who speaks to a machine can't say them. WCAG 2.5.3, F96; ACT 2ee8b8. */
export const labelInName: Rule = {
  id: 'label-in-name',
  title: 'Links that are heard otherwise than they read',
  severity: 'must-fix',
  criterion: 'WCAG 2.5.3 (F96)',
  looksAt: ({ about }) => Boolean(about?.name),
  find(link) {
    const { about } = link;
    const words = factsOf(link).words;
    if (!about || words === '' || link.carrier !== 'text') return null;
    if (` ${fold(about.name)} `.includes(` ${fold(words)} `)) return null;
    return {
      judged: 'alone',
      message: `The link reads “${words}”, but screen readers say “${about.name}”. Who steers by voice can’t say what is not its name.`,
      repairs: [
        {
          label: 'Let the words be heard',
          repair: { type: 'about', about: aboutOrNothing({ ...about, name: '' }) },
        },
        { label: `Put “${about.name}” as the words`, repair: { type: 'text', text: about.name } },
      ],
    };
  },
};
