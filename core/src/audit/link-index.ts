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
    // The first ones come in their order.
    const lists = this.byDestination.size > 0 ? new Set<Link[]>() : null;
    for (const link of links) {
      const { nameKey, destinationKey } = factsOf(link);
      if (nameKey !== '') put(this.byName, nameKey, link, lists);
      put(this.byDestination, destinationKey, link, lists);
    }
    for (const list of lists ?? []) list.sort((one, other) => placeOf(one) - placeOf(other));
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

/** Puts a link at the end of its list, which is then out of order. */
function put(map: Map<string, Link[]>, key: string, link: Link, unordered: Set<Link[]> | null): void {
  const list = map.get(key);
  if (!list) {
    map.set(key, [link]);
    return;
  }
  list.push(link);
  unordered?.add(list);
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
