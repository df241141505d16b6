import { schema } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import type { ChangeInHand } from './change-in-hand.js';

/** Moves part of a chapter's text into another chapter, whose text it becomes. Positions are those of whole blocks. */
export async function splitOff(
  hand: ChangeInHand,
  source: ChapterEntity,
  { from, to }: { from: number; to: number },
  target: ChapterEntity,
): Promise<void> {
  const doc = hand.docOf(source);
  const moved = withoutAnchor(doc.cut(from, to), target.id);
  const cut = new Transform(doc).delete(from, to);
  if (cut.doc.childCount === 0) cut.insert(0, schema.node('paragraph'));
  await hand.write(source, cut);
  const old = hand.docOf(target);
  await hand.write(target, new Transform(old).replaceWith(0, old.content.size, moved.content));
}

/**
 * Puts the text of a chapter at the end of another one, and takes the chapter out of the book. What led to the chapter leads to
 * where its text begins now.
 */
export async function joinChapters(
  hand: ChangeInHand,
  into: ChapterEntity,
  chapter: ChapterEntity,
): Promise<void> {
  const doc = hand.docOf(into);
  const moved = withAnchor(hand.docOf(chapter), chapter.id);
  await hand.write(into, new Transform(doc).insert(doc.content.size, moved.content));
  await hand.manager.softDelete(ChapterEntity, { id: chapter.id });
  hand.chapters.splice(hand.chapters.indexOf(chapter), 1);
}

/** A text with the place of its chapter at its first words. */
function withAnchor(doc: Node, id: string): Node {
  const transform = new Transform(doc);
  let done = false;
  doc.descendants((node, at) => {
    if (done || !node.isTextblock) return !done;
    transform.insert(at + 1, schema.node('anchor', { id }));
    done = true;
    return false;
  });
  return transform.doc;
}

/** A text whose chapter has its own place again. */
function withoutAnchor(doc: Node, id: string): Node {
  const transform = new Transform(doc);
  doc.descendants((node, at) => {
    if (node.type.name === 'anchor' && node.attrs.id === id)
      transform.delete(transform.mapping.map(at), transform.mapping.map(at + 1));
  });
  return transform.doc;
}
