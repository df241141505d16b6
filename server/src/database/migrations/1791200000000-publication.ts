import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is said of a book where it is published: its publisher, date, rights, identifiers, subjects, contributors and cover. */
export class Publication1791200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books ADD publication JSON NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books DROP publication');
  }
}
