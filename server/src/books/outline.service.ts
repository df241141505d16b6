import { Injectable } from '@nestjs/common';
import type { SectionMove } from '@vennet/core/edits';
import type { Format } from '@vennet/core/manuscript';
import type { ChapterPlace, RepairDone } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { notFound, ProblemError } from '../platform/problem.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';
import { arrange, ChangesService, moveTo } from './changes.service.js';
import { SnapshotsService } from './snapshots.service.js';

/** The order of a book: its chapters, and the sections that move between them. */
@Injectable()
export class OutlineService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
    private readonly snapshots: SnapshotsService,
  ) {}

  /** Puts the chapters of a book into another order. Nothing of their text changes. */
  async arrange(bookId: string, wanted: readonly ChapterPlace[]): Promise<void> {
    await this.changes.make(bookId, async (hand) => {
      const { manager, chapters } = hand;
      const known = new Set(chapters.map(({ id }) => id));
      const named = new Set(wanted.map(({ id }) => id));
      if (
        named.size !== wanted.length ||
        known.size !== named.size ||
        [...named].some((id) => !known.has(id))
      )
        throw new ProblemError(
          409,
          'Other chapters',
          'The chapters of this book were changed in another window. Nothing was moved; open the book anew and try again.',
        );
      hand.recipe = { order: chapters.map(({ id, matter }) => ({ id, matter })) };
      await arrange(manager, wanted);
      return { words: 'The chapters were put into another order', result: undefined };
    });
  }

  /** Says in which forms a chapter is left out. */
  async leaveOut(chapterId: string, leftOutOf: Format[]): Promise<void> {
    const result = await this.database
      .getRepository(ChapterEntity)
      .update({ id: chapterId }, { leftOutOf: [...new Set(leftOutOf)] });
    if (result.affected === 0) throw notFound('chapter');
  }

  /** Moves a section, within its chapter or into another; the book as it was stays as a snapshot. */
  async moveSection(bookId: string, move: SectionMove): Promise<RepairDone> {
    const { from, to } = move;
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      const words = 'Before a section was moved';
      const snapshot = await this.snapshots.keep(hand.manager, bookId, hand.chapters, words);
      const refused = await moveTo(hand, from.section, from.chapter, to);
      if (refused !== null) throw new ProblemError(422, 'Not moved', `${refused} Nothing was changed.`);
      if (hand.changed.size === 0) await hand.manager.delete(SnapshotEntity, { id: snapshot });
      return {
        words,
        result: { changed: hand.changed.size, snapshot: hand.changed.size > 0 ? snapshot : null },
      };
    });
    return { ...result, change };
  }
}
