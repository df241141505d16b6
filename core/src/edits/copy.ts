import { Fragment, type Node } from 'prosemirror-model';
import {
  attrsOf,
  idsIn,
  markIdOf,
  placesLedToBy,
  renamed,
  schema,
  type Rename,
} from '../manuscript/index.js';

/**
 * A piece of text as it is put into a book: what was moved keeps its ids, what is there already gets new ones, and what
 * leads to places within the piece leads to those of the copy. A copied bookmark to which nothing in the piece leads is
 * left out.
 *
 * @param isTaken says which ids the book has now
 */
export function copyInto(piece: Fragment, isTaken: (id: string) => boolean, mint: () => string): Fragment {
  const used = placesLedTo(piece);
  const fresh = new Map<string, string>();
  for (const id of idsIn(piece)) {
    if (!isTaken(id) || fresh.has(id)) continue;
    const own = mint();
    fresh.set(id, own).set(markIdOf(id), markIdOf(own));
  }
  if (fresh.size === 0) return piece;
  return renew(
    piece,
    (id) => fresh.get(id) ?? id,
    (id) => fresh.has(id) && !used.has(id),
  );
}

function placesLedTo(piece: Fragment): Set<string> {
  const places = new Set<string>();
  piece.descendants((node) => {
    for (const place of placesLedToBy(node)) places.add(place);
  });
  return places;
}

function renew(piece: Fragment, rename: Rename, isDropped: (bookmark: string) => boolean): Fragment {
  const nodes: Node[] = [];
  piece.forEach((node) => {
    const kept = node.marks.filter(
      (mark) => mark.type !== schema.marks.bookmark || !isDropped(attrsOf.bookmark(mark).id),
    );
    nodes.push(renamed(node.mark(kept), rename, renew(node.content, rename, isDropped)));
  });
  return Fragment.fromArray(nodes);
}
