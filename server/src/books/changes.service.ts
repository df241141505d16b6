import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { moveSection, placesNamed } from '@vennet/core/edits';
import { readChapter, SCHEMA_VERSION, sectionsOf } from '@vennet/core/manuscript';
import { applySteps, stepsBetween, stepsFrom, StepsRefused, takeBack } from '@vennet/core/steps';
import type {
  BookChange,
  BookNews,
  ChapterSave,
  ChapterSaved,
  StepsAnswer,
  StepsSent,
  TakenBack,
} from '@vennet/core/wire';
import type { Node } from 'prosemirror-model';
import { Mapping, Transform, type Step } from 'prosemirror-transform';
import { Subject, filter, type Observable } from 'rxjs';
import { DataSource, In, MoreThan, Not, type EntityManager } from 'typeorm';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChangeEntity, type ChangeKind, type ChangeRecipe } from '../database/entities/change.entity.js';
import { ChapterStepsEntity } from '../database/entities/chapter-steps.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { arrange, ChangeInHand, lockedChapters, mergedOrder } from './change-in-hand.js';
import { asSent } from './chapter-text.js';
import { RecentTexts, type RecentText } from './recent-texts.js';
import { nextText } from './next-text.js';
import { storeAtOnce } from './store-at-once.js';
import { joinChapters, splitOff } from './joined-chapters.js';

/** What is said of a change to a book, for its other windows. */
export interface ChangeNews {
  book: string;
  change: string;
  /** The window that made it; empty for other hands. */
  window: string;
}

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
  readonly #news = new Subject<ChangeNews>();
  readonly #recent = new RecentTexts();

  constructor(private readonly database: DataSource) {}

  /** What changes in a book from now on. */
  news(book: string): Observable<ChangeNews> {
    return this.#news.pipe(filter((one) => one.book === book));
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
    if (made.change) this.#news.next({ book: bookId, change: made.change, window });
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
    this.#news.next({ book, change: id, window });
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
        if (row.recipe) left.push(...(await undoRecipe(hand, row)));
        // What was moved is moved back as it is now.
        const { moved, split, joined } = row.recipe ?? {};
        if (!moved && !split && !joined)
          for (const batch of await stepsOf(manager, changeId)) left.push(...(await undoSteps(hand, batch)));
        const result = { changed: hand.changed.size, left: [...new Set(left)] };
        return { words: row.words, result };
      },
      { kind: 'take-back' },
    );
    return { ...result, change };
  }
}

/** The steps of a change, chapter by chapter, the last ones first. */
function stepsOf(manager: EntityManager, changeId: string): Promise<ChapterStepsEntity[]> {
  return manager.find(ChapterStepsEntity, { where: { changeId }, order: { toVersion: 'DESC' } });
}

const read = (json: string): Step[] => stepsFrom(JSON.parse(json) as unknown[]);

async function undoSteps(hand: ChangeInHand, batch: ChapterStepsEntity): Promise<string[]> {
  const chapter = hand.chapters.find(({ id }) => id === batch.chapterId);
  if (!chapter) return ['a chapter that was removed since'];
  const later = await hand.manager.find(ChapterStepsEntity, {
    where: { chapterId: chapter.id, toVersion: MoreThan(batch.toVersion) },
    order: { toVersion: 'ASC' },
  });
  const done = { steps: read(batch.steps), inverses: read(batch.inverses) };
  const { transform, left } = takeBack(
    hand.docOf(chapter),
    done,
    later.flatMap(({ steps }) => read(steps)),
  );
  await hand.write(chapter, transform);
  return left;
}

/** Does the opposite of what a change did beside its steps, to what is there now. */
async function undoRecipe(hand: ChangeInHand, { id, recipe }: ChangeEntity): Promise<string[]> {
  const { moved, split, joined, removed = [], added = [], titles = [], order } = recipe ?? {};
  const { manager, chapters } = hand;
  if (moved) return moveBack(hand, moved);
  if (split) return joinBack(hand, split);
  if (joined) return splitBack(hand, joined, id);
  const opposite: ChangeRecipe = {};
  if (removed.length > 0) {
    await manager.restore(ChapterEntity, { id: In(removed) });
    chapters.push(...(await manager.find(ChapterEntity, { where: { id: In(removed) } })));
    chapters.sort((one, other) => one.position - other.position);
    await arrange(manager, chapters);
    opposite.added = removed;
  }
  if (added.length > 0) {
    if (added.length === chapters.length) return ['the only chapter'];
    await manager.softDelete(ChapterEntity, { id: In(added) });
    opposite.removed = added;
  }
  if (titles.length > 0) {
    opposite.titles = titles.flatMap(({ id: own }) =>
      chapters.filter((one) => one.id === own).map(({ title }) => ({ id: own, title })),
    );
    for (const { id: own, title } of titles) await manager.update(ChapterEntity, { id: own }, { title });
  }
  if (order) {
    opposite.order = chapters.map(({ id: own, matter }) => ({ id: own, matter }));
    await arrange(manager, mergedOrder(order, chapters));
  }
  hand.recipe = opposite;
  return [];
}

/** Takes a split back: the two chapters become one, as they are now. */
async function joinBack(
  hand: ChangeInHand,
  { chapter, fresh }: NonNullable<ChangeRecipe['split']>,
): Promise<string[]> {
  const into = hand.chapters.find(({ id }) => id === chapter);
  const rest = hand.chapters.find(({ id }) => id === fresh);
  if (!into || !rest) return ['a chapter that was removed since'];
  await joinChapters(hand, into, rest);
  hand.recipe = { joined: { into: chapter, chapter: fresh } };
  return [];
}

/** Takes a joining back: what came from the chapter goes back into it, as it is now. */
async function splitBack(
  hand: ChangeInHand,
  { into, chapter }: NonNullable<ChangeRecipe['joined']>,
  change: string,
): Promise<string[]> {
  const source = hand.chapters.find(({ id }) => id === into);
  const [batch] = await stepsOf(hand.manager, change);
  if (!source || batch?.chapterId !== into) return ['a chapter that was removed since'];
  const later = await hand.manager.find(ChapterStepsEntity, {
    where: { chapterId: into, toVersion: MoreThan(batch.toVersion) },
    order: { toVersion: 'ASC' },
  });
  const put: { from: number; to: number }[] = [];
  read(batch.steps)
    .at(-1)
    ?.getMap()
    .forEach((_from, _to, from, to) => put.push({ from, to }));
  const onward = new Mapping(later.flatMap(({ steps }) => read(steps)).map((step) => step.getMap()));
  const doc = hand.docOf(source);
  const edge = (at: number) => {
    const $at = doc.resolve(Math.min(at, doc.content.size));
    return $at.depth === 0 ? $at.pos : $at.before(1);
  };
  const from = edge(onward.map(put[0]?.from ?? doc.content.size, -1));
  const to = Math.max(from, edge(onward.map(put[0]?.to ?? doc.content.size, 1)));
  await hand.manager.restore(ChapterEntity, { id: chapter });
  const back = await hand.manager.findOneByOrFail(ChapterEntity, { id: chapter });
  hand.chapters.splice(hand.chapters.indexOf(source) + 1, 0, back);
  await arrange(hand.manager, hand.chapters);
  if (from < to) await splitOff(hand, source, { from, to }, back);
  hand.recipe = { split: { chapter: into, fresh: chapter } };
  return [];
}

/** Moves a section back to where it stood, as it is now. */
async function moveBack(
  hand: ChangeInHand,
  { section, chapter, before, words }: NonNullable<ChangeRecipe['moved']>,
): Promise<string[]> {
  const from = hand.chapters.find((one) => sectionsOf(hand.docOf(one)).some(({ id }) => id === section));
  const home = hand.chapters.find(({ id }) => id === chapter);
  if (!from || !home) return [words];
  const isThere = sectionsOf(hand.docOf(home)).some(({ id }) => id === before);
  const refused = await moveTo(hand, section, from.id, { chapter, before: isThere ? before : null });
  return refused === null ? [] : [words];
}

/** Moves a section and notes how it is moved back; gives `null`, or in words why it can't be. */
export async function moveTo(
  hand: ChangeInHand,
  section: string,
  from: string,
  to: { chapter: string; before: string | null },
): Promise<string | null> {
  const named = new Map(hand.chapters.map((one) => [one.id, placesNamed(hand.docOf(one), one.id)]));
  const docs = new Map([...named].map(([id, { doc }]) => [id, doc]));
  const source = docs.get(from);
  const all = source ? sectionsOf(source) : [];
  const moved = all.find(({ id }) => id === section);
  const result = moveSection(docs, { from: { chapter: from, section }, to });
  if ('refused' in result) return result.refused;
  for (const [id, { steps }] of result) {
    const stored = hand.chapters.find((one) => one.id === id);
    const transform = named.get(id);
    if (!stored || !transform || steps.length === 0) continue;
    for (const step of steps) transform.step(step);
    await hand.write(stored, transform);
  }
  const next = all.find((one) => one.from === moved?.to)?.id ?? null;
  const words = source?.nodeAt(moved?.from ?? 0)?.textContent.slice(0, 60) ?? '';
  if (hand.changed.size > 0) hand.recipe = { moved: { section, chapter: from, before: next, words } };
  return null;
}

/** What a window has missed since a version; the chapter itself, where the steps since then are not kept any more. */
async function answerFrom(
  manager: EntityManager,
  chapter: ChapterEntity,
  version: number,
): Promise<StepsAnswer> {
  const rows = await manager.find(ChapterStepsEntity, {
    where: { chapterId: chapter.id, toVersion: MoreThan(version) },
    order: { toVersion: 'ASC' },
  });
  const first = rows[0]?.fromVersion ?? chapter.version;
  const isWhole = first === version && rows.every((row) => row.schemaVersion === SCHEMA_VERSION);
  if (!isWhole) return { ...savedAs(chapter), taken: false, missed: [], current: asSent(chapter) };
  const changes = await manager.find(ChangeEntity, {
    where: { id: In(rows.map(({ changeId }) => changeId)) },
    select: { id: true, window: true },
  });
  const windows = new Map(changes.map(({ id, window }) => [id, window]));
  return {
    ...savedAs(chapter),
    taken: false,
    missed: rows.map(({ changeId, fromVersion: from, steps }) => ({
      change: changeId,
      window: windows.get(changeId) ?? '',
      from,
      steps: JSON.parse(steps) as object[],
    })),
    current: null,
  };
}

/** What a save is told. */
const savedAs = ({ version, title }: ChapterEntity) => ({ version, title });

/** Steps of a window over the text of a chapter. @throws ProblemError that names the first one that does not fit */
function transformOf(doc: Node, json: readonly object[]): Transform {
  try {
    const { steps } = applySteps(doc, stepsFrom(json));
    const transform = new Transform(doc);
    for (const step of steps) transform.step(step);
    return transform;
  } catch (error) {
    if (!(error instanceof StepsRefused)) throw error;
    const { index, why } = error;
    throw new ProblemError(422, 'A step that does not fit', `Step ${index}: ${why}. Nothing was stored.`, {
      path: `steps[${index}]`,
    });
  }
}
