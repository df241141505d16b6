import { SCHEMA_VERSION, upgradedChapter } from '@vennet/core/manuscript';
import type { MigrationInterface, QueryRunner } from 'typeorm';

interface Row {
  doc: string;
  version: number;
}

/**
 * The rows of a table stand in a body of their own, beside its caption. The log of a chapter with tables ends here; windows that hold an
 * earlier version load the text anew. Copies of books are read as they were kept, and brought up to date then.
 */
export class TableBodies1791400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const ids = (await runner.query('SELECT id FROM chapters')) as { id: string }[];
    for (const { id } of ids) {
      const [row] = (await runner.query('SELECT doc, version FROM chapters WHERE id = ?', [id])) as Row[];
      const doc = row ? withBodies(row.doc) : null;
      if (row && doc !== null)
        await runner.query('UPDATE chapters SET doc = ?, version = ?, schema_version = ? WHERE id = ?', [
          doc,
          row.version + 1,
          SCHEMA_VERSION,
          id,
        ]);
    }
  }

  down(): Promise<void> {
    // What is written since may hold tables that the older form can't.
    return Promise.resolve();
  }
}

/** The text with bodies in its tables; `null` where there is nothing to do, or it can't be read: then it stays as it is. */
function withBodies(json: string): string | null {
  try {
    const before = JSON.parse(json) as object;
    const after = upgradedChapter(before);
    return after === before ? null : JSON.stringify(after);
  } catch {
    return null;
  }
}
