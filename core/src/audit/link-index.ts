import type { Link } from '../manuscript/index.js';
import { factsOf } from './facts.js';

/** The links of a book by what they are called and by where they lead, in reading order, so that each can be judged beside the others. */
export class LinkIndex {
  readonly byName = new Map<string, Link[]>();
  readonly byDestination = new Map<string, Link[]>();
  /** What rules have computed of all links of one name. */
  readonly ofName = new Map<string, unknown>();

  /** Puts links where they belong; `placeOf` is their place in reading order. */
  add(links: readonly Link[], placeOf: (link: Link) => number): void {
    const isFirst = this.byDestination.size === 0;
    const lists = new Set<Link[]>();
    for (const link of links) {
      const { nameKey, destinationKey } = factsOf(link);
      if (nameKey !== '') lists.add(put(this.byName, nameKey, link));
      lists.add(put(this.byDestination, destinationKey, link));
    }
    if (!isFirst) for (const list of lists) list.sort((one, other) => placeOf(one) - placeOf(other));
  }

  remove(link: Link): void {
    const { nameKey, destinationKey } = factsOf(link);
    take(this.byName, nameKey, link);
    take(this.byDestination, destinationKey, link);
  }

  /** The same link, with other positions. */
  replace(before: Link, link: Link): void {
    if (before === link) return;
    const { nameKey, destinationKey } = factsOf(before);
    for (const list of [this.byName.get(nameKey), this.byDestination.get(destinationKey)]) {
      const at = list?.indexOf(before) ?? -1;
      if (at >= 0) list![at] = link;
    }
    this.ofName.delete(nameKey);
  }

  /** What was computed of names whose links have changed is of no use any more. */
  forget(names: Iterable<string>): void {
    for (const name of names) this.ofName.delete(name);
  }
}

function put(map: Map<string, Link[]>, key: string, link: Link): Link[] {
  const list = map.get(key);
  if (list) list.push(link);
  else map.set(key, [link]);
  return list ?? map.get(key)!;
}

function take(map: Map<string, Link[]>, key: string, link: Link): void {
  const list = map.get(key);
  const at = list?.indexOf(link) ?? -1;
  if (!list || at < 0) return;
  list.splice(at, 1);
  if (list.length === 0) map.delete(key);
}

export function indexOf(links: readonly Link[]): LinkIndex {
  const index = new LinkIndex();
  index.add(links, () => 0);
  return index;
}
