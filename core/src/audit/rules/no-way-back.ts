import type { Link } from '../../manuscript/index.js';
import type { RepairOffer, Rule } from '../finding.js';

/** The repair of a hand-made note. */
export const MAKE_NOTE: RepairOffer = { label: 'Make a real note of it', repair: { type: 'make-note' } };
/** Said where there are more of them. */
export const allOf = ({ size }: ReadonlyMap<string, boolean>): string =>
  size > 1 ? ` Structure lists all ${size}, to be made real in one step.` : '';
export const isMark = (link: Link): boolean => link.kind === 'place' && link.carrier === 'text';

/** A note that was made by hand and has no way back. */
export const noWayBack: Rule = {
  id: 'no-way-back',
  title: 'Notes made by hand that have no way back',
  severity: 'should-fix',
  criterion: 'DPUB-ARIA 1.1 (doc-backlink)',
  looksAt: isMark,
  find: (link, { inside }) =>
    inside?.handMade.get(link.id) === false
      ? {
          message: `This note was made by hand and has no way back: readers who follow it can’t return.${allOf(inside.handMade)}`,
          repairs: [MAKE_NOTE],
        }
      : null,
};
