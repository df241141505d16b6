import { writeFileSync } from 'node:fs';
import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { filesOf, refusalWords } from './files.js';
import type { PublishInput } from './publish-work.js';

export interface PreviewInput extends Pick<PublishInput, 'source' | 'enclosures' | 'pdf' | 'output'> {
  /** The chapter that is set; the title and the contents stand before it. */
  chapter: string;
}

work<PreviewInput, never, number>(refusalWords, ({ source, enclosures, pdf, output, chapter }) => {
  const book = manuscriptFrom(source);
  const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
  const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book), pdf);
  const { chapters } = edition.book;
  const wanted = chapters.filter(({ id }) => id === chapter);
  const shown = { ...edition.book, chapters: wanted.length > 0 ? wanted : chapters.slice(0, 1) };
  const { bytes } = setPages({ ...edition, book: shown }).write();
  writeFileSync(output, bytes);
  return bytes.length;
});
