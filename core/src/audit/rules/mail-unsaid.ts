import { phrases, saysMail } from '../../language/index.js';
import { factsOf } from '../facts.js';
import { languageOf, putWords, type RepairOffer, type Rule } from '../finding.js';

/** An email that opens a mail program without a word of it. Common practice (no source). */
export const mailUnsaid: Rule = {
  id: 'mail-unsaid',
  title: 'Emails whose words don’t say that one is written',
  severity: 'should-fix',
  criterion: 'WCAG 2.4.4 (G91)',
  looksAt: ({ kind }) => kind === 'mail',
  find(link, context) {
    if (link.destination.kind !== 'mail') return null;
    const language = languageOf(link, context);
    const name = factsOf(link).name;
    if (name === '' || saysMail(`${name} ${link.before} ${link.after}`, language)) return null;
    const words = factsOf(link).words;
    const [to] = link.destination.to;
    const repairs: RepairOffer[] = [];
    if (to) repairs.push(putWords(`${words} (${to})`));
    repairs.push(putWords(`${words} (${phrases(context.language).email})`));
    return {
      judged: 'sentence',
      message:
        'This writes an email, and neither its words nor its sentence say so. A mail program opens where a page is expected.',
      repairs,
    };
  },
};
