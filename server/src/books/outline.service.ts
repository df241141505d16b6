import { Injectable } from '@nestjs/common';
import { moveSection, withPlaceIds, type SectionMove } from '@vennet/core/edits';
import type { Format } from '@vennet/core/manuscript';
import { readChapter } from '@vennet/core/manuscript';
import type { ChapterPlace, RepairDone } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { notFound, ProblemError } from '../platform/problem.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { BooksService } from './books.service.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { asSent, storeText } from './chapter-text.js';
import { lockedChapters, SnapshotsService } from './snapshots.service.js';

/** The order of a book: its chapters, and the sections that move between them. */
@Injectable()
export class OutlineService {
  constructor(
    private readonly database: DataSource,
    private readonly books: BooksService,
    private readonly snapshots: SnapshotsService,
  ) {}

  /** Puts the chapters of a book into another order. Nothing of their text changes. */
  async arrange(bookId: string, wanted: readonly ChapterPlace[]): Promise<void> {
    await this.books.book(bookId);
    await this.database.transaction(async (manager) => {
      const chapters = await lockedChapters(manager, bookId);
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
      for (const [position, { id, matter }] of wanted.entries())
        await manager.update(ChapterEntity, { id }, { position, matter });
      await manager.update(BookEntity, { id: bookId }, { updatedAt: new Date() });
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
    await this.books.book(bookId);
    return this.database.transaction(async (manager) => {
      const chapters = await lockedChapters(manager, bookId);
      const docs = new Map(
        chapters.map((chapter) => [chapter.id, withPlaceIds(readChapter(asSent(chapter)).doc, chapter.id)]),
      );
      const moved = moveSection(docs, move);
      if ('refused' in moved)
        throw new ProblemError(422, 'Not moved', `${moved.refused} Nothing was changed.`);
      const snapshot = await this.snapshots.keep(manager, bookId, chapters, 'Before a section was moved');
      for (const [id, { doc }] of moved) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (stored) await storeText(manager, stored, doc.toJSON());
      }
      return { changed: moved.size, snapshot };
    });
  }
}
