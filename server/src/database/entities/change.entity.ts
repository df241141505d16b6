import type { ChapterPlace } from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** By what hand a change came about. */
export const CHANGE_KINDS = ['typing', 'book', 'take-back'] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** What a change did beside the steps in its chapters, so that it can be taken back by doing the opposite to what is there now. */
export interface ChangeRecipe {
  /** A section was moved: where it stood. `before` is the section that followed it. */
  moved?: { section: string; chapter: string; before: string | null; words: string };
  /** Chapters that were removed, or added. */
  removed?: string[];
  added?: string[];
  /** The titles that chapters without a heading had. */
  titles?: { id: string; title: string }[];
  /** A chapter was split: the rest became a fresh one. */
  split?: { chapter: string; fresh: string };
  /** The text of a chapter was put at the end of another one. */
  joined?: { into: string; chapter: string };
  /** The book was divided anew: the chapters that it had. */
  divided?: string[];
  /** The order of the chapters before it. */
  order?: ChapterPlace[];
}

/** One change to a book: what one hand did at once, in one chapter or in many. */
@Entity('changes')
export class ChangeEntity {
  /** Given by the hand that made it, so that it is not made twice. */
  @PrimaryColumn({ type: 'varchar', length: 64 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'enum', enum: CHANGE_KINDS })
  kind: ChangeKind;

  /** What it is called where it can be taken back. */
  @Column({ type: 'varchar' })
  words: string;

  /** The window that typed it; empty for other hands. */
  @Column({ type: 'varchar' })
  window: string;

  @Column({ type: 'json', nullable: true })
  recipe: ChangeRecipe | null;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;
}
