import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Steps that led a chapter from one version to another; a version more for each step. */
@Entity('chapter_steps')
export class ChapterStepsEntity {
  @PrimaryColumn({ type: 'varchar', length: 64, name: 'chapter_id' })
  chapterId: string;

  @PrimaryColumn({ type: 'int', name: 'to_version' })
  toVersion: number;

  @Column({ type: 'int', name: 'from_version' })
  fromVersion: number;

  @Column({ type: 'varchar', length: 64, name: 'change_id' })
  changeId: string;

  @Column({ type: 'int', name: 'schema_version' })
  schemaVersion: number;

  /** A list of steps as JSON. */
  @Column({ type: 'longtext' })
  steps: string;

  /** What takes each of them back, over the text after it. */
  @Column({ type: 'longtext' })
  inverses: string;
}
