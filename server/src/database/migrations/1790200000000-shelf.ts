import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What the Shelf knows of a file, where a book is to be had, and web pages among the exports. */
export class Shelf1790200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE enclosures
      ADD description VARCHAR(1000) NOT NULL DEFAULT '',
      ADD opens_for ENUM('everyone', 'reviewers', 'author') NOT NULL DEFAULT 'everyone',
      ADD travels ENUM('inside', 'beside', 'public') NOT NULL DEFAULT 'inside',
      ADD address VARCHAR(2000) NULL,
      ADD earlier JSON NOT NULL DEFAULT '[]',
      ADD deleted_at DATETIME(3) NULL`);
    await runner.query('ALTER TABLE books ADD address VARCHAR(2000) NULL');
    await runner.query(`ALTER TABLE exports
      MODIFY format ENUM('epub', 'pdf', 'web') NOT NULL,
      ADD beside JSON NOT NULL DEFAULT '[]'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DELETE FROM exports WHERE format = 'web'`);
    await runner.query(`ALTER TABLE exports MODIFY format ENUM('epub', 'pdf') NOT NULL, DROP beside`);
    await runner.query('ALTER TABLE books DROP address');
    await runner.query(
      'ALTER TABLE enclosures DROP description, DROP opens_for, DROP travels, DROP address, DROP earlier, DROP deleted_at',
    );
  }
}
