import type { Answer, VerdictName } from '@vennet/core/reach';
import type { DestinationVerdict } from '@vennet/core/wire';
import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm';

/** What a verdict says, as it is derived from an answer. */
export type Told = Omit<DestinationVerdict, 'href' | 'checkedAt'>;

/** One destination of one run. */
@Entity('check_rows')
export class CheckRowEntity {
  @PrimaryGeneratedColumn({ type: 'bigint' })
  id: string;

  @Column({ type: 'char', length: 36, name: 'run_id' })
  runId: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'text' })
  href: string;

  @Column({ type: 'char', length: 64, name: 'href_hash' })
  hrefHash: string;

  /** Whether it was asked; a row that was not waits for its turn. */
  @Column({ type: 'boolean', default: false })
  answered: boolean;

  /** Derived from the answer, with what it says. */
  @Column({ type: 'varchar', nullable: true })
  verdict: VerdictName | null;

  @Column({ type: 'json', nullable: true })
  told: Told | null;

  /** The edition of the table that gave the verdict: `VERDICT_TABLE` of `core/reach`. */
  @Column({ type: 'int', name: 'verdict_table' })
  verdictTable: number;

  @Column({ type: 'json', nullable: true })
  answer: Answer | null;

  @Column({ type: 'datetime', precision: 3, name: 'checked_at', nullable: true })
  checkedAt: Date | null;

  /** Until when the author's word decides the verdict, where it does. */
  @Column({ type: 'datetime', precision: 3, name: 'said_until', nullable: true })
  saidUntil: Date | null;
}
