import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The names by which authors keep versions of their books. */
export class VersionNames1791500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE snapshots ADD name VARCHAR(200) NOT NULL DEFAULT ''");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE snapshots DROP name');
  }
}
