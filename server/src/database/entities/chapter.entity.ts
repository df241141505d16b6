import { MATTERS, type Format, type Matter } from '@vennet/core/manuscript';
import { Column, DeleteDateColumn, Entity, PrimaryColumn } from 'typeorm';

@Entity('chapters')
export class ChapterEntity {
  @PrimaryColumn({ type: 'varchar', length: 64 })
  id: string;

  @Column({ type: 'char', length: 36, name: 'book_id' })
  bookId: string;

  @Column({ type: 'int' })
  position: number;

  @Column({ type: 'enum', enum: MATTERS })
  matter: Matter;

  @Column({ type: 'varchar' })
  title: string;

  /** The forms of publishing in which it is left out. */
  @Column({ type: 'json', name: 'left_out_of' })
  leftOutOf: Format[];

  /** The chapter's JSON, as text: it is only read and written whole. */
  @Column({ type: 'longtext' })
  doc: string;

  @Column({ type: 'int', name: 'schema_version' })
  schemaVersion: number;

  @Column({ type: 'int' })
  version: number;

  @Column({ type: 'int' })
  words: number;

  @Column({ type: 'int' })
  links: number;

  @Column({ type: 'varchar', name: 'updated_by' })
  updatedBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'updated_at' })
  updatedAt: Date;

  /** When it was removed; its text stays, so that it can be put back. */
  @DeleteDateColumn({ type: 'datetime', precision: 3, name: 'deleted_at' })
  deletedAt: Date | null;
}
