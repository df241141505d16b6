import type { BringInReport } from '@vennet/core/bring-in';
import type { Ground, LinkLook, Publication, Structure } from '@vennet/core/manuscript';
import type { FormChoices } from '@vennet/core/publish';
import type { PdfSets } from '@vennet/core/wire';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('books')
export class BookEntity {
  @PrimaryColumn({ type: 'char', length: 36 })
  id: string;

  @Column({ type: 'varchar' })
  title: string;

  @Column({ type: 'varchar' })
  subtitle: string;

  @Column({ type: 'varchar' })
  author: string;

  @Column({ type: 'varchar' })
  language: string;

  @Column({ type: 'text' })
  description: string;

  @Column({ type: 'json' })
  look: LinkLook;

  /** How it counts, shows notes and leads back. */
  @Column({ type: 'json' })
  structure: Structure;

  /** What else is said of it where it is published. */
  @Column({ type: 'json', nullable: true })
  publication: Publication | null;

  /** Of a book of pages: the finished file that they are of. */
  @Column({ type: 'json', nullable: true })
  ground: Ground | null;

  /** How the pages of its PDF are set; `null` as long as nothing was chosen. */
  @Column({ type: 'json', name: 'pdf_sets', nullable: true })
  pdfSets: PdfSets | null;

  /** How its forms without pages are made; `null` as long as nothing was chosen. */
  @Column({ type: 'json', name: 'form_choices', nullable: true })
  formChoices: FormChoices | null;

  /** Where readers get it. */
  @Column({ type: 'varchar', nullable: true })
  address: string | null;

  @Column({ type: 'json', nullable: true })
  report: BringInReport | null;

  @Column({ type: 'varchar', name: 'created_by' })
  createdBy: string;

  @Column({ type: 'datetime', precision: 3, name: 'created_at' })
  createdAt: Date;

  @Column({ type: 'datetime', precision: 3, name: 'updated_at' })
  updatedAt: Date;

  @Column({ type: 'datetime', precision: 3, name: 'deleted_at', nullable: true })
  deletedAt: Date | null;
}
