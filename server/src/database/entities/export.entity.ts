import { FORMATS, type Format } from '@vennet/core/manuscript';
import type { Loss } from '@vennet/core/publish';
import type { Proof } from '@vennet/core/readback';
import { JOB_STATES, type ExportChoices, type JobState } from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A file that readers need next to the made one: its path there, and its bytes by their hash. */
export interface BesideFile {
  path: string;
  sha256: string;
}

@Entity('exports')
export class ExportEntity {
  @PrimaryColumn({ type: 'char', length: 36 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'enum', enum: FORMATS })
  format: Format;

  @Column({ type: 'enum', enum: JOB_STATES })
  state: JobState;

  @Column({ type: 'text' })
  message: string;

  @Column({ type: 'json' })
  notes: string[];

  @Column({ type: 'json', nullable: true })
  proof: Proof | null;

  /** How it was to be made. */
  @Column({ type: 'json', nullable: true })
  choices: ExportChoices | null;

  @Column({ type: 'bigint', nullable: true })
  size: string | null;

  @Column({ type: 'varchar', name: 'file_name' })
  fileName: string;

  @Column({ type: 'json' })
  beside: BesideFile[];

  /** What was known to be different in it before it was made; `null` where it is not made, or an earlier Vennet made it. */
  @Column({ type: 'json', nullable: true })
  losses: Loss[] | null;

  /** Its links that were tried, each as `path number`; `null` for none. */
  @Column({ type: 'json', nullable: true })
  tried: string[] | null;

  /** The book as it was when this was made; `null` where an earlier Vennet made it. */
  @Column({ type: 'char', length: 36, nullable: true })
  snapshot: string | null;

  /** When the book was changed last before it was as in this file; `null` where an earlier Vennet made it. */
  @Column({ type: 'datetime', precision: 3, name: 'as_of', nullable: true })
  asOf: Date | null;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;

  @Column({ type: 'datetime', precision: 3, name: 'finished_at', nullable: true })
  finishedAt: Date | null;
}
