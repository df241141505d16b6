import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import { faultInDestination } from '@vennet/core/destination';
import type { BringInReport, BroughtEnclosure } from '@vennet/core/bring-in';
import {
  DEFAULT_LOOK,
  SCHEMA_VERSION,
  emptyChapter,
  faultInChapter,
  linksOfChapter,
  readBook,
  readChapter,
  titleOf,
  type Book,
  type ReadBook,
} from '@vennet/core/manuscript';
import { repairBook, type Repair } from '@vennet/core/repair';
import type {
  BookSummary,
  ChapterSaved,
  Manuscript,
  RepairDone,
  RepairRequest,
  RepairTarget,
  Snapshot,
  VersionedChapter,
} from '@vennet/core/wire';
import { DataSource, IsNull, type EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../edge/author.js';
import { notFound, ProblemError } from '../edge/problem.js';
import { EnclosureEntity } from '../enclosures/enclosure.entity.js';
import { EnclosureStore } from '../enclosures/enclosure-store.js';
import { BookEntity } from './book.entity.js';
import type { BookChangesDto, NewBookDto, NewChapterDto, SaveChapterDto } from './books.dto.js';
import { ChapterEntity } from './chapter.entity.js';
import { mint } from './mint.js';
import { SnapshotEntity } from './snapshot.entity.js';

/** Books and their chapters: how they are stored, saved, repaired and brought back. */
@Injectable()
export class BooksService {
  constructor(
    private readonly database: DataSource,
    private readonly store: EnclosureStore,
  ) {}

  async list(): Promise<BookSummary[]> {
    const books = await this.database.getRepository(BookEntity).find({ order: { updatedAt: 'DESC' } });
    const sums = await this.database
      .getRepository(ChapterEntity)
      .createQueryBuilder('chapter')
      .select('chapter.book_id', 'book')
      .addSelect('COUNT(*)', 'chapters')
      .addSelect('SUM(chapter.words)', 'words')
      .addSelect('SUM(chapter.links)', 'links')
      .groupBy('chapter.book_id')
      .getRawMany<{ book: string; chapters: string; words: string; links: string }>();
    return books.map((book) => {
      const sum = sums.find((one) => one.book === book.id);
      const { id, title, subtitle, author, language } = book;
      return {
        ...{ id, title, subtitle, author, language },
        chapters: Number(sum?.chapters ?? 0),
        words: Number(sum?.words ?? 0),
        links: Number(sum?.links ?? 0),
        updatedAt: book.updatedAt.toISOString(),
        deletedAt: book.deletedAt?.toISOString() ?? null,
      };
    });
  }

  async start({ title, author = '', language = 'en' }: NewBookDto): Promise<string> {
    const doc = emptyChapter('');
    const chapters = [{ id: mint(), title: 'Chapter 1', matter: 'main' as const, doc }];
    return this.add(
      { id: '', title, subtitle: '', author, language, description: '', look: DEFAULT_LOOK, chapters },
      [],
      null,
    );
  }

  /** Stores a whole book in one transaction, under an id of its own. */
  async add(book: Book, enclosures: BroughtEnclosure[], report: BringInReport | null): Promise<string> {
    const id = randomUUID();
    const now = new Date();
    const rows: EnclosureEntity[] = [];
    for (const { id: enclosure, name, type, bytes } of enclosures) {
      const sha256 = await this.store.keep(bytes);
      const file = {
        id: enclosure,
        bookId: id,
        name: name.slice(0, 255),
        type,
        size: String(bytes.length),
        sha256,
      };
      rows.push({ ...file, createdBy: LOCAL_AUTHOR, createdAt: now });
    }
    const { title, subtitle, author, language, description, look } = book;
    await this.database.transaction(async (manager) => {
      const row: BookEntity = {
        ...{ id, title, subtitle, author, language, description, look, report },
        ...{ createdBy: LOCAL_AUTHOR, createdAt: now, updatedAt: now, deletedAt: null },
      };
      await manager.insert(BookEntity, row as object);
      if (rows.length > 0) await manager.insert(EnclosureEntity, rows);
      for (const [position, chapter] of book.chapters.entries())
        await manager.insert(ChapterEntity, {
          ...{ id: chapter.id, bookId: id, position, matter: chapter.matter, version: 1 },
          ...this.#written(chapter.doc, chapter.title),
        });
    });
    return id;
  }

  async manuscript(id: string): Promise<Manuscript> {
    const book = await this.#book(id);
    const chapters = await this.database
      .getRepository(ChapterEntity)
      .find({ where: { bookId: id }, order: { position: 'ASC' } });
    const { title, subtitle, author, language, description, look, report } = book;
    return {
      ...{ id, title, subtitle, author, language, description, look, report },
      chapters: chapters.map(asSent),
    };
  }

  async read(id: string): Promise<ReadBook> {
    return readBook(await this.manuscript(id));
  }

  async change(id: string, changes: BookChangesDto): Promise<void> {
    await this.#book(id);
    await this.database.getRepository(BookEntity).update({ id }, { ...changes, updatedAt: new Date() });
  }

  async setDeleted(id: string, deleted: boolean): Promise<void> {
    const result = await this.database
      .getRepository(BookEntity)
      .update({ id }, { deletedAt: deleted ? new Date() : null });
    if (result.affected === 0) throw notFound('book');
  }

  async addChapter(bookId: string, { title, after }: NewChapterDto): Promise<VersionedChapter> {
    await this.#book(bookId);
    return this.database.transaction(async (manager) => {
      const all = await manager.find(ChapterEntity, {
        where: { bookId },
        order: { position: 'ASC' },
        lock: { mode: 'pessimistic_write' },
      });
      const at = after ? all.findIndex((chapter) => chapter.id === after) + 1 : all.length;
      for (const chapter of all.slice(at).reverse())
        await manager.update(ChapterEntity, { id: chapter.id }, { position: chapter.position + 1 });
      const position = at > 0 ? all[at - 1].position + 1 : 0;
      const words = title.trim() || `Chapter ${all.length + 1}`;
      const matter = all[at - 1]?.matter ?? 'main';
      const chapter = {
        id: mint(),
        bookId,
        position,
        matter,
        version: 1,
        ...this.#written(emptyChapter(title.trim()), words),
      };
      await manager.insert(ChapterEntity, chapter);
      return asSent(chapter);
    });
  }

  /**
   * Saves a chapter that was read at `version`. A stale save is refused with the chapter as it is stored, a chapter that
   * does not fit the schema with the path of its fault; in both cases nothing is stored.
   */
  async saveChapter(id: string, { version, doc }: SaveChapterDto): Promise<ChapterSaved> {
    const fault = faultInChapter(doc);
    if (fault)
      throw new ProblemError(
        422,
        'The chapter does not fit the schema',
        `At ${fault.path || 'the top'}: ${fault.message}. Nothing was stored.`,
        { path: fault.path },
      );
    return this.database.transaction(async (manager) => {
      const stored = await manager.findOne(ChapterEntity, {
        where: { id },
        lock: { mode: 'pessimistic_write' },
      });
      if (!stored) throw notFound('chapter');
      if (stored.version !== version)
        throw new ProblemError(
          409,
          'The chapter was changed elsewhere',
          'This chapter was changed in another window since you opened it. Both texts are kept; choose which one goes on.',
          { current: asSent(stored) },
        );
      return this.#store(manager, stored, doc);
    });
  }

  async #store(manager: EntityManager, stored: ChapterEntity, doc: unknown): Promise<ChapterSaved> {
    const written = this.#written(doc, stored.title);
    const version = stored.version + 1;
    await manager.update(ChapterEntity, { id: stored.id }, { ...written, version });
    await manager.update(BookEntity, { id: stored.bookId }, { updatedAt: written.updatedAt });
    return { id: stored.id, version, title: written.title };
  }

  /** The columns that follow from a chapter's text. */
  #written(doc: unknown, otherwise: string) {
    const read = readChapter({ id: '', title: '', matter: 'main', doc }).doc;
    return {
      title: titleOf(read, otherwise).slice(0, 300),
      doc: JSON.stringify(doc),
      schemaVersion: SCHEMA_VERSION,
      words: read.textBetween(0, read.content.size, ' ', ' ').match(/\S+/g)?.length ?? 0,
      links: linksOfChapter(read, '').length,
      updatedBy: LOCAL_AUTHOR,
      updatedAt: new Date(),
    };
  }

  /** Repairs links all over a book in one transaction; the book as it was stays as a snapshot. */
  async repair(bookId: string, { target, repair }: RepairRequest): Promise<RepairDone> {
    refuseFaulty(target, repair);
    const isMeant = meantBy(target);
    return this.database.transaction(async (manager) => {
      const chapters = await manager.find(ChapterEntity, {
        where: { bookId },
        order: { position: 'ASC' },
        lock: { mode: 'pessimistic_write' },
      });
      const book = readBook({ ...(await this.#book(bookId)), chapters: chapters.map(asSent) });
      const result = repairBook(book, (link) => (isMeant(link) ? repair : null));
      const snapshot = await this.#snapshot(manager, bookId, chapters, reasonOf(repair, result.changed));
      for (const { id, doc } of result.chapters) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (stored) await this.#store(manager, stored, doc.toJSON());
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
        await this.#store(manager, stored, doc);
        changed += 1;
      }
      return { changed, snapshot };
    });
  }

  async enclosuresOf(bookId: string): Promise<EnclosureEntity[]> {
    return this.database.getRepository(EnclosureEntity).findBy({ bookId });
  }

  async #book(id: string): Promise<BookEntity> {
    const book = await this.database.getRepository(BookEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!book) throw notFound('book');
    return book;
  }
}

function asSent({ id, title, matter, doc, version }: ChapterEntity): VersionedChapter {
  return { id, title, matter, version, doc: JSON.parse(doc) as unknown };
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
  if (!['destination', 'text', 'hover-note', 'trim', 'unlink'].includes(repair.type))
    throw new ProblemError(422, 'Unknown repair', `There is no repair of the type “${String(repair.type)}”.`);
  const fault = repair.type === 'destination' ? faultInDestination(repair.destination) : null;
  if (fault)
    throw new ProblemError(422, 'Refused destination', `${fault}. Nothing was changed.`, {
      path: 'repair.destination',
    });
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
    trim: `Before the ends of ${links} were trimmed`,
    unlink: `Before ${links} became plain words`,
  };
  return words[repair.type];
}
