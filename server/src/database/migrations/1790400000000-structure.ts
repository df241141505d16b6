import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How a book counts, shows notes and leads back, and in which forms a chapter is left out. */
export class Structure1790400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE books ADD structure JSON NOT NULL DEFAULT '{}'`);
    await runner.query(`ALTER TABLE chapters ADD left_out_of JSON NOT NULL DEFAULT '[]'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books DROP structure');
    await runner.query('ALTER TABLE chapters DROP left_out_of');
  }
}
