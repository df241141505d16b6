import type { ExpectedLink } from '../publish/index.js';
import type { FoundLink } from './found-link.js';

/** A link that is not in the file. */
export interface LostLink {
  id: string;
  href: string;
  text: string;
  chapter: string;
}

/** A link that is in the file, but not as the book has it. */
export interface ChangedLink extends LostLink {
  foundHref: string;
  foundText: string;
  where: string;
  change: 'address' | 'words' | 'target';
}

/** The match of a made file's links against the book's. `found` counts those that are there unchanged. */
export interface Proof {
  expected: number;
  found: number;
  lost: LostLink[];
  changed: ChangedLink[];
  /** Links in the file that the book does not have. */
  added: { href: string; text: string; where: string }[];
}

/**
 * Matches every link of the book with one of the file: first those with the same address and words, then those
 * with the same words, then those with the same address. Each link of the file is matched once.
 */
export function prove(expected: readonly ExpectedLink[], found: readonly FoundLink[]): Proof {
  const proof: Proof = { expected: expected.length, found: 0, lost: [], changed: [], added: [] };
  const free = new Set(joinOverPages(expected, found));
  let open: ExpectedLink[] = [...expected];
  const pass = (
    keys: [(link: ExpectedLink) => string, (link: FoundLink) => string],
    match: (one: ExpectedLink, other: FoundLink) => void,
  ) => {
    const queues = new Map<string, FoundLink[]>();
    for (const link of free) {
      const key = keys[1](link);
      const queue = queues.get(key);
      if (queue) queue.push(link);
      else queues.set(key, [link]);
    }
    for (const queue of queues.values()) queue.reverse();
    open = open.filter((link) => {
      const partner = queues.get(keys[0](link))?.pop();
      if (!partner) return true;
      free.delete(partner);
      match(link, partner);
      return false;
    });
  };
  const both = (link: ExpectedLink | FoundLink) => `${link.href}\n${sameWords(link.text)}`;
  pass([both, both], (link, partner) => {
    if (partner.lands) proof.found += 1;
    else proof.changed.push(changed(link, partner, 'target'));
  });
  const words = (link: ExpectedLink | FoundLink) => sameWords(link.text) || `\n${link.href}`;
  pass([words, words], (link, partner) => proof.changed.push(changed(link, partner, 'address')));
  const address = (link: ExpectedLink | FoundLink) => link.href;
  pass([address, address], (link, partner) => proof.changed.push(changed(link, partner, 'words')));
  proof.lost = open.map(({ id, href, text, chapter }) => ({ id, href, text, chapter }));
  proof.added = [...free].map(({ href, text, where }) => ({ href, text, where }));
  return proof;
}

/** Joins a link with what may be its end on the next page, where the book has no link of its words alone. */
function joinOverPages(expected: readonly ExpectedLink[], found: readonly FoundLink[]): FoundLink[] {
  const key = (link: ExpectedLink | FoundLink) => `${link.href}\n${sameWords(link.text)}`;
  const whole = new Set(expected.map(key));
  const joined: FoundLink[] = [];
  for (const link of found) {
    const before = joined.at(-1);
    if (link.mayContinue && before && !whole.has(key(before)))
      joined[joined.length - 1] = { ...before, text: `${before.text} ${link.text}` };
    else joined.push(link);
  }
  return joined;
}

function changed(link: ExpectedLink, partner: FoundLink, change: ChangedLink['change']): ChangedLink {
  const { id, href, text, chapter } = link;
  return {
    id,
    href,
    text,
    chapter,
    foundHref: partner.href,
    foundText: partner.text,
    where: partner.where,
    change,
  };
}

/** Words without what typesetting adds or takes: white space, hyphens at line ends, ligatures. */
function sameWords(text: string): string {
  return text.normalize('NFKC').replace(/[\s\u00ad\u200b\u2010\u2011\ufeff-]+/g, '');
}
