import type { Rule } from '../finding.js';
import { fileOf } from './file-of.js';

/** A file that is to be had at a public address which nobody has given. */
export const fileNowhere: Rule = {
  id: 'file-nowhere',
  title: 'Files at a public address that nobody has given',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file || file.travels !== 'public' || file.address) return null;
    return {
      message: `“${file.name}” is to be had at a public address, but none is given. Say on the Shelf which one it is.`,
      repairs: [],
    };
  },
};
