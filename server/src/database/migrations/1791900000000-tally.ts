import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was told of a made file before it was made, which of its links were tried, the snapshot of the book that it was made of, and when the book was changed last before. */
export class Tally1791900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE exports ADD tried JSON NULL, ADD snapshot CHAR(36) NULL, ADD as_of DATETIME(3) NULL, ADD losses JSON NULL',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE exports DROP tried, DROP snapshot, DROP as_of, DROP losses');
  }
}
