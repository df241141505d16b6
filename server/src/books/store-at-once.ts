import type { DataSource } from 'typeorm';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { LOCAL_AUTHOR } from '../platform/author.js';
import type { NextText } from './next-text.js';

/**
 * All of a save in one statement: the same locks in the same order as every change of a book takes them, and nothing is stored when the chapter is at
 * another version by now.
 */
const STORE = `BEGIN NOT ATOMIC
  DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;
  START TRANSACTION;
  UPDATE books SET updated_at = ? WHERE id = ? AND deleted_at IS NULL;
  IF ROW_COUNT() = 1 THEN
    UPDATE chapters SET title = COALESCE(?, title), doc = ?, schema_version = ?, version = ?, words = ?, links = ?, updated_by = ?, updated_at = ?
      WHERE id = ? AND version = ? AND deleted_at IS NULL;
    IF ROW_COUNT() = 1 THEN
      INSERT INTO changes (id, book_id, kind, words, \`window\`, recipe, created_by, created_at) VALUES (?, ?, 'typing', 'Text', ?, NULL, ?, ?);
      INSERT INTO chapter_steps (chapter_id, from_version, to_version, change_id, schema_version, steps, inverses) VALUES (?, ?, ?, ?, ?, ?, ?);
      COMMIT;
      SELECT title FROM chapters WHERE id = ?;
    ELSE
      ROLLBACK;
    END IF;
  ELSE
    ROLLBACK;
  END IF;
END`;

export interface WhoseSave {
  book: string;
  chapter: string;
  /** The version over which it was made. */
  before: number;
  change: string;
  window: string;
}

/**
 * Stores the next text of a chapter in one round trip to the database; what typing costs. Gives the title that the chapter has now; `null`: the
 * chapter has gone on, or something stood in the way, and nothing was stored: `ChangesService.make` says what.
 */
export async function storeAtOnce(
  database: DataSource,
  { book, chapter, before, change, window }: WhoseSave,
  { columns, heading, version, steps, inverses }: NextText,
): Promise<string | null> {
  const { doc, words, links, updatedAt } = columns;
  const parameters = [
    ...[updatedAt, book],
    // Where the text has no heading, the chapter keeps the title that it was given.
    ...[
      heading === '' ? null : heading,
      doc,
      SCHEMA_VERSION,
      version,
      words,
      links,
      LOCAL_AUTHOR,
      updatedAt,
      chapter,
      before,
    ],
    ...[change, book, window, LOCAL_AUTHOR, updatedAt],
    ...[chapter, before, version, change, SCHEMA_VERSION, steps, inverses, chapter],
  ];
  try {
    const result = await database.query<[[{ title: string }]] | object>(STORE, parameters);
    return Array.isArray(result) ? (result as [[{ title: string }]])[0][0].title : null;
  } catch (error) {
    const { code = '' } = error as { code?: string };
    if (code === 'ER_DUP_ENTRY' || code === 'ER_LOCK_DEADLOCK') return null;
    throw error;
  }
}
