import { REMOVE, type Rule } from '../finding.js';
import { fileOf } from './file-of.js';

/** A link to a file that readers can't open. */
export const fileLocked: Rule = {
  id: 'file-locked',
  title: 'Files that readers can’t open',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file || file.opensFor === 'everyone') return null;
    const who = file.opensFor === 'reviewers' ? 'Only reviewers' : 'Only you';
    return {
      message: `${who} can open “${file.name}”, so readers are stopped here. Say on the Shelf who can open it, or lead elsewhere.`,
      repairs: [REMOVE],
    };
  },
};
