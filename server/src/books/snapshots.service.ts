import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import { readBook, readChapter, upgradedChapter, type ReadBook } from '@vennet/core/manuscript';
import { versionChanges } from '@vennet/core/reports';
import { stepsBetween } from '@vennet/core/steps';
import type { RepairDone, Snapshot, SnapshotSeen, VersionedChapter } from '@vennet/core/wire';
import { DataSource, In, type EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { arrange, mergedOrder } from './change-in-hand.js';
import { ChangesService } from './changes.service.js';
import type { ChapterSource } from './book-source.js';
import { asSent } from './chapter-text.js';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';

/** How many versions are listed. */
const MOST_LISTED = 500;

const sent = ({ id, reason, name, createdAt }: SnapshotEntity): Snapshot => ({
  id,
  reason,
  name,
  createdAt: createdAt.toISOString(),
});

function refusedEmpty(name: string): string {
  if (name.trim() === '')
    throw new ProblemError(422, 'No name', 'Give the version a name, by which it is kept.');
  return name.trim();
}

/** The text of a book as it was at some time, kept so that the author can go back to it. */
@Injectable()
export class SnapshotsService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
  ) {}

  /** Keeps the text of a book as it is now. */
  async keepNow(manager: EntityManager, bookId: string, reason: string, name = ''): Promise<string> {
    const chapters = await manager.find(ChapterEntity, { where: { bookId }, order: { position: 'ASC' } });
    return this.keep(manager, bookId, chapters, reason, name);
  }

  async keep(
    manager: EntityManager,
    bookId: string,
    chapters: ChapterEntity[],
    reason: string,
    name = '',
  ): Promise<string> {
    const id = randomUUID();
    const content = await promisify(gzip)(JSON.stringify(chapters.map(asSent)));
    const row = { id, bookId, reason, name, content, createdBy: LOCAL_AUTHOR, createdAt: new Date() };
    await manager.insert(SnapshotEntity, row);
    return id;
  }

  async list(bookId: string): Promise<Snapshot[]> {
    const rows = await this.database
      .getRepository(SnapshotEntity)
      .find({ where: { bookId }, order: { createdAt: 'DESC' }, take: MOST_LISTED });
    return rows.map(sent);
  }

  /** Keeps the book as it is now, by a name. */
  async keepNamed(bookId: string, name: string): Promise<void> {
    await this.database.transaction((manager) =>
      this.keepNow(manager, bookId, 'Kept by its name', refusedEmpty(name)),
    );
  }

  /** Gives a version a name, by which it stays; without one it may go with time. */
  async name(bookId: string, id: string, name: string): Promise<void> {
    const { affected } = await this.database
      .getRepository(SnapshotEntity)
      .update({ id, bookId }, { name: name.trim() });
    if (affected === 0) throw notFound('snapshot');
  }

  /** A version, with what is otherwise in the book since then. */
  async look(book: ReadBook, id: string): Promise<SnapshotSeen> {
    const { row, chapters } = await this.#kept(book.id, id);
    return { ...sent(row), since: versionChanges(readBook({ ...book, chapters }), book) };
  }

  /** A chapter as a version has it. */
  async chapter(bookId: string, id: string, chapter: string): Promise<VersionedChapter> {
    const { chapters } = await this.#kept(bookId, id);
    const found = chapters.find((one) => one.id === chapter);
    if (!found) throw notFound('chapter');
    return { ...found, doc: upgradedChapter(found.doc) };
  }

  /** Whether a version is still kept. */
  has(bookId: string, id: string): Promise<boolean> {
    return this.database.getRepository(SnapshotEntity).existsBy({ id, bookId });
  }

  /** The chapters as a version has them, as they are stored; `null` for one that is not kept any more. */
  async sources(bookId: string, id: string): Promise<ChapterSource[] | null> {
    if (!(await this.has(bookId, id))) return null;
    const { chapters } = await this.#kept(bookId, id);
    return chapters.map(({ doc, ...chapter }) => ({ ...chapter, doc: JSON.stringify(upgradedChapter(doc)) }));
  }

  async #kept(bookId: string, id: string): Promise<{ row: SnapshotEntity; chapters: VersionedChapter[] }> {
    const row = await this.database.getRepository(SnapshotEntity).findOne({
      where: { id, bookId },
      select: { id: true, content: true, reason: true, name: true, createdAt: true },
    });
    if (!row) throw notFound('snapshot');
    const json = (await promisify(gunzip)(row.content)).toString();
    return { row, chapters: JSON.parse(json) as VersionedChapter[] };
  }

  /**
   * Takes a book back to a snapshot: its chapters, their order and their texts. Chapters that were added since stay. What
   * the book was until now becomes a snapshot too, so this can be undone. `chapter`: that one alone.
   */
  async restore(bookId: string, snapshotId: string, chapter?: string): Promise<RepairDone> {
    const { chapters: kept } = await this.#kept(bookId, snapshotId);
    const old = chapter === undefined ? kept : kept.filter(({ id }) => id === chapter);
    if (old.length === 0) throw notFound('chapter');
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
      if (chapter === undefined || missing.length > 0) await arrange(manager, mergedOrder(kept, chapters));
      hand.recipe = { order, added: missing };
      return { words, result: { changed, snapshot } };
    });
    return { ...result, change };
  }
}
