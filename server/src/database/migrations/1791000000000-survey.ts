import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What a check keeps of destinations over the runs and over the books, when it is done by itself, how, and which hosts rest.
 * `told` is what a verdict says, derived from the answer by the table; `answered` tells a row that was asked from one that waits.
 */
export class Survey1791000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE check_rows
      ADD answered BOOLEAN NOT NULL DEFAULT FALSE,
      ADD told JSON NULL,
      ADD said_until DATETIME(3) NULL,
      ADD INDEX check_rows_destination (href_hash, checked_at),
      ADD INDEX check_rows_said (said_until)`);
    await runner.query('UPDATE check_rows SET answered = TRUE WHERE verdict IS NOT NULL');
    await runner.query(`ALTER TABLE check_runs
      ADD scope ENUM('all', 'chosen', 'changed', 'failures', 'older') NOT NULL DEFAULT 'all',
      ADD scheduled BOOLEAN NOT NULL DEFAULT FALSE,
      ADD changes INT NULL`);
    await runner.query(`CREATE TABLE destinations (
      owner VARCHAR(64) NOT NULL,
      href_hash CHAR(64) NOT NULL,
      href TEXT NOT NULL,
      first_seen DATETIME(3) NOT NULL,
      before_now JSON NULL,
      said JSON NULL,
      streak JSON NULL,
      PRIMARY KEY (owner, href_hash)
    )`);
    await runner.query(`CREATE TABLE host_rests (
      host VARCHAR(300) PRIMARY KEY,
      until_time DATETIME(3) NOT NULL
    )`);
    await runner.query(`CREATE TABLE check_schedules (
      book_id CHAR(36) PRIMARY KEY,
      schedule JSON NOT NULL,
      began_at DATETIME(3) NOT NULL,
      FOREIGN KEY (book_id) REFERENCES books (id)
    )`);
    await runner.query(`CREATE TABLE check_settings (
      owner VARCHAR(64) PRIMARY KEY,
      settings JSON NOT NULL
    )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['check_settings', 'check_schedules', 'host_rests', 'destinations'])
      await runner.query(`DROP TABLE ${table}`);
    await runner.query('ALTER TABLE check_runs DROP scope, DROP scheduled, DROP changes');
    await runner.query(
      'ALTER TABLE check_rows DROP INDEX check_rows_destination, DROP INDEX check_rows_said, DROP answered, DROP told, DROP said_until',
    );
  }
}
