import { placesNamed } from '@vennet/core/edits';
import { readChapter, upgradedChapter } from '@vennet/core/manuscript';
import type { MigrationInterface, QueryRunner } from 'typeorm';

interface Row {
  id: string;
  doc: string;
  version: number;
}

/**
 * The ids of headings that were counted whenever a chapter was opened are stored: what leads to them stands, whatever comes before them. The log
 * of a chapter ends here; windows that hold an earlier version load the text anew.
 */
export class PlaceIds1790900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const ids = (await runner.query('SELECT id FROM chapters')) as Pick<Row, 'id'>[];
    for (const { id } of ids) {
      const [row] = (await runner.query('SELECT id, doc, version FROM chapters WHERE id = ?', [id])) as Row[];
      if (row) await storeIds(runner, row);
    }
  }

  down(): Promise<void> {
    // Ids that are stored are right in every version.
    return Promise.resolve();
  }
}

async function storeIds(runner: QueryRunner, { id, doc: json, version }: Row): Promise<void> {
  const next = withIds(id, json);
  if (next !== null)
    await runner.query('UPDATE chapters SET doc = ?, version = ? WHERE id = ?', [next, version + 1, id]);
}

/** The text with its ids; `null` where it has them, or can't be read: then it stays as it is. */
function withIds(id: string, json: string): string | null {
  try {
    const chapter = {
      id,
      title: '',
      matter: 'main' as const,
      leftOutOf: [],
      doc: upgradedChapter(JSON.parse(json) as object),
    };
    const { doc, steps } = placesNamed(readChapter(chapter).doc, id);
    return steps.length > 0 ? JSON.stringify(doc.toJSON()) : null;
  } catch {
    return null;
  }
}
