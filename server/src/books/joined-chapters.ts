import { withAnchor, withoutAnchor } from '@vennet/core/edits';
import { schema } from '@vennet/core/manuscript';
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
