import type { Answer, VerdictName } from '@vennet/core/reach';
import { Column, Entity, PrimaryGeneratedColumn } from 'typeorm';

/** One destination of one run. A row without a verdict is still to be asked. */
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

  @Column({ type: 'varchar', nullable: true })
  verdict: VerdictName | null;

  /** The edition of the table that gave the verdict: `VERDICT_TABLE` of `core/reach`. */
  @Column({ type: 'int', name: 'verdict_table' })
  verdictTable: number;

  @Column({ type: 'json', nullable: true })
  answer: Answer | null;

  @Column({ type: 'datetime', precision: 3, name: 'checked_at', nullable: true })
  checkedAt: Date | null;
}
