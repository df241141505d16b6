import { withPlaceIds } from '@vennet/core/edits';
import {
  countWords,
  linksOfChapter,
  readChapter,
  SCHEMA_VERSION,
  titleOf,
  type Chapter,
} from '@vennet/core/manuscript';
import type { VersionedChapter } from '@vennet/core/wire';
import type { Node } from 'prosemirror-model';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { readSource, type ChapterSource } from './book-source.js';
import type { ChapterEntity } from '../database/entities/chapter.entity.js';

/** The title of a chapter as it is stored: its first heading, else what it was given. */
export const chapterTitle = (doc: Node, otherwise: string): string => titleOf(doc, otherwise).slice(0, 300);

/** The columns that follow from a chapter's text, which must fit the schema. `json` is that of `doc`. */
export function columnsOf(doc: Node, json: object, otherwise: string) {
  return {
    title: chapterTitle(doc, otherwise),
    doc: JSON.stringify(json),
    schemaVersion: SCHEMA_VERSION,
    words: countWords(doc),
    links: linksOfChapter(doc, '').length,
    updatedBy: LOCAL_AUTHOR,
    updatedAt: new Date(),
  };
}

/** A chapter as it goes into the database for the first time. */
export type NewChapter = Pick<Chapter, 'id' | 'matter'> & ReturnType<typeof columnsOf>;

/** A chapter that comes as JSON, as it goes into the database: with an id at everything that can always be led to. */
export function newChapter({
  id,
  matter,
  title,
  doc: json,
}: Pick<Chapter, 'id' | 'matter' | 'title' | 'doc'>): NewChapter {
  const doc = withPlaceIds(readChapter({ id, title, matter, leftOutOf: [], doc: json }).doc, id);
  return { id, matter, ...columnsOf(doc, doc.toJSON() as object, title) };
}

/** A chapter as it is stored. */
export function sourceOf({ id, title, matter, leftOutOf, doc, version }: ChapterEntity): ChapterSource {
  return { id, title, matter, leftOutOf, version, doc };
}

/** A chapter as it travels to the interface. */
export function asSent(chapter: ChapterEntity): VersionedChapter {
  return readSource(sourceOf(chapter));
}
