import { countWords, linksOfChapter, readChapter, SCHEMA_VERSION, titleOf } from '@vennet/core/manuscript';
import type { ChapterSaved, VersionedChapter } from '@vennet/core/wire';
import type { EntityManager } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';

/** The columns that follow from a chapter's text, which must fit the schema. */
export function columnsOf(doc: object, otherwise: string) {
  const read = readChapter({ id: '', title: '', matter: 'main', leftOutOf: [], doc }).doc;
  return {
    title: titleOf(read, otherwise).slice(0, 300),
    doc: JSON.stringify(doc),
    schemaVersion: SCHEMA_VERSION,
    words: countWords(read),
    links: linksOfChapter(read, '').length,
    updatedBy: LOCAL_AUTHOR,
    updatedAt: new Date(),
  };
}

/** Stores a new text of a chapter as its next version. */
export async function storeText(
  manager: EntityManager,
  stored: ChapterEntity,
  doc: object,
): Promise<ChapterSaved> {
  const columns = columnsOf(doc, stored.title);
  const version = stored.version + 1;
  await manager.update(ChapterEntity, { id: stored.id }, { ...columns, version });
  await manager.update(BookEntity, { id: stored.bookId }, { updatedAt: columns.updatedAt });
  return { id: stored.id, version, title: columns.title };
}

/** A chapter as it travels to the interface. */
export function asSent({ id, title, matter, leftOutOf, doc, version }: ChapterEntity): VersionedChapter {
  return { id, title, matter, leftOutOf, version, doc: JSON.parse(doc) as object };
}
