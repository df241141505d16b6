import { isVague } from '../../language/index.js';
import type { Link } from '../../manuscript/index.js';
import { accessibleName } from '../../reader/index.js';
import { languageOf, type AuditContext } from '../finding.js';
import { destinationKey, nameKey } from '../link-index.js';
import { betterWords } from '../suggested-words.js';
import type { TogetherRule } from './together-rule.js';

/**
 * Links with the same words that lead to different places. In one and the same surroundings WCAG 2.4.4 (A) fails; elsewhere
 * 2.4.9 (AAA). ACT fd3a94 and b20e66. Numbers, as an index has them, are told apart by their line.
 */
export const sameWords: TogetherRule = {
  id: 'same-words',
  title: 'The same words leading to different places',
  severity: 'consider',
  criterion: 'WCAG 2.4.9 (ACT b20e66)',
  find(link, index, context) {
    const key = nameKey(link);
    if (key === '' || link.carrier === 'reference') return null;
    const namesakes = index.byName.get(key) ?? [];
    if (namesakes.length < 2 || isVague(accessibleName(link), languageOf(link, context))) return null;
    const own = pageOf(link, context);
    const others = namesakes.filter((one) => one.carrier !== 'reference' && pageOf(one, context) !== own);
    const [first] = others;
    if (!first) return null;
    const near = others.find((one) => standTogether(one, link, context));
    const name = accessibleName(link);
    return {
      severity: near ? 'must-fix' : 'consider',
      criterion: near ? 'WCAG 2.4.4 (ACT fd3a94)' : 'WCAG 2.4.9 (ACT b20e66)',
      judged: near ? 'paragraph' : 'alone',
      message: near
        ? `“${name}” stands here twice and leads to two places (the other one to ${near.href}). Nothing tells a reader which is which.`
        : `“${name}” leads elsewhere in another spot of the book (to ${first.href}). In a list of all links the two can’t be told apart.`,
      repairs: betterWords(link, context).filter(({ label }) => !label.includes(`“${name}”`)),
    };
  },
};

/** Where a link leads after the redirects that are known. */
function pageOf(link: Link, { answerOf }: AuditContext): string {
  const to = link.kind === 'web' ? answerOf?.(link.href)?.movedTo : null;
  return destinationKey(to ? { ...link, href: to } : link);
}

/** In the same line, or in the same item of a list or cell of a table. */
function standTogether(one: Link, other: Link, { settingOf }: AuditContext): boolean {
  if (one.chapter !== other.chapter) return false;
  const [a, b] = [settingOf?.(one), settingOf?.(other)];
  if (!a || !b) return false;
  return (
    (a.line !== null && a.line === b.line) ||
    (a.items[0] !== undefined && a.items[0] === b.items[0]) ||
    (a.cell !== null && a.cell.node === b.cell?.node)
  );
}
