import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { message } from '@vennet/core/language';
import { wordsOfLine } from '@vennet/core/ground';
import { readChapter, type Ground } from '@vennet/core/manuscript';
import type { CarryItems, CarryOffer, CarryRequest, RepairDone } from '@vennet/core/wire';
import { DataSource, In, IsNull, Not, type EntityManager } from 'typeorm';
import { asSent } from '../books/chapter-text.js';
import { BooksService } from '../books/books.service.js';
import { ChangesService } from '../books/changes.service.js';
import { SnapshotsService } from '../books/snapshots.service.js';
import { transformOf } from '../books/steps-log.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { Grounds } from '../ground/grounds.service.js';
import { SetAsideEntity } from '../database/entities/set-aside.entity.js';
import { inProcess, ProcessDeath } from '../jobs/in-process.js';
import { mint } from '../platform/mint.js';
import { notFound, ProblemError } from '../platform/problem.js';
import type { CarryInput, CarryOutput } from './carry-over.process.js';

const LIMITS = { memory: 2 ** 30, time: 120_000 };
/** How many phrases of a book are looked for in the others, how many words each has, and how many, and which share, have to be there. */
const PHRASES = { count: 24, words: 5, enough: 3, share: 0.25 };

/** So long is a line of a page that is told from others, in signs. */
const LONG_LINE = 30;

/** Takes the links, bookmarks and notes of an older version of a book to a newer one. */
@Injectable()
export class CarryOverService {
  constructor(
    private readonly database: DataSource,
    private readonly books: BooksService,
    private readonly grounds: Grounds,
    private readonly changes: ChangesService,
    private readonly snapshots: SnapshotsService,
  ) {}

  /** Books of which this one may be a newer version: by an identifier, by its title, or by its words. */
  async offers(bookId: string): Promise<CarryOffer[]> {
    const { manager } = this.database;
    const own = await manager.findOneBy(BookEntity, { id: bookId, deletedAt: IsNull() });
    if (!own) throw notFound('book');
    const others = await manager.find(BookEntity, { where: { id: Not(bookId), deletedAt: IsNull() } });
    const byWords = own.ground
      ? await this.#withPagesOf(own.ground, others)
      : await this.#withWordsOf(bookId);
    const identifiers = new Set(own.publication?.identifiers ?? []);
    return others.flatMap(({ id, title, author, publication, ground, updatedAt }): CarryOffer[] => {
      const offer = { id, title, author, updatedAt: updatedAt.toISOString() };
      // What was made on words is of no use on pages, nor the other way round.
      if (Boolean(ground) !== Boolean(own.ground)) return [];
      if (publication?.identifiers.some((one) => identifiers.has(one)))
        return [{ ...offer, because: 'identifier' }];
      if (plain(title) === plain(own.title)) return [{ ...offer, because: 'title' }];
      return byWords.has(id) ? [{ ...offer, because: 'words' }] : [];
    });
  }

  /** The books of pages on whose pages several lines of this one stand. */
  async #withPagesOf({ sha256 }: Ground, others: readonly BookEntity[]): Promise<Set<string>> {
    const lines = (await this.grounds.texts(sha256))
      .flatMap((text) => text.lines.map((line) => wordsOfLine(line).trim()))
      .filter((line) => line.length >= LONG_LINE);
    const step = Math.max(1, Math.floor(lines.length / PHRASES.count));
    const chosen = lines.filter((_, at) => at % step === 0).slice(0, PHRASES.count);
    const found = new Map<string, number>();
    for (const line of chosen)
      for (const hash of await this.grounds.withWords(line)) found.set(hash, (found.get(hash) ?? 0) + 1);
    const enough = Math.max(1, chosen.length * PHRASES.share);
    return new Set(
      others.flatMap(({ id, ground }) => (ground && (found.get(ground.sha256) ?? 0) >= enough ? [id] : [])),
    );
  }

  /** The books in which several phrases of this one stand. */
  async #withWordsOf(bookId: string): Promise<Set<string>> {
    const { manager } = this.database;
    const chapters = await manager.find(ChapterEntity, { where: { bookId }, order: { position: 'ASC' } });
    const phrases = phrasesOf(chapters);
    if (phrases.length < PHRASES.enough) return new Set();
    const found = new Map<string, number>();
    for (const phrase of phrases) {
      const rows: { bookId: string }[] = await manager
        .createQueryBuilder(ChapterEntity, 'chapter')
        .select('DISTINCT chapter.bookId', 'bookId')
        .where('chapter.bookId <> :bookId AND chapter.doc LIKE :phrase', { bookId, phrase: `%${phrase}%` })
        .getRawMany();
      for (const row of rows) found.set(row.bookId, (found.get(row.bookId) ?? 0) + 1);
    }
    const enough = Math.max(PHRASES.enough, phrases.length * PHRASES.share);
    return new Set([...found].flatMap(([id, count]) => (count >= enough ? [id] : [])));
  }

  /** What would become of everything that was made in the older book. */
  async plan(bookId: string, from: string): Promise<CarryItems> {
    const { items } = await this.#compute(bookId, from, null, []);
    return { items };
  }

  /** Carries over what is taken, as one change; reasons for which findings were set aside come along. */
  async carry(bookId: string, { from, take }: CarryRequest): Promise<RepairDone> {
    const files = await this.#filesNow(bookId, from);
    const { items, chapters } = await this.#compute(bookId, from, take, files.names);
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      for (const { id, version } of chapters)
        if (hand.chapters.find((chapter) => chapter.id === id)?.version !== version)
          throw new ProblemError(
            409,
            'The book was changed meanwhile',
            'Look at what can be carried over again. Nothing was changed.',
          );
      const words = message(
        'Before {count, plural, one {# thing was} other {# things were}} carried over from an older version',
        { count: items.length },
      );
      const snapshot =
        chapters.length > 0 ? await this.snapshots.keep(hand.manager, bookId, hand.chapters, words) : null;
      for (const { id, steps } of chapters) {
        const chapter = hand.chapters.find((one) => one.id === id);
        if (chapter) await hand.write(chapter, transformOf(hand.docOf(chapter), steps));
      }
      await hand.manager.insert(EnclosureEntity, files.rows);
      await this.#reasons(
        hand.manager,
        bookId,
        from,
        items.flatMap(({ id }) => id.split(' ')),
      );
      return { words, result: { changed: items.length, snapshot } };
    });
    return { ...result, change };
  }

  async #compute(
    bookId: string,
    from: string,
    take: string[] | null,
    files: [string, string][],
  ): Promise<CarryOutput> {
    if (bookId === from)
      throw new ProblemError(422, 'The same book', 'Choose another book to carry over from.');
    const [old, fresh] = await Promise.all([this.books.source(from), this.books.source(bookId)]);
    const names = (await this.#files(from)).map(({ id, name }): [string, string] => [id, name]);
    const pages =
      old.ground && fresh.ground
        ? {
            old: await this.grounds.texts(old.ground.sha256),
            fresh: await this.grounds.texts(fresh.ground.sha256),
          }
        : null;
    const input: CarryInput = { old, fresh, take, files, names, pages };
    return inProcess<never, CarryOutput>(new URL('./carry-over.process.js', import.meta.url), input, {
      limits: LIMITS,
    }).catch((error: unknown) => {
      if (!(error instanceof ProcessDeath)) throw error;
      throw new ProblemError(
        503,
        'The books are too large for this',
        'Comparing these two books takes more than two minutes or 1 GB of memory. Nothing was changed.',
      );
    });
  }

  /** The files of the older book in the newer one: the same file where it is there, else a copy of its entry. */
  async #filesNow(
    bookId: string,
    from: string,
  ): Promise<{ names: [string, string][]; rows: EnclosureEntity[] }> {
    const [old, own] = await Promise.all([this.#files(from), this.#files(bookId)]);
    const known = new Map(own.map(({ sha256, id }) => [sha256, id]));
    const rows: EnclosureEntity[] = [];
    const names = old.map((file): [string, string] => {
      const there = known.get(file.sha256);
      if (there) return [file.id, there];
      const id = mint();
      rows.push({ ...file, id, bookId });
      return [file.id, id];
    });
    const led = await this.#ledTo(from);
    const needed = new Set(names.flatMap(([before, now]) => (led.has(before) ? [now] : [])));
    return { names, rows: rows.filter(({ id }) => needed.has(id)) };
  }

  #files(bookId: string): Promise<EnclosureEntity[]> {
    return this.database.manager.find(EnclosureEntity, { where: { bookId, deletedAt: IsNull() } });
  }

  /** The files to which links of a book lead. */
  async #ledTo(bookId: string): Promise<Set<string>> {
    const chapters = await this.database.manager.find(ChapterEntity, { where: { bookId } });
    return new Set(
      chapters.flatMap(({ doc }) =>
        [...doc.matchAll(/"kind":"file","enclosure":"([^"]+)"/g)].map(([, id = '']) => id),
      ),
    );
  }

  async #reasons(
    manager: EntityManager,
    bookId: string,
    from: string,
    links: readonly string[],
  ): Promise<void> {
    if (links.length === 0) return;
    const rows = await manager.find(SetAsideEntity, { where: { bookId: from } });
    const own = new Set(links);
    const kept = rows.filter(({ of, rule }) => rule === 'verdict' || own.has(of));
    const there = await manager.find(SetAsideEntity, {
      where: { bookId, ofHash: In(kept.map(({ ofHash }) => ofHash)) },
    });
    const known = new Set(there.map(({ rule, ofHash }) => `${rule} ${ofHash}`));
    const fresh = kept.filter(({ rule, ofHash }) => !known.has(`${rule} ${ofHash}`));
    if (fresh.length > 0)
      await manager.insert(
        SetAsideEntity,
        fresh.map((row) => ({ ...row, id: randomUUID(), bookId })),
      );
  }
}

const plain = (title: string): string =>
  title
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .toLowerCase();

/** Phrases from all over a book, of plain words, as they stand in its text. */
function phrasesOf(chapters: readonly ChapterEntity[]): string[] {
  const phrase = new RegExp(`(?:\\p{L}+ ){${PHRASES.words - 1}}\\p{L}+`, 'gu');
  const found: string[] = [];
  for (const chapter of chapters)
    readChapter(asSent(chapter)).doc.descendants((node) => {
      if (node.isText) found.push(...(node.text?.match(phrase) ?? []));
      return !node.isText;
    });
  const step = Math.max(1, Math.floor(found.length / PHRASES.count));
  return found.filter((_phrase, index) => index % step === 0).slice(0, PHRASES.count);
}
