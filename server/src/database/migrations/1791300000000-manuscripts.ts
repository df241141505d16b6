import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Books are made as DOCX, ODT and Markdown too. */
export class Manuscripts1791300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE exports MODIFY format ENUM('epub', 'pdf', 'web', 'docx', 'odt', 'markdown') NOT NULL",
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DELETE FROM exports WHERE format IN ('docx', 'odt', 'markdown')");
    await runner.query("ALTER TABLE exports MODIFY format ENUM('epub', 'pdf', 'web') NOT NULL");
  }
}
