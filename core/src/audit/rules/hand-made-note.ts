import type { Rule } from '../finding.js';
import { allOf, isMark, MAKE_NOTE } from './no-way-back.js';

/** A note that was made by hand. Its mark is a link on a number, which says nothing by itself. */
export const handMadeNote: Rule = {
  id: 'hand-made-note',
  title: 'Notes made by hand',
  severity: 'consider',
  criterion: 'DPUB-ARIA 1.1 (doc-noteref)',
  looksAt: isMark,
  find: (link, { inside }) =>
    inside?.handMade.get(link.id) === true
      ? {
          message: `This note was made by hand. A real note is numbered by itself and leads back in every form.${allOf(inside.handMade)}`,
          repairs: [MAKE_NOTE],
        }
      : null,
};
