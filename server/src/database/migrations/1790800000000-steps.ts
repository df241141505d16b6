import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Changes are steps over versions; chapters that are removed keep their text. */
export class Steps1790800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE changes (
      id VARCHAR(64) PRIMARY KEY,
      book_id CHAR(36) NOT NULL,
      kind ENUM('typing', 'book', 'take-back') NOT NULL,
      words VARCHAR(300) NOT NULL,
      \`window\` VARCHAR(64) NOT NULL,
      recipe JSON NULL,
      created_by VARCHAR(64) NOT NULL,
      created_at DATETIME(3) NOT NULL,
      INDEX (book_id, created_at),
      FOREIGN KEY (book_id) REFERENCES books (id)
    )`);
    await runner.query(`CREATE TABLE chapter_steps (
      chapter_id VARCHAR(64) NOT NULL,
      to_version INT NOT NULL,
      from_version INT NOT NULL,
      change_id VARCHAR(64) NOT NULL,
      schema_version INT NOT NULL,
      steps LONGTEXT NOT NULL,
      inverses LONGTEXT NOT NULL,
      PRIMARY KEY (chapter_id, to_version),
      INDEX (change_id),
      FOREIGN KEY (chapter_id) REFERENCES chapters (id),
      FOREIGN KEY (change_id) REFERENCES changes (id)
    )`);
    await runner.query('ALTER TABLE chapters ADD deleted_at DATETIME(3) NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE chapters DROP deleted_at');
    await runner.query('DROP TABLE chapter_steps');
    await runner.query('DROP TABLE changes');
  }
}
