import type { Mark, Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import {
  attrsOf,
  hasAreas,
  idOf,
  LEADING_NODES,
  linkMark,
  markIdOf,
  placeIds,
  schema,
  setAreas,
  setSpots,
  withFigureIds,
  withSpotIds,
} from '../manuscript/index.js';

/** Nodes that can always be led to, so each has an id. */
const ALWAYS = new Set([
  'heading',
  'figure',
  'page',
  'entry',
  'table',
  'contents',
  'note',
  'note_mark',
  'reference',
  'return_link',
]);

/** The doc of a chapter with an id at everything that can always be led to: those that `placeIds` gives it anyway. */
export const withPlaceIds = (doc: Node, chapter: string): Node => placesNamed(doc, chapter).doc;

/** The same as steps over the doc. */
export function placesNamed(doc: Node, chapter: string): Transform {
  const transform = new Transform(doc);
  const idOf = placeIds(chapter);
  doc.descendants((node, position) => {
    const id = idOf(node);
    if (id && !node.attrs.id) transform.setNodeAttribute(position, 'id', id);
    return !node.isTextblock;
  });
  return transform;
}

/**
 * Adds the steps after which every id of a chapter is there once: the first of two stays. A later one gets an id of its
 * own where it needs one, else none; a bookmark that goes on in another paragraph ends with the first. Links let go of what
 * leads somewhere by itself.
 */
export function keepIdsUnique(transform: Transform, mint: () => string): void {
  const seen = new Set<string>();
  const take = (id: string | null): string | null => {
    if (id === null || seen.has(id)) return null;
    seen.add(id);
    return id;
  };
  transform.doc.descendants((node, position) => {
    const { name } = node.type;
    if ('id' in node.attrs) {
      const id = idOf(node);
      const free = name === 'note' && id && seen.has(markIdOf(id)) ? null : take(id);
      const kept = free ?? (ALWAYS.has(name) ? take(mint()) : null);
      if (kept !== id) transform.setNodeAttribute(position, 'id', kept);
      if (name === 'note' && kept) seen.add(markIdOf(kept));
    }
    if (hasAreas(node)) separateFigure(transform, node, position, take, mint);
    if (node.isTextblock) separateMarks(transform, node, position + 1, seen, mint);
    return true;
  });
}

function separateFigure(
  transform: Transform,
  node: Node,
  position: number,
  take: (id: string) => string | null,
  mint: () => string,
): void {
  const attrs = attrsOf.figure(node);
  const kept = withFigureIds(attrs, (id) => take(id) ?? take(mint()) ?? id);
  if (node.type.name === 'figure' && kept.link !== attrs.link)
    transform.setNodeAttribute(position, 'link', kept.link);
  if (kept.areas !== attrs.areas) setAreas(transform, position, kept.areas);
  if (node.type.name !== 'page') return;
  const { spots } = attrsOf.page(node);
  const own = withSpotIds(spots, (id) => take(id) ?? take(mint()) ?? id);
  if (own !== spots) setSpots(transform, position, own);
}

/** A link that goes on in another paragraph, or after words that are not linked, is another link there. */
function separateMarks(
  transform: Transform,
  block: Node,
  start: number,
  seen: Set<string>,
  mint: () => string,
): void {
  let open: { old: string; id: string } | null = null;
  let bookmarks = new Set<string>();
  block.forEach((child, offset) => {
    const from = start + offset;
    const to = from + child.nodeSize;
    const mark = linkMark(child);
    if (mark && LEADING_NODES.has(child.type.name)) transform.removeMark(from, to, mark.type);
    else if (mark) {
      const old = attrsOf.link(mark).id;
      if (open?.old !== old) open = { old, id: seen.has(old) || old === '' ? mint() : old };
      seen.add(open.id);
      if (open.id !== old) transform.addMark(from, to, mark.type.create({ ...mark.attrs, id: open.id }));
    }
    if (!mark || LEADING_NODES.has(child.type.name)) open = null;
    bookmarks = keptBookmarks(transform, child.marks, from, to, bookmarks, seen);
  });
}

/** Takes away the bookmarks of a node that stand elsewhere already; gives back those that are open after it. */
function keptBookmarks(
  transform: Transform,
  marks: readonly Mark[],
  from: number,
  to: number,
  open: ReadonlySet<string>,
  seen: Set<string>,
): Set<string> {
  const now = new Set<string>();
  for (const mark of marks) {
    if (mark.type !== schema.marks.bookmark) continue;
    const { id } = attrsOf.bookmark(mark);
    if (open.has(id) || !seen.has(id)) now.add(id);
    else transform.removeMark(from, to, mark);
    seen.add(id);
  }
  return now;
}
