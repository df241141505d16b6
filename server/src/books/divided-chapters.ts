import { divided } from '@vennet/core/edits';
import { titleOf } from '@vennet/core/manuscript';
import { Transform } from 'prosemirror-transform';
import { In } from 'typeorm';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { mint } from '../platform/mint.js';
import { arrange, type ChangeInHand } from './change-in-hand.js';
import { asSent, newChapter } from './chapter-text.js';

/**
 * Divides a book anew at the places that are told. A chapter that was once there and begins again at its old place is that one again.
 * It is taken back by dividing the book at the places that it had before.
 */
export async function divideChapters(hand: ChangeInHand, begins: readonly string[]): Promise<void> {
  const { manager, bookId, chapters } = hand;
  const old = chapters.map(({ id }) => id);
  const texts = chapters.map((chapter) => ({ ...asSent(chapter), doc: hand.docOf(chapter) }));
  const parts = divided(texts, new Set(begins));
  const known = new Map(chapters.map((chapter) => [chapter.id, chapter]));
  const kept = new Set(parts.flatMap(({ kept: id }) => id ?? []));
  const gone = old.filter((id) => !kept.has(id));
  if (gone.length === 0 && parts.length === old.length) return;
  const removed = await manager.find(ChapterEntity, {
    where: { bookId, id: In(parts.map(({ begin }) => begin)) },
    withDeleted: true,
  });
  const order: ChapterEntity[] = [];
  for (const { kept: id, begin, matter, leftOutOf, doc, change } of parts) {
    const chapter = known.get(id ?? '');
    const before = removed.find((one) => one.id === begin && !known.has(one.id));
    if (chapter) await hand.write(chapter, change);
    else if (before) {
      await manager.restore(ChapterEntity, { id: begin });
      const empty = hand.docOf(before);
      await hand.write(before, new Transform(empty).replaceWith(0, empty.content.size, doc.content));
    }
    order.push(
      chapter ??
        before ?? {
          ...newChapter({ id: mint(), matter, title: titleOf(doc), doc: doc.toJSON() as object }),
          ...{ bookId, leftOutOf, position: 0, version: 1, deletedAt: null },
        },
    );
  }
  const fresh = order.filter((one) => !known.has(one.id) && !removed.includes(one));
  for (const chapter of fresh) await manager.insert(ChapterEntity, chapter);
  if (gone.length > 0) await manager.softDelete(ChapterEntity, { id: In(gone) });
  chapters.splice(0, chapters.length, ...order);
  await arrange(manager, chapters);
  hand.recipe = { divided: old };
}
