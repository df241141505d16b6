import { insteadOf, NOWHERE } from '../../destination/index.js';
import { leadTo, REMOVE, type Rule } from '../finding.js';

/** A link that was brought in without an address: empty, a lone `#`, or a file of the machine it was made on. WCAG 2.4.4. */
export const leadsNowhere: Rule = {
  id: 'leads-nowhere',
  title: 'Links without an address',
  severity: 'must-fix',
  criterion: 'WCAG 2.4.4',
  looksAt: ({ kind, href }) => kind === 'place' && href === `#${NOWHERE}`,
  find({ about }) {
    const instead = about?.was ? insteadOf(about.was) : null;
    if (about?.was && instead)
      return {
        message: `This came with an address that reading programs don’t open: “${about.was}”. Another one may do for it; check after the change.`,
        repairs: [leadTo(instead), REMOVE],
      };
    if (about?.was)
      return {
        message: `This led to a file that did not come along: “${about.was.slice(0, 200)}”. Put the file on the Shelf, and choose it in “Leads to”.`,
        repairs: [REMOVE],
      };
    return {
      message:
        'This leads nowhere: its address was empty, only a “#”, or a file that did not come along. Say in “Leads to” where it is to lead.',
      repairs: [REMOVE],
    };
  },
};
