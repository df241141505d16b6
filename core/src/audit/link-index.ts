import { fold } from '../language/index.js';
import type { Link } from '../manuscript/index.js';
import { accessibleName } from '../reader/index.js';
import { comparable } from './web-host.js';

/** The links of a book by what they are called and by where they lead, so that each can be judged beside the others. */
export interface LinkIndex {
  /** In reading order. */
  links: readonly Link[];
  byName: ReadonlyMap<string, readonly Link[]>;
  byDestination: ReadonlyMap<string, readonly Link[]>;
}

export function indexOf(links: readonly Link[]): LinkIndex {
  const byName = new Map<string, Link[]>();
  const byDestination = new Map<string, Link[]>();
  for (const link of links) {
    put(byName, nameKey(link), link);
    put(byDestination, destinationKey(link), link);
  }
  return { links, byName, byDestination };
}

function put(map: Map<string, Link[]>, key: string, link: Link): void {
  const list = map.get(key);
  if (list) list.push(link);
  else map.set(key, [link]);
}

/** What a link is called, as two are compared; empty where it has no letter. */
export function nameKey(link: Link): string {
  const folded = fold(accessibleName(link));
  return /\p{L}{2}/u.test(folded) ? folded : '';
}

/** Where a link leads, as two are compared: with or without encryption, `www.` and a last slash it is one page. */
export function destinationKey({ kind, href }: Link): string {
  if (kind !== 'web') return href;
  const { host, pathname, search, hash } = new URL(href);
  return `${comparable(host)}${pathname.replace(/\/(?:index\.x?html?)?$/, '')}${search}${hash}`;
}
