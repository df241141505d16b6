import { typeWords } from '../../language/index.js';
import type { Rule } from '../finding.js';
import { fileOf } from './file-of.js';

/** A file whose name says another type than its content. */
export const fileMisnamed: Rule = {
  id: 'file-misnamed',
  title: 'Files whose names say another type than they are',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: (link) => link.kind === 'file',
  find(link, context) {
    const file = fileOf(link, context);
    if (!file?.claims) return null;
    return {
      message: `“${file.name}” says that it is a ${file.claims}, but it is a ${typeWords(file.type, '')}. Readers’ programs may refuse it; give it its true ending on the Shelf.`,
      repairs: [],
    };
  },
};
