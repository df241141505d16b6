import { readChapter } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import type { EntityManager } from 'typeorm';
import type { ChangeRecipe } from '../database/entities/change.entity.js';
import { ChapterStepsEntity } from '../database/entities/chapter-steps.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { asSent } from './chapter-text.js';
import { nextText, stepColumns, stepsAfter, type StepColumns } from './next-text.js';

/** A change that is being made. Nothing of it is there before its transaction has ended. */
export class ChangeInHand {
  /** Chapters that got another text. */
  readonly changed = new Set<string>();
  recipe: ChangeRecipe | null = null;
  readonly #written = new Map<string, StepColumns>();

  constructor(
    readonly manager: EntityManager,
    readonly bookId: string,
    /** The chapters of the book in their order; nobody else changes them meanwhile. */
    readonly chapters: ChapterEntity[],
    readonly id: string,
  ) {}

  /** The text of a chapter as it is now. */
  docOf(chapter: ChapterEntity): Node {
    return readChapter(asSent(chapter)).doc;
  }

  /**
   * Stores the next text of a chapter and the steps that led to it; nothing where there are none.
   *
   * @throws ProblemError where the text does not fit the schema any more
   */
  async write(chapter: ChapterEntity, transform: Pick<Transform, 'steps' | 'docs' | 'doc'>): Promise<void> {
    if (transform.steps.length === 0) return;
    const next = nextText(chapter, transform);
    const { columns, version } = next;
    const before = this.#written.get(chapter.id);
    const row = before ? stepsAfter(before, next) : stepColumns(next, chapter.version);
    await this.manager.update(ChapterEntity, { id: chapter.id }, { ...columns, version });
    // What a change does to one chapter is one row, so that it is taken back as one.
    if (before)
      await this.manager.delete(ChapterStepsEntity, { chapterId: chapter.id, toVersion: before.toVersion });
    await this.manager.insert(ChapterStepsEntity, { chapterId: chapter.id, changeId: this.id, ...row });
    this.#written.set(chapter.id, row);
    Object.assign(chapter, columns, { version });
    this.changed.add(chapter.id);
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

export async function arrange(
  manager: EntityManager,
  order: readonly { id: string; matter?: ChapterEntity['matter'] }[],
): Promise<void> {
  for (const [position, { id, matter }] of order.entries())
    await manager.update(ChapterEntity, { id }, matter ? { position, matter } : { position });
}

/** An earlier order, with each chapter that was added since after the one that it follows now. */
export function mergedOrder<Place extends { id: string }>(
  old: readonly Place[],
  now: readonly { id: string }[],
): (Place | { id: string })[] {
  const order: (Place | { id: string })[] = old.filter(({ id }) => now.some((one) => one.id === id));
  now.forEach(({ id }, index) => {
    if (order.some((one) => one.id === id)) return;
    const before = now[index - 1];
    order.splice(before ? order.findIndex((one) => one.id === before.id) + 1 : 0, 0, { id });
  });
  return order;
}
