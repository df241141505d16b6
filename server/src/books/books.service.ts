import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { BringInReport, BroughtEnclosure } from '@vennet/core/bring-in';
import { phrases } from '@vennet/core/language';
import {
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  emptyChapter,
  faultInChapter,
  NO_PUBLICATION,
  upgradedChapter,
  type BookDetails,
} from '@vennet/core/manuscript';
import type {
  BookChanges,
  BookSummary,
  ChapterSave,
  ChapterSaved,
  FindingCounts,
  LastCheck,
  NewBook,
} from '@vennet/core/wire';
import type { VerdictName } from '@vennet/core/reach';
import { DataSource, IsNull, Not } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { publicAddress } from '../platform/public-address.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { ChangesService } from './changes.service.js';
import type { BookSource, ChapterSource, OtherSource } from './book-source.js';
import { asSent, newChapter, sourceOf, type NewChapter } from './chapter-text.js';
import { misfit } from './next-text.js';
import { mint } from '../platform/mint.js';

/** A link to another book in the JSON of a chapter. */
const BOOK_LINK = /"kind":"book","book":"([0-9a-f-]{36})"/g;

/** How much text goes into one statement, in signs, and how many rows. */
const STATEMENT = { signs: 4_000_000, rows: 200 };

/** Rows in their order, in groups that fit into one statement. */
function grouped<Row extends { doc: string }>(rows: readonly Row[]): Row[][] {
  const groups: Row[][] = [];
  let signs = Infinity;
  for (const row of rows) {
    const last = groups.at(-1);
    if (last && last.length < STATEMENT.rows && signs + row.doc.length <= STATEMENT.signs) {
      last.push(row);
      signs += row.doc.length;
    } else {
      groups.push([row]);
      signs = row.doc.length;
    }
  }
  return groups;
}

/** Books and their chapters: how they are listed, made, read and saved. */
@Injectable()
export class BooksService {
  constructor(
    private readonly database: DataSource,
    private readonly shelf: ShelfService,
    private readonly changes: ChangesService,
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
    const checks = await this.#lastChecks();
    return books.map((book) => {
      const sum = sums.find((one) => one.book === book.id);
      const { id, title, subtitle, author, language } = book;
      return {
        id,
        title,
        subtitle,
        author,
        language,
        chapters: Number(sum?.chapters ?? 0),
        pages: book.ground?.pages ?? null,
        words: Number(sum?.words ?? 0),
        links: Number(sum?.links ?? 0),
        updatedAt: book.updatedAt.toISOString(),
        deletedAt: book.deletedAt?.toISOString() ?? null,
        lastCheck: checks.get(book.id) ?? null,
      };
    });
  }

  /** The last check of each book that came to its end and was about more than a few chosen destinations. */
  async #lastChecks(): Promise<Map<string, LastCheck>> {
    const rows = await this.database.query<
      {
        run: string;
        book: string;
        at: Date;
        scheduled: number;
        changes: number | null;
        findings: FindingCounts | string | null;
        verdict: VerdictName | null;
        count: string;
      }[]
    >(
      `SELECT run.id AS run, run.book_id AS book, run.finished_at AS at, run.scheduled, run.changes, run.findings, row.verdict, COUNT(*) AS count
        FROM check_runs run JOIN check_rows row ON row.run_id = run.id
        WHERE run.id IN (SELECT id FROM (SELECT id, ROW_NUMBER() OVER (PARTITION BY book_id ORDER BY created_at DESC) AS place
          FROM check_runs WHERE state = 'done' AND scope <> 'chosen') latest WHERE place = 1)
        GROUP BY run.id, row.verdict`,
    );
    const checks = new Map<string, LastCheck>();
    for (const { book, at, scheduled, changes, findings, verdict, count } of rows) {
      const check = checks.get(book) ?? {
        at: at.toISOString(),
        scheduled: scheduled === 1,
        changes: changes ?? 0,
        total: 0,
        broken: 0,
        verdicts: {},
        findings: typeof findings === 'string' ? (JSON.parse(findings) as FindingCounts) : findings,
      };
      checks.set(book, check);
      check.total += Number(count);
      if (verdict) check.verdicts[verdict] = Number(count);
      if (verdict === 'broken') check.broken = Number(count);
    }
    return checks;
  }

  async start({ title, author = '', language = 'en' }: NewBook): Promise<string> {
    const chapter = newChapter({
      id: mint(),
      title: `${phrases(language).chapter} 1`,
      matter: 'main',
      doc: emptyChapter(''),
    });
    const details = { title, subtitle: '', author, language, description: '' };
    return this.add({ ...details, look: DEFAULT_LOOK, structure: DEFAULT_STRUCTURE }, [chapter]);
  }

  /** Stores a whole book in one transaction, under an id of its own. */
  async add(
    book: Omit<BookDetails, 'id'>,
    chapters: readonly NewChapter[],
    enclosures: BroughtEnclosure[] = [],
    report: BringInReport | null = null,
  ): Promise<string> {
    const id = randomUUID();
    const now = new Date();
    const files = await this.shelf.keepBrought(id, enclosures);
    const { title, subtitle, author, language, description, look, structure } = book;
    const { publication = null, ground = null } = book;
    await this.database.transaction(async (manager) => {
      const row: BookEntity = {
        id,
        title,
        subtitle,
        author,
        language,
        description,
        look,
        structure,
        pdfSets: null,
        formChoices: null,
        publication,
        ground,
        report,
        address: null,
        createdBy: LOCAL_AUTHOR,
        createdAt: now,
        updatedAt: now,
        deletedAt: null,
      };
      await manager.insert(BookEntity, row);
      if (files.length > 0) await manager.insert(EnclosureEntity, files);
      const rows = chapters.map((chapter, position) => ({
        ...chapter,
        bookId: id,
        position,
        version: 1,
        leftOutOf: [],
      }));
      for (const group of grouped(rows)) await manager.insert(ChapterEntity, group);
    });
    return id;
  }

  /** All that a book is computed from, as it is stored. @param then its chapters as they were at some time; `null` for those of now */
  async source(id: string, then: ChapterSource[] | null = null): Promise<BookSource> {
    const book = await this.book(id);
    const { title, subtitle, author, language, description, look, report, address } = book;
    const structure = { ...DEFAULT_STRUCTURE, ...book.structure };
    const chapters = then ?? (await this.#chapters(id));
    const { publication, ground } = book;
    return {
      id,
      title,
      subtitle,
      author,
      language,
      description,
      report,
      address,
      // A look that was stored before it had all its parts.
      look: { ...DEFAULT_LOOK, ...look },
      structure,
      ...(publication ? { publication: { ...NO_PUBLICATION, ...publication } } : {}),
      ...(ground ? { ground } : {}),
      chapters,
      files: await this.shelf.ofBook(id),
      others: await this.#otherBooks(id, chapters),
    };
  }

  async #text({ id, language, structure }: BookEntity): Promise<NonNullable<OtherSource['text']>> {
    return {
      language,
      structure: { ...DEFAULT_STRUCTURE, ...structure },
      chapters: await this.#chapters(id),
    };
  }

  async #chapters(bookId: string): Promise<ChapterSource[]> {
    const chapters = await this.database
      .getRepository(ChapterEntity)
      .find({ where: { bookId }, order: { position: 'ASC' } });
    return chapters.map(sourceOf);
  }

  /** The rest of the Library. The text of a book is read only where this one leads to it. */
  async #otherBooks(id: string, chapters: ChapterSource[]): Promise<OtherSource[]> {
    const books = await this.database
      .getRepository(BookEntity)
      .find({ where: { id: Not(id), deletedAt: IsNull() }, order: { title: 'ASC' } });
    const linked = new Set(
      chapters.flatMap(({ doc }) => [...doc.matchAll(BOOK_LINK)].map(([, other]) => other)),
    );
    return Promise.all(
      books.map(async (book) => {
        const { id: other, title, author, address } = book;
        return { id: other, title, author, address, text: linked.has(other) ? await this.#text(book) : null };
      }),
    );
  }

  async change(id: string, { address, publication, ...changes }: BookChanges): Promise<void> {
    await this.database.transaction(async (manager) => {
      const book = await manager.findOne(BookEntity, {
        where: { id, deletedAt: IsNull() },
        lock: { mode: 'pessimistic_write' },
      });
      if (!book) throw notFound('book');
      await manager.update(
        BookEntity,
        { id },
        {
          ...changes,
          ...(publication ? { publication: { ...NO_PUBLICATION, ...book.publication, ...publication } } : {}),
          ...(address === undefined ? {} : { address: publicAddress(address) }),
          updatedAt: new Date(),
        },
      );
    });
  }

  async setDeleted(id: string, deleted: boolean): Promise<void> {
    const result = await this.database
      .getRepository(BookEntity)
      .update({ id }, { deletedAt: deleted ? new Date() : null });
    if (result.affected === 0) throw notFound('book');
  }

  /**
   * Saves a chapter that was read at `version`. A stale save is refused with the chapter as it is stored, a chapter that
   * does not fit the schema with the path of its fault; in both cases nothing is stored.
   */
  async saveChapter(id: string, { version, doc: given }: ChapterSave): Promise<ChapterSaved> {
    const doc = upgradedChapter(given);
    const fault = faultInChapter(doc);
    if (fault) throw misfit(fault);
    return this.changes.save(
      id,
      { version, doc },
      (stored) =>
        new ProblemError(
          409,
          'The chapter was changed elsewhere',
          'This chapter was changed in another window since you opened it. Both texts are kept; choose which one goes on.',
          { current: asSent(stored) },
        ),
    );
  }

  /** The row of a chapter that is not removed. */
  async chapter(id: string): Promise<ChapterEntity> {
    const chapter = await this.database.getRepository(ChapterEntity).findOneBy({ id });
    if (!chapter) throw notFound('chapter');
    return chapter;
  }

  /** The row of a book that is not removed. */
  async book(id: string): Promise<BookEntity> {
    const book = await this.database.getRepository(BookEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!book) throw notFound('book');
    return book;
  }
}
