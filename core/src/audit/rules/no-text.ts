import { wordsFromAddress } from '../../destination/index.js';
import type { Carrier } from '../../manuscript/index.js';
import { factsOf } from '../facts.js';
import { putWords, REMOVE, type Rule } from '../finding.js';

/** A link that says nothing at all. WCAG 2.4.4 and 4.1.2, F89, H30, H24; ACT c487ae. */
export const noText: Rule = {
  id: 'no-text',
  title: 'Links without words, and pictures that lead somewhere without saying where',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4 and 4.1.2 (F89, H30)',
  looksAt: () => true,
  find(link, { inside }) {
    const isUnseen = link.carrier === 'text' && factsOf(link).words === '';
    if (!isUnseen && factsOf(link).name !== '') return null;
    // A reference to a place that is gone has another fault.
    if (link.carrier === 'reference' && link.kind === 'place' && !inside?.places.has(link.href.slice(1)))
      return null;
    const told = factsOf(link).name;
    const words = told || (link.destination.kind === 'web' ? wordsFromAddress(link.destination.href) : '');
    return { message: MESSAGES[link.carrier], repairs: [...(words ? [putWords(words)] : []), REMOVE] };
  },
};

const MESSAGES: Record<Carrier, string> = {
  text: 'This link has no words. Nobody can see it, and a screen reader has nothing to say here.',
  picture:
    'This picture leads somewhere, but it has no words that say where. A screen reader has nothing to say here.',
  reference: 'This reference reads nothing, since its place has no words. Choose another form for it.',
  area: 'This part of the picture leads somewhere, but it has no name. A screen reader has nothing to say here.',
};
