import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What stands on a page of a finished file; the same for every book that has this file as its ground. */
@Entity('ground_pages')
export class GroundPageEntity {
  /** Of the file. */
  @PrimaryColumn({ type: 'char', length: 64 })
  sha256: string;

  /** From 1. */
  @PrimaryColumn({ type: 'int' })
  number: number;

  /** Its words, a line each. */
  @Column({ type: 'mediumtext' })
  words: string;

  /** The JSON of its `PageText`. */
  @Column({ type: 'mediumtext' })
  text: string;
}
