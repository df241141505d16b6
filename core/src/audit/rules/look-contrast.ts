import { contrastsOf } from '../../reader/index.js';
import type { Rule } from '../finding.js';

/** A link with a look of its own that can't be read or told from the words around. WCAG 1.4.3; 1.4.1 (G183, F73). */
export const lookContrast: Rule = {
  id: 'look-contrast',
  severity: 'must-fix',
  criterion: 'WCAG 1.4.3 and 1.4.1 (G183, F73)',
  looksAt: (link) => link.look !== null,
  find({ look }) {
    const fault = look && contrastsOf(look).find(({ readable, told }) => !readable || !told);
    if (!fault) return null;
    const { page, readable, againstPage, againstWords } = fault;
    const message = readable
      ? `On a ${page} page this link is told by its colour alone, at ${againstWords.toFixed(1)}:1 against the words around. It needs 3:1, or an underline.`
      : `On a ${page} page this link is hard to read, at ${againstPage.toFixed(1)}:1 against the page. It needs 4.5:1.`;
    return {
      message,
      repairs: [{ label: 'Look like the book’s other links', repair: { type: 'look', look: null } }],
    };
  },
};
