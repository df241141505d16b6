import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What an author chooses of a book's survey: how grave rules are, and what is set aside; what was found when a run ended; the size of
 * pictures, by which parts of them are judged.
 */
export class Choices1791100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE rule_choices (
      book_id CHAR(36) NOT NULL,
      rule VARCHAR(64) NOT NULL,
      severity ENUM('must-fix', 'should-fix', 'consider', 'off') NOT NULL,
      reason TEXT NOT NULL,
      created_by VARCHAR(64) NOT NULL,
      at DATETIME(3) NOT NULL,
      PRIMARY KEY (book_id, rule),
      FOREIGN KEY (book_id) REFERENCES books (id)
    )`);
    await runner.query(`CREATE TABLE set_aside (
      id CHAR(36) PRIMARY KEY,
      book_id CHAR(36) NOT NULL,
      rule VARCHAR(64) NOT NULL,
      of_hash CHAR(64) NOT NULL,
      of TEXT NOT NULL,
      print TEXT NOT NULL,
      reason TEXT NOT NULL,
      until DATE NULL,
      created_by VARCHAR(64) NOT NULL,
      at DATETIME(3) NOT NULL,
      UNIQUE KEY set_aside_once (book_id, rule, of_hash),
      FOREIGN KEY (book_id) REFERENCES books (id)
    )`);
    await runner.query('ALTER TABLE check_runs ADD findings JSON NULL');
    await runner.query('ALTER TABLE enclosures ADD pixels JSON NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE enclosures DROP pixels');
    await runner.query('ALTER TABLE check_runs DROP findings');
    for (const table of ['set_aside', 'rule_choices']) await runner.query(`DROP TABLE ${table}`);
  }
}
