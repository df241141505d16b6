import { writeFileSync } from 'node:fs';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { refusalWords } from './files.js';
import { pageEdition } from './page-edition.js';
import type { PublishInput } from './publish-work.js';

export interface PreviewInput extends Pick<PublishInput, 'source' | 'enclosures' | 'pdf' | 'output'> {
  /** The chapter that is set; the title and the contents stand before it. */
  chapter: string;
}

work<PreviewInput, never, number>(refusalWords, ({ chapter, output, ...input }) => {
  const edition = pageEdition(input);
  const { chapters } = edition.book;
  const wanted = chapters.filter(({ id }) => id === chapter);
  const shown = { ...edition.book, chapters: wanted.length > 0 ? wanted : chapters.slice(0, 1) };
  const { bytes } = setPages({ ...edition, book: shown }).write();
  writeFileSync(output, bytes);
  return bytes.length;
});
