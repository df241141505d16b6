import { isVague } from '../../language/index.js';
import type { Link } from '../../manuscript/index.js';
import { factsOf, keyOfAddress } from '../facts.js';
import { languageOf, type AuditContext } from '../finding.js';
import type { LinkIndex } from '../link-index.js';
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
    const { name, nameKey } = factsOf(link);
    if (nameKey === '' || link.carrier === 'reference') return null;
    if ((index.byName.get(nameKey)?.length ?? 0) < 2) return null;
    const { firstOf, around } = namesakesOf(nameKey, index, context);
    if (firstOf.size < 2 || isVague(name, languageOf(link, context))) return null;
    const own = pageOf(link, context);
    const near = surroundingsOf(link, context)
      .flatMap((node) => around.get(node) ?? [])
      .find((one) => pageOf(one, context) !== own);
    const [first, second] = firstOf.values();
    const other = first && pageOf(first, context) === own ? second : first;
    if (!other) return null;
    return {
      severity: near ? 'must-fix' : 'consider',
      criterion: near ? 'WCAG 2.4.4 (ACT fd3a94)' : 'WCAG 2.4.9 (ACT b20e66)',
      judged: near ? 'paragraph' : 'alone',
      message: near
        ? `“${name}” stands here twice and leads to two places (the other one to ${near.href}). Nothing tells a reader which is which.`
        : `“${name}” leads elsewhere in another spot of the book (to ${other.href}). In a list of all links the two can’t be told apart.`,
      repairs: betterWords(link, context).filter(({ label }) => !label.includes(`“${name}”`)),
    };
  },
};

/** The links of one name: the first one to each page, and all of them by what they stand in. */
interface Namesakes {
  firstOf: Map<string, Link>;
  around: Map<object, Link[]>;
}

function namesakesOf(name: string, index: LinkIndex, context: AuditContext): Namesakes {
  const before = index.ofName.get(name) as Namesakes | undefined;
  if (before) return before;
  const made: Namesakes = { firstOf: new Map(), around: new Map() };
  index.ofName.set(name, made);
  for (const link of index.byName.get(name) ?? []) {
    if (link.carrier === 'reference') continue;
    const page = pageOf(link, context);
    if (!made.firstOf.has(page)) made.firstOf.set(page, link);
    for (const node of surroundingsOf(link, context)) {
      const list = made.around.get(node);
      if (list) list.push(link);
      else made.around.set(node, [link]);
    }
  }
  return made;
}

/** Where a link leads after the redirects that are known. */
function pageOf(link: Link, { answers }: AuditContext): string {
  const to = link.kind === 'web' ? answers?.get(link.href)?.movedTo : null;
  return to ? keyOfAddress(to) : factsOf(link).destinationKey;
}

/** Its line, its list item and its cell: who stands in the same one is told apart by its words alone. */
function surroundingsOf(link: Link, { settingOf }: AuditContext): object[] {
  const setting = settingOf?.(link);
  if (!setting) return [];
  return [setting.line, setting.items[0], setting.cell?.node].filter((node) => node != null);
}
