import { trackingParameters, withoutTracking } from '../../destination/index.js';
import { leadTo, type Rule } from '../finding.js';

/** Parameters that tell a site where its visitors come from. Common practice (no source). */
export const tracking: Rule = {
  id: 'tracking',
  title: 'Addresses that tell the site where a reader comes from',
  severity: 'consider',
  criterion: 'Common practice',
  looksAt: ({ kind, href }) => kind === 'web' && href.includes('?'),
  find({ destination }) {
    if (destination.kind !== 'web') return null;
    const names = trackingParameters(destination.href);
    if (names.length === 0) return null;
    return {
      message: `The address tells the site where its readers come from (${names.slice(0, 3).join(', ')}). The page is the same without.`,
      repairs: [leadTo(withoutTracking(destination.href), 'Drop what tracks')],
    };
  },
};
