import type { Link, LinkLook } from '../../manuscript/index.js';
import { contrastsOf, contrastsOfVisited, isOnlyLinks, type LookContrast } from '../../reader/index.js';
import type { AuditContext, Rule } from '../finding.js';

/**
 * A link that can't be read on its page, or told from the words around by anything but its colour. WCAG 1.4.3; 1.4.1 (G183, F73).
 * Links that stand alone, or among links only, need not be told from words.
 */
export const lookContrast: Rule = {
  id: 'look-contrast',
  title: 'Links that can’t be read, or told from the words around them',
  severity: 'must-fix',
  criterion: 'WCAG 1.4.3 and 1.4.1 (G183, F73)',
  looksAt: ({ carrier, look }) => carrier === 'text' && look !== null,
  find(link, context) {
    const message = faultOfLook(link.look ?? context.look, standsAmongWords(link, context));
    if (message === null) return null;
    return {
      message,
      repairs: [{ label: 'Look like the book’s other links', repair: { type: 'look', look: null } }],
    };
  },
};

/** What is wrong with a look on the pages that it is read on, or `null`. */
export function faultOfLook(look: LinkLook, amongWords = true): string | null {
  const isAmiss = ({ readable, told }: LookContrast) => !readable || (amongWords && !told);
  const visited = contrastsOfVisited(look).find(isAmiss);
  const fault = contrastsOf(look).find(isAmiss) ?? visited;
  if (!fault) return null;
  const { page, readable, againstPage, againstWords } = fault;
  const once = fault === visited ? ' once it was followed' : '';
  return readable
    ? `On a ${page} page this link is told by its colour alone${once}, at ${againstWords.toFixed(1)}:1 against the words around. It needs 3:1, or an underline.`
    : `On a ${page} page this link is hard to read${once}, at ${againstPage.toFixed(1)}:1 against the page. It needs 4.5:1.`;
}

function standsAmongWords(link: Link, { settingOf }: AuditContext): boolean {
  const setting = settingOf?.(link);
  if (!setting) return `${link.before}${link.after}`.trim() !== '';
  return setting.line === null || !isOnlyLinks(setting.line);
}
