import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How the pages of a book's PDF are set: named sets of choices, and which of them is the book's own. */
export class PdfSets1791700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books ADD pdf_sets JSON NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE books DROP pdf_sets');
  }
}
