import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The text of a book as it was before a change to much of it. */
@Entity('snapshots')
export class SnapshotEntity {
  @PrimaryColumn({ type: 'char', length: 36 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'varchar' })
  reason: string;

  /** By what name its author keeps it; empty where it may go with time. */
  @Column({ type: 'varchar' })
  name: string;

  /** The chapters as JSON, packed by gzip. */
  @Column({ type: 'longblob', select: false })
  content: Buffer;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;
}
