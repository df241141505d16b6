import { REMOVE, type Rule } from '../finding.js';
import { fileOf } from './file-of.js';

/** A link to a file that is not on the Shelf. */
export const fileGone: Rule = {
  id: 'file-gone',
  title: 'Files that are not on the Shelf any more',
  severity: 'must-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find: (link, context) =>
    fileOf(link, context)
      ? null
      : { message: 'The file that this led to is not on the Shelf any more.', repairs: [REMOVE] },
};
