import { areOneLanguage, isVague, tellingWords } from '../../language/index.js';
import type { Link } from '../../manuscript/index.js';
import { accessibleName } from '../../reader/index.js';
import { languageOf, putWords, type AuditContext } from '../finding.js';
import { destinationKey } from '../link-index.js';
import { shownAddresses } from '../shown-address.js';
import type { TogetherRule } from './together-rule.js';

/** A page that is linked under words that have nothing in common: readers take it for two. WCAG 3.2.4, as a risk. */
export const sameDestination: TogetherRule = {
  id: 'same-destination',
  title: 'One page under words with nothing in common',
  severity: 'consider',
  criterion: 'WCAG 3.2.4',
  find(link, index, context) {
    if (!isNamed(link, context)) return null;
    const uses = index.byDestination.get(destinationKey(link)) ?? [];
    if (uses.length < 2) return null;
    const language = languageOf(link, context);
    const own = stems(link, context);
    // Said at the words that are used less.
    const others = uses.filter(
      (one) =>
        one !== link &&
        isNamed(one, context) &&
        areOneLanguage(languageOf(one, context), language) &&
        !stems(one, context).some((stem) => own.includes(stem)),
    );
    const [first] = others;
    if (!first || isBefore(link, first, index)) return null;
    const name = accessibleName(first);
    return {
      judged: 'alone',
      message: `Elsewhere this page is called “${name}”. Under words that have nothing in common, readers take it for two pages.`,
      repairs: [putWords(name)],
    };
  },
};

/** A page of a site under words of its own; what leads to a whole site is called as the sentence wants it. */
function isNamed(link: Link, context: AuditContext): boolean {
  if (link.kind !== 'web' || link.carrier !== 'text') return false;
  const url = new URL(link.href);
  const name = accessibleName(link);
  return (
    url.pathname.length > 1 &&
    stems(link, context).length > 0 &&
    shownAddresses(name).length === 0 &&
    !isVague(name, languageOf(link, context))
  );
}

/** The beginnings of the words that say something; words of one family begin alike. */
const stems = (link: Link, context: AuditContext): string[] =>
  tellingWords(accessibleName(link), languageOf(link, context)).map((word) => word.slice(0, 4));

const isBefore = (one: Link, other: Link, { links }: { links: readonly Link[] }): boolean =>
  one.chapter === other.chapter ? one.from < other.from : links.indexOf(one) < links.indexOf(other);
