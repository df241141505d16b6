import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How the forms of a book are made that have no pages of their own. */
export class FormChoices1791800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books ADD form_choices JSON NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books DROP form_choices');
  }
}
