import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import { readChapter } from '@vennet/core/manuscript';
import { stepsBetween } from '@vennet/core/steps';
import type { RepairDone, Snapshot, VersionedChapter } from '@vennet/core/wire';
import { DataSource, In, type EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound } from '../platform/problem.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { arrange, mergedOrder } from './change-in-hand.js';
import { ChangesService } from './changes.service.js';
import { asSent } from './chapter-text.js';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';

/** The text of a book as it was at some time, kept so that the author can go back to it. */
@Injectable()
export class SnapshotsService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
  ) {}

  /** Keeps the text of a book as it is now. */
  async keepNow(manager: EntityManager, bookId: string, reason: string): Promise<string> {
    const chapters = await manager.find(ChapterEntity, { where: { bookId }, order: { position: 'ASC' } });
    return this.keep(manager, bookId, chapters, reason);
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
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      const { manager, chapters } = hand;
      const words = 'Before going back to an earlier text';
      const snapshot = await this.keep(manager, bookId, chapters, words);
      const order = chapters.map(({ id, matter }) => ({ id, matter }));
      const isThere = new Set(chapters.map(({ id }) => id));
      const missing = old.filter(({ id }) => !isThere.has(id)).map(({ id }) => id);
      if (missing.length > 0) {
        await manager.restore(ChapterEntity, { id: In(missing) });
        chapters.push(...(await manager.find(ChapterEntity, { where: { id: In(missing) } })));
      }
      let changed = missing.length;
      for (const { id, doc, leftOutOf = [] } of old) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (!stored) continue;
        const before = stored.version;
        await manager.update(ChapterEntity, { id }, { leftOutOf });
        const after = readChapter({ ...asSent(stored), doc }).doc;
        await hand.write(stored, stepsBetween(hand.docOf(stored), after));
        if (stored.version > before && isThere.has(id)) changed++;
      }
      await arrange(manager, mergedOrder(old, chapters));
      hand.recipe = { order, added: missing };
      return { words, result: { changed, snapshot } };
    });
    return { ...result, change };
  }
}
