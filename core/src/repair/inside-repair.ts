import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import { removeBookmark, removeNote, renameBookmark } from '../edits/index.js';
import { renameId, schema, wordsOf, type ReturnLinkTo } from '../manuscript/index.js';

/** A change to a place, a note, a list of contents or a return link, as data. */
export type InsideRepair =
  | { type: 'remove-bookmark' }
  | { type: 'rename-bookmark'; name: string }
  | { type: 'new-id' }
  | { type: 'remove-note' }
  | { type: 'remove-node' }
  | { type: 'depth'; depth: number }
  | { type: 'whole-book' }
  | { type: 'return-to'; to: ReturnLinkTo }
  /** `words` are those of the block, as they were when the repair was offered. */
  | { type: 'remove-block'; words: string };

/** What a repair is for: something of a chapter by its id, or a block by its position. */
export interface InsideTarget {
  id: string;
  at: number;
}

/** Adds the steps of a repair to a transform of its chapter's doc. What is not there any more is passed over. */
export function applyInsideRepair(
  transform: Transform,
  { id, at }: InsideTarget,
  repair: InsideRepair,
  mint: () => string,
): void {
  const { doc } = transform;
  if (repair.type === 'remove-bookmark') return removeBookmark(transform, id);
  if (repair.type === 'rename-bookmark') return renameBookmark(transform, id, repair.name);
  if (repair.type === 'remove-note') return removeNote(transform, id);
  if (repair.type === 'new-id') return renameId(transform, id, mint());
  // Only blocks that have no ids are found by where they stood: a node with one that is gone must not take another's place.
  const found = repair.type === 'remove-block' ? blockAt(doc, at) : nodeWithId(doc, id);
  if (!found) return;
  const set = (name: string, value: unknown) => void transform.setNodeAttribute(found.at, name, value);
  switch (repair.type) {
    case 'depth':
      return set('depth', repair.depth);
    case 'whole-book':
      return set('scope', 'book');
    case 'return-to':
      return set('to', repair.to);
    case 'remove-node':
      transform.delete(found.at, found.at + found.node.nodeSize);
      return;
    case 'remove-block':
      if (repair.words === wordsOf(found.node)) removeBlock(transform, found.at, found.node);
  }
}

function removeBlock(transform: Transform, at: number, node: Node): void {
  const $at = transform.doc.resolve(at);
  if ($at.parent.childCount > 1) transform.delete(at, at + node.nodeSize);
  else if ($at.depth === 0) transform.replaceWith(at, at + node.nodeSize, schema.node('paragraph'));
  else removeBlock(transform, $at.before(), $at.parent);
}

function blockAt(doc: Node, at: number): { at: number; node: Node } | null {
  const node = at < doc.content.size ? doc.nodeAt(at) : null;
  return node && { at, node };
}

function nodeWithId(doc: Node, id: string): { at: number; node: Node } | null {
  let found: { at: number; node: Node } | null = null;
  doc.descendants((node, at) => {
    if (!found && node.attrs.id === id) found = { at, node };
    return !found;
  });
  return found;
}
