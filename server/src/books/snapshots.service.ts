import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import type { RepairDone, Snapshot, VersionedChapter } from '@vennet/core/wire';
import { DataSource, type EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound } from '../platform/problem.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { asSent, columnsOf, storeText } from './chapter-text.js';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';

/** The text of a book as it was at some time, kept so that the author can go back to it. */
@Injectable()
export class SnapshotsService {
  constructor(private readonly database: DataSource) {}

  /** Keeps the text of a book as it is now. */
  async keepNow(bookId: string, reason: string): Promise<string> {
    const chapters = await this.database
      .getRepository(ChapterEntity)
      .find({ where: { bookId }, order: { position: 'ASC' } });
    return this.keep(this.database.manager, bookId, chapters, reason);
  }

  async keep(
    manager: EntityManager,
    bookId: string,
    chapters: ChapterEntity[],
    reason: string,
  ): Promise<string> {
    const id = randomUUID();
    const content = await promisify(gzip)(JSON.stringify(chapters.map(asSent)));
    const row = { id, bookId, reason, content, createdBy: LOCAL_AUTHOR, createdAt: new Date() };
    await manager.insert(SnapshotEntity, row);
    return id;
  }

  async list(bookId: string): Promise<Snapshot[]> {
    const rows = await this.database
      .getRepository(SnapshotEntity)
      .find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 50 });
    return rows.map(({ id, reason, createdAt }) => ({ id, reason, createdAt: createdAt.toISOString() }));
  }

  /**
   * Takes a book back to a snapshot: its chapters, their order and their texts. Chapters that were added since stay. What
   * the book was until now becomes a snapshot too, so this can be undone.
   */
  async restore(bookId: string, snapshotId: string): Promise<RepairDone> {
    const kept = await this.database.getRepository(SnapshotEntity).findOne({
      where: { id: snapshotId, bookId },
      select: { id: true, content: true, reason: true },
    });
    if (!kept) throw notFound('snapshot');
    const old = JSON.parse((await promisify(gunzip)(kept.content)).toString()) as VersionedChapter[];
    return this.database.transaction(async (manager) => {
      const chapters = await lockedChapters(manager, bookId);
      const snapshot = await this.keep(manager, bookId, chapters, 'Before going back to an earlier text');
      let changed = 0;
      for (const chapter of old) changed += await restoreText(manager, bookId, chapters, chapter);
      for (const [position, id] of mergedOrder(old, chapters).entries())
        await manager.update(ChapterEntity, { id }, { position });
      return { changed, snapshot };
    });
  }
}

/** The chapters of a book in their order; nobody else changes them until the transaction ends. */
export function lockedChapters(manager: EntityManager, bookId: string): Promise<ChapterEntity[]> {
  return manager.find(ChapterEntity, {
    where: { bookId },
    order: { position: 'ASC' },
    lock: { mode: 'pessimistic_write' },
  });
}

/** Puts one chapter back as it was; gives 1 when its text was another. */
async function restoreText(
  manager: EntityManager,
  bookId: string,
  now: readonly ChapterEntity[],
  { id, matter, leftOutOf = [], doc, title, version }: VersionedChapter,
): Promise<number> {
  const stored = now.find((chapter) => chapter.id === id);
  if (!stored) {
    const row = {
      id,
      bookId,
      position: 0,
      matter,
      leftOutOf,
      version: version + 1,
      ...columnsOf(doc, title),
    };
    await manager.insert(ChapterEntity, row);
    return 1;
  }
  await manager.update(ChapterEntity, { id }, { matter, leftOutOf });
  if (stored.doc === JSON.stringify(doc)) return 0;
  await storeText(manager, stored, doc);
  return 1;
}

/** The old order, with each chapter that was added since after the one that it follows now. */
function mergedOrder(old: readonly { id: string }[], now: readonly { id: string }[]): string[] {
  const order = old.map(({ id }) => id);
  now.forEach(({ id }, index) => {
    if (order.includes(id)) return;
    const before = now[index - 1];
    order.splice(before ? order.indexOf(before.id) + 1 : 0, 0, id);
  });
  return order;
}
