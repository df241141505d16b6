import { Injectable } from '@nestjs/common';
import type { SectionMove } from '@vennet/core/edits';
import type { RepairDone } from '@vennet/core/wire';
import { ProblemError } from '../platform/problem.js';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';
import { ChangesService } from './changes.service.js';
import { moveTo } from './taking-back.js';
import { divideChapters } from './divided-chapters.js';
import { SnapshotsService } from './snapshots.service.js';

/** The sections of a book that move between its chapters. */
@Injectable()
export class OutlineService {
  constructor(
    private readonly changes: ChangesService,
    private readonly snapshots: SnapshotsService,
  ) {}

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

  /** Divides a book at other places; the book as it was stays as a snapshot. */
  async divide(bookId: string, begins: readonly string[]): Promise<RepairDone> {
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      const before = hand.chapters.length;
      const words = `Before ${before} chapters were divided anew`;
      const snapshot = await this.snapshots.keep(hand.manager, bookId, hand.chapters, words);
      await divideChapters(hand, begins);
      const isDivided = hand.recipe !== null;
      if (!isDivided) await hand.manager.delete(SnapshotEntity, { id: snapshot });
      return {
        words: 'The book was divided into other chapters',
        result: { changed: isDivided ? hand.chapters.length : 0, snapshot: isDivided ? snapshot : null },
      };
    });
    return { ...result, change };
  }
}
