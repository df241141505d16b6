import {
  CHECK_SCOPES,
  JOB_STATES,
  type CheckScope,
  type FindingCounts,
  type JobState,
} from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('check_runs')
export class CheckRunEntity {
  @PrimaryColumn({ type: 'char', length: 36 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'enum', enum: JOB_STATES })
  state: JobState;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;

  @Column({ type: 'datetime', precision: 3, name: 'finished_at', nullable: true })
  finishedAt: Date | null;

  @Column({ type: 'enum', enum: CHECK_SCOPES, default: 'all' })
  scope: CheckScope;

  /** It was started by the schedule of the book. */
  @Column({ type: 'boolean', default: false })
  scheduled: boolean;

  /** How many destinations were found otherwise than before; `null` until it has come to its end. */
  @Column({ type: 'int', nullable: true })
  changes: number | null;

  /** What was found of the links of the book when it ended. */
  @Column({ type: 'json', nullable: true })
  findings: FindingCounts | null;
}
