import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A finding or a verdict that an author leaves as it is. */
@Entity('set_aside')
export class SetAsideEntity {
  @PrimaryColumn({ type: 'char', length: 36 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  /** The rule, or `verdict`. */
  @Column({ type: 'varchar', length: 64 })
  rule: string;

  @Column({ type: 'char', length: 64, name: 'of_hash' })
  ofHash: string;

  /** The link by its id; for a verdict the address. */
  @Column({ type: 'text' })
  of: string;

  /** What it was set aside for. */
  @Column({ type: 'text' })
  print: string;

  @Column({ type: 'text' })
  reason: string;

  /** The last day on which it holds. */
  @Column({ type: 'date', nullable: true })
  until: string | null;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3 })
  at: Date;
}
