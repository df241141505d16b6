import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A file that a book shows or links to; its bytes are in the store, by their hash. */
@Entity('enclosures')
export class EnclosureEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'varchar' })
  name: string;

  @Column({ type: 'varchar' })
  type: string;

  @Column({ type: 'bigint' })
  size: string;

  @Column({ type: 'char', length: 64 })
  sha256: string;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;
}
