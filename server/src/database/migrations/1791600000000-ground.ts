import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Books of pages: the finished file of a book, the words of its pages, and how a file is to be made. */
export class Ground1791600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books ADD ground JSON NULL');
    await runner.query('ALTER TABLE exports ADD choices JSON NULL');
    await runner.query(
      `CREATE TABLE ground_pages (
        sha256 CHAR(64) NOT NULL,
        number INT NOT NULL,
        words MEDIUMTEXT NOT NULL,
        text MEDIUMTEXT NOT NULL,
        PRIMARY KEY (sha256, number)
      )`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE ground_pages');
    await runner.query('ALTER TABLE exports DROP choices');
    await runner.query('ALTER TABLE books DROP ground');
  }
}
