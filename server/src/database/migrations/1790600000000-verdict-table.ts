import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which edition of the table of verdicts gave a stored verdict; 0 for those from before it was kept. */
export class VerdictTable1790600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE check_rows ADD verdict_table INT NOT NULL DEFAULT 0');
    await runner.query('CREATE INDEX check_rows_verdict_table ON check_rows (verdict_table)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX check_rows_verdict_table ON check_rows');
    await runner.query('ALTER TABLE check_rows DROP verdict_table');
  }
}
