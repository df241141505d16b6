import { OPENS_FOR, TRAVELS, type OpensFor, type Travels } from '@vennet/core/shelf';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What a file was before it was replaced. */
export interface EarlierVersion {
  sha256: string;
  size: number;
  type: string;
  name: string;
  /** ISO 8601: when it was replaced. */
  until: string;
}

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

  /** Of a picture, in its own pixels. */
  @Column({ type: 'json', nullable: true })
  pixels: { width: number; height: number } | null;

  @Column({ type: 'varchar', default: '' })
  description: string;

  @Column({ type: 'enum', enum: OPENS_FOR, name: 'opens_for', default: 'everyone' })
  opensFor: OpensFor;

  @Column({ type: 'enum', enum: TRAVELS, default: 'inside' })
  travels: Travels;

  @Column({ type: 'varchar', nullable: true })
  address: string | null;

  /** The newest last. */
  @Column({ type: 'json' })
  earlier: EarlierVersion[];

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;

  @Column({ type: 'datetime', precision: 3, name: 'deleted_at', nullable: true })
  deletedAt: Date | null;
}
