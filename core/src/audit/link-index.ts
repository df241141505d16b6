import type { Link } from '../manuscript/index.js';
import { factsOf } from './facts.js';

/** The links of a book by what they are called and by where they lead, so that each can be judged beside the others. */
export interface LinkIndex {
  /** In reading order. */
  byName: ReadonlyMap<string, readonly Link[]>;
  byDestination: ReadonlyMap<string, readonly Link[]>;
  /** What rules have computed of all links of one name. */
  ofName: Map<string, unknown>;
}

export function indexOf(links: readonly Link[]): LinkIndex {
  const byName = new Map<string, Link[]>();
  const byDestination = new Map<string, Link[]>();
  for (const link of links) {
    const { nameKey, destinationKey } = factsOf(link);
    put(byName, nameKey, link);
    put(byDestination, destinationKey, link);
  }
  return { byName, byDestination, ofName: new Map() };
}

function put(map: Map<string, Link[]>, key: string, link: Link): void {
  const list = map.get(key);
  if (list) list.push(link);
  else map.set(key, [link]);
}
