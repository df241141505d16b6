import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { readChapter, SCHEMA_VERSION } from '@vennet/core/manuscript';
import { stepsBetween } from '@vennet/core/steps';
import type {
  BookChange,
  BookNews,
  ChapterSave,
  ChapterSaved,
  StepsAnswer,
  StepsSent,
  TakenBack,
} from '@vennet/core/wire';
import type { Transform } from 'prosemirror-transform';
import { Subject, filter, type Observable } from 'rxjs';
import { DataSource, Not } from 'typeorm';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChangeEntity, type ChangeKind } from '../database/entities/change.entity.js';
import { ChapterStepsEntity } from '../database/entities/chapter-steps.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { ChangeInHand, lockedChapters } from './change-in-hand.js';
import { asSent } from './chapter-text.js';
import { nextText } from './next-text.js';
import { RecentTexts, type RecentText } from './recent-texts.js';
import { answerFrom, savedAs, stepsOf, transformOf } from './steps-log.js';
import { storeAtOnce } from './store-at-once.js';
import { undoAll, undoRecipe } from './taking-back.js';

/** A change of this id was made before. */
class KnownChange extends Error {}

export interface NewChange {
  id?: string;
  kind?: ChangeKind;
  window?: string;
}

/** Every change to the texts of a book goes through here: as steps over a version, in one transaction, with a way back. */
@Injectable()
export class ChangesService {
  /** Ids of books that were changed. */
  readonly #news = new Subject<string>();
  readonly #recent = new RecentTexts();

  constructor(private readonly database: DataSource) {}

  /** What changes in a book from now on. */
  news(book: string): Observable<string> {
    return this.#news.pipe(filter((one) => one === book));
  }

  /**
   * Makes a change to a book. `work` says what it is called; with an empty name, or where it changes nothing, nothing of it is
   * kept.
   */
  async make<Result>(
    bookId: string,
    work: (change: ChangeInHand) => Promise<{ words: string; result: Result }>,
    { id = randomUUID(), kind = 'book', window = '' }: NewChange = {},
  ): Promise<{ result: Result; change: string | null }> {
    const made = await this.database.transaction(async (manager) => {
      // First of all the book: everything that changes it waits here, one behind the other.
      const book = await manager.findOne(BookEntity, {
        where: { id: bookId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!book || book.deletedAt) throw notFound('book');
      const chapters = await lockedChapters(manager, bookId);
      if (await manager.existsBy(ChangeEntity, { id })) throw new KnownChange();
      const now = new Date();
      await manager.insert(ChangeEntity, {
        id,
        bookId,
        kind,
        window,
        words: '',
        recipe: null,
        createdBy: LOCAL_AUTHOR,
        createdAt: now,
      });
      const change = new ChangeInHand(manager, bookId, chapters, id);
      const { words, result } = await work(change);
      const { recipe, changed } = change;
      if (changed.size === 0 && !recipe) {
        await manager.delete(ChangeEntity, { id });
        return { result, change: null };
      }
      await manager.update(ChangeEntity, { id }, { words: words.slice(0, 300), recipe: recipe });
      await manager.update(BookEntity, { id: bookId }, { updatedAt: now });
      return { result, change: id };
    });
    if (made.change) this.#news.next(bookId);
    return made;
  }

  /**
   * Takes steps of a window into the text of a chapter, at its current version only: else the window gets those that came
   * before and sends again. A batch that is known is acknowledged.
   */
  async take(chapterId: string, { batch, window, version, schema, steps }: StepsSent): Promise<StepsAnswer> {
    if (schema !== SCHEMA_VERSION) {
      const chapter = await this.#stored(chapterId);
      return { ...savedAs(chapter), taken: false, missed: [], current: asSent(chapter) };
    }
    const text = await this.#text(chapterId, version);
    if (text.version === version && steps.length > 0) {
      const saved = await this.#atOnce(text, transformOf(text.doc, steps), { id: batch, window });
      if (saved) return { ...saved, taken: true, missed: [], current: null };
    }
    try {
      const { result } = await this.make(
        text.bookId,
        async (change) => {
          const stored = change.chapters.find(({ id }) => id === chapterId);
          if (!stored) throw notFound('chapter');
          if (stored.version !== version)
            return { words: '', result: await answerFrom(change.manager, stored, version) };
          await change.write(stored, transformOf(change.docOf(stored), steps));
          return { words: 'Text', result: { ...savedAs(stored), taken: true, missed: [], current: null } };
        },
        { id: batch, kind: 'typing', window },
      );
      return result;
    } catch (error) {
      if (error instanceof KnownChange) return this.#acknowledged(chapterId, batch);
      throw error;
    }
  }

  async #stored(chapterId: string): Promise<ChapterEntity> {
    const chapter = await this.database.getRepository(ChapterEntity).findOneBy({ id: chapterId });
    if (!chapter) throw notFound('chapter');
    return chapter;
  }

  /** The text of a chapter at a version, else as it is stored now. */
  async #text(chapterId: string, version: number): Promise<RecentText> {
    const known = this.#recent.at(chapterId, version);
    if (known) return known;
    const stored = await this.#stored(chapterId);
    const { id, bookId, title } = stored;
    return { id, bookId, title, version: stored.version, doc: readChapter(asSent(stored)).doc };
  }

  /** Saves the next text of a chapter by one statement; `null` where it can't be, and nothing was stored. */
  async #atOnce(
    { id: chapter, bookId: book, title, version: before }: RecentText,
    transform: Transform,
    { id = randomUUID(), window = '' }: NewChange,
  ): Promise<{ version: number; title: string } | null> {
    const next = nextText({ title, version: before }, transform);
    const titleNow = await storeAtOnce(this.database, { book, chapter, before, change: id, window }, next);
    if (titleNow === null) return null;
    const saved = { version: next.version, title: titleNow };
    this.#recent.remember({ id: chapter, bookId: book, ...saved, doc: transform.doc });
    this.#news.next(book);
    return saved;
  }

  /**
   * Saves the text of a chapter that was read at `version`. What is stored at another version stays, and is given by `late`.
   *
   * @throws ProblemError when it is not there, or the text does not fit
   */
  async save(
    chapterId: string,
    { version, doc }: ChapterSave,
    late: (stored: ChapterEntity) => Error,
  ): Promise<ChapterSaved> {
    const text = await this.#text(chapterId, version);
    const after = readChapter({ id: chapterId, title: '', matter: 'main', leftOutOf: [], doc }).doc;
    if (text.version === version) {
      const transform = stepsBetween(text.doc, after);
      const saved = transform.steps.length > 0 ? await this.#atOnce(text, transform, {}) : null;
      if (saved) return { id: chapterId, ...saved };
    }
    const { result } = await this.make(
      text.bookId,
      async (change) => {
        const stored = change.chapters.find(({ id }) => id === chapterId);
        if (!stored) throw notFound('chapter');
        if (stored.version !== version) throw late(stored);
        await change.write(stored, stepsBetween(change.docOf(stored), after));
        return { words: 'Text', result: { id: chapterId, ...savedAs(stored) } };
      },
      { kind: 'typing' },
    );
    return result;
  }

  async #acknowledged(chapterId: string, batch: string): Promise<StepsAnswer> {
    const { manager } = this.database;
    const chapter = await manager.findOneByOrFail(ChapterEntity, { id: chapterId });
    const made = await manager.findOneBy(ChapterStepsEntity, { chapterId, changeId: batch });
    if (!made)
      throw new ProblemError(
        409,
        'Another batch',
        'A batch of this id belongs to another chapter. Nothing was changed.',
      );
    return { taken: true, version: made.toVersion, title: chapter.title, missed: [], current: null };
  }

  /** What has come into the text of a chapter since a version. */
  async since(chapterId: string, version: number): Promise<StepsAnswer> {
    const { manager } = this.database;
    const chapter = await manager.findOneBy(ChapterEntity, { id: chapterId });
    if (!chapter) throw notFound('chapter');
    return answerFrom(manager, chapter, version);
  }

  /** How the chapters of a book stand. */
  async standing(bookId: string): Promise<BookNews> {
    const chapters = await this.database
      .getRepository(ChapterEntity)
      .find({ where: { bookId }, order: { position: 'ASC' }, select: { id: true, version: true } });
    return { chapters };
  }

  /** The last changes all over a book, the newest first. */
  async list(bookId: string): Promise<BookChange[]> {
    const rows = await this.database
      .getRepository(ChangeEntity)
      .find({ where: { bookId, kind: Not('typing') }, order: { createdAt: 'DESC' }, take: 50 });
    return rows.map(({ id, words, createdAt }) => ({ id, words, createdAt: createdAt.toISOString() }));
  }

  /**
   * Takes a change back in the book as it is now: words written since stay, and what was changed again since stays as it is
   * and is named. That is a change too, so it can be taken back in its turn.
   */
  async takeBack(bookId: string, changeId: string): Promise<TakenBack> {
    const { result, change } = await this.make<Omit<TakenBack, 'change'>>(
      bookId,
      async (hand) => {
        const { manager } = hand;
        const row = await manager.findOneBy(ChangeEntity, { id: changeId, bookId });
        if (!row) throw notFound('change');
        const left: string[] = [];
        const batches = await stepsOf(manager, changeId);
        // Steps of typing and of repairs are thinned out after a time.
        if (batches.length === 0 && !row.recipe) left.push(`“${row.words}”: its steps are not kept any more`);
        if (row.recipe) left.push(...(await undoRecipe(hand, row)));
        // What was moved is moved back as it is now.
        const { moved, split, joined } = row.recipe ?? {};
        if (!moved && !split && !joined) left.push(...(await undoAll(hand, batches)));
        const result = { changed: hand.changed.size, left: [...new Set(left)] };
        return { words: row.words, result };
      },
      { kind: 'take-back' },
    );
    return { ...result, change };
  }
}
