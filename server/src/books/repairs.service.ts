import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import { faultInDestination } from '@vennet/core/destination';
import { faultInLook, readBook, type ReadBook } from '@vennet/core/manuscript';
import { linkMentions, repairBook, type BookRepair, type Repair } from '@vennet/core/repair';
import { Transform } from 'prosemirror-transform';
import type {
  MentionsRequest,
  RepairDone,
  RepairRequest,
  RepairTarget,
  Snapshot,
  VersionedChapter,
} from '@vennet/core/wire';
import { DataSource, type EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../edge/author.js';
import { notFound, ProblemError } from '../edge/problem.js';
import { BooksService } from './books.service.js';
import { ChapterEntity } from './chapter.entity.js';
import { asSent, storeText } from './chapter-text.js';
import { mint } from './mint.js';
import { SnapshotEntity } from './snapshot.entity.js';

/** Changes to links all over a book, and the snapshots by which they are taken back. */
@Injectable()
export class RepairsService {
  constructor(
    private readonly database: DataSource,
    private readonly books: BooksService,
  ) {}

  /** Repairs links all over a book in one transaction; the book as it was stays as a snapshot. */
  async repair(bookId: string, { target, repair }: RepairRequest): Promise<RepairDone> {
    refuseFaulty(target, repair);
    const isMeant = meantBy(target);
    return this.#changeAll(
      bookId,
      (book) => repairBook(book, (link) => (isMeant(link) ? repair : null)),
      (changed) => reasonOf(repair, changed),
    );
  }

  /** Makes links of mentions in one transaction; the book as it was stays as a snapshot. */
  async linkMentions(
    bookId: string,
    { mentions, destination, hoverNote, look }: MentionsRequest,
  ): Promise<RepairDone> {
    const fault = faultInDestination(destination) ?? (look ? faultInLook(look) : null);
    if (fault) throw new ProblemError(422, 'Refused destination', `${fault}. Nothing was changed.`);
    const link = { destination, hoverNote, look: look ?? null };
    return this.#changeAll(
      bookId,
      (book) => {
        const result: BookRepair = { chapters: [], changed: 0 };
        for (const { id, doc } of book.chapters) {
          const own = mentions.filter((mention) => mention.chapter === id);
          const transform = new Transform(doc);
          result.changed += linkMentions(transform, own, link, mint);
          if (transform.docChanged) result.chapters.push({ id, doc: transform.doc });
        }
        return result;
      },
      (changed) => `Before ${changed === 1 ? 'one mention' : `${changed} mentions`} became links`,
    );
  }

  async #changeAll(
    bookId: string,
    change: (book: ReadBook) => BookRepair,
    reason: (changed: number) => string,
  ): Promise<RepairDone> {
    return this.database.transaction(async (manager) => {
      const chapters = await manager.find(ChapterEntity, {
        where: { bookId },
        order: { position: 'ASC' },
        lock: { mode: 'pessimistic_write' },
      });
      const result = change(readBook({ ...(await this.books.book(bookId)), chapters: chapters.map(asSent) }));
      const snapshot = await this.#snapshot(manager, bookId, chapters, reason(result.changed));
      for (const { id, doc } of result.chapters) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (stored) await storeText(manager, stored, doc.toJSON());
      }
      return { changed: result.changed, snapshot };
    });
  }

  /** Keeps the text of a book as it is now. */
  async snapshot(bookId: string, reason: string): Promise<string> {
    const chapters = await this.database
      .getRepository(ChapterEntity)
      .find({ where: { bookId }, order: { position: 'ASC' } });
    return this.#snapshot(this.database.manager, bookId, chapters, reason);
  }

  async #snapshot(
    manager: EntityManager,
    bookId: string,
    chapters: ChapterEntity[],
    reason: string,
  ): Promise<string> {
    const id = randomUUID();
    const content = await promisify(gzip)(JSON.stringify(chapters.map(asSent)));
    await manager.insert(SnapshotEntity, {
      id,
      bookId,
      reason,
      content,
      createdBy: LOCAL_AUTHOR,
      createdAt: new Date(),
    });
    return id;
  }

  async snapshots(bookId: string): Promise<Snapshot[]> {
    const rows = await this.database
      .getRepository(SnapshotEntity)
      .find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 50 });
    return rows.map(({ id, reason, createdAt }) => ({ id, reason, createdAt: createdAt.toISOString() }));
  }

  /** Takes a book back to a snapshot. What it was until now becomes a snapshot too, so this can be undone. */
  async restore(bookId: string, snapshotId: string): Promise<RepairDone> {
    const kept = await this.database.getRepository(SnapshotEntity).findOne({
      where: { id: snapshotId, bookId },
      select: { id: true, content: true, reason: true },
    });
    if (!kept) throw notFound('snapshot');
    const old = JSON.parse((await promisify(gunzip)(kept.content)).toString()) as VersionedChapter[];
    return this.database.transaction(async (manager) => {
      const chapters = await manager.find(ChapterEntity, {
        where: { bookId },
        order: { position: 'ASC' },
        lock: { mode: 'pessimistic_write' },
      });
      const snapshot = await this.#snapshot(
        manager,
        bookId,
        chapters,
        'Before going back to an earlier text',
      );
      let changed = 0;
      for (const { id, doc } of old) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (!stored || stored.doc === JSON.stringify(doc)) continue;
        await storeText(manager, stored, doc);
        changed += 1;
      }
      return { changed, snapshot };
    });
  }
}

function meantBy(target: RepairTarget): (link: { id: string; href: string }) => boolean {
  if ('href' in target) return (link) => link.href === target.href;
  const ids = new Set(target.links);
  return (link) => ids.has(link.id);
}

function refuseFaulty(target: RepairTarget, repair: Repair): void {
  const meant = 'href' in target ? typeof target.href === 'string' : Array.isArray(target.links);
  if (!meant)
    throw new ProblemError(422, 'Unknown target', 'Say which links are meant: by { href } or by { links }.');
  if (!['destination', 'text', 'hover-note', 'look', 'trim', 'unlink'].includes(repair.type))
    throw new ProblemError(422, 'Unknown repair', `There is no repair of the type “${String(repair.type)}”.`);
  const fault = repair.type === 'destination' ? faultInDestination(repair.destination) : null;
  if (fault)
    throw new ProblemError(422, 'Refused destination', `${fault}. Nothing was changed.`, {
      path: 'repair.destination',
    });
  const wrong = repair.type === 'look' && repair.look !== null ? faultInLook(repair.look) : null;
  if (wrong)
    throw new ProblemError(422, 'Refused look', `${wrong}. Nothing was changed.`, { path: 'repair.look' });
  if (repair.type === 'text' && (typeof repair.text !== 'string' || repair.text.trim() === ''))
    throw new ProblemError(422, 'No words', 'A link needs words. Nothing was changed.', {
      path: 'repair.text',
    });
}

function reasonOf(repair: Repair, count: number): string {
  const links = count === 1 ? 'one link' : `${count} links`;
  const words: Record<Repair['type'], string> = {
    destination: `Before ${links} got another destination`,
    text: `Before ${links} got other words`,
    'hover-note': `Before ${links} got another hover note`,
    look: `Before ${links} got another look`,
    trim: `Before the ends of ${links} were trimmed`,
    unlink: `Before ${links} became plain words`,
  };
  return words[repair.type];
}
