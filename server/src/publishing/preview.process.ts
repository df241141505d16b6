import { writeFileSync } from 'node:fs';
import { makeEpub, makeWebPage, makeWebSite, type Edition } from '@vennet/core/publish';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { refusalWords } from './files.js';
import { pageEdition, type PageInput } from './page-edition.js';
import { pageReading, webReading } from './reading.js';

export interface PreviewInput extends PageInput {
  output: string;
  /** The chapter that is shown; the title and the contents stand before it. */
  chapter: string;
}

work<PreviewInput, never, number>(refusalWords, async ({ chapter, output, ...input }) => {
  const { edition } = await pageEdition(input);
  const { chapters } = edition.book;
  const wanted = chapters.filter(({ id }) => id === chapter);
  const shown = { ...edition.book, chapters: wanted.length > 0 ? wanted : chapters.slice(0, 1) };
  const bytes = previewOf({ ...edition, book: shown });
  writeFileSync(output, bytes);
  return bytes.length;
});

const ANY_DAY = { modified: new Date(0) };

/** A PDF, or the page of the chapter. */
function previewOf(edition: Edition): Uint8Array {
  if (edition.format === 'pdf') return setPages(edition).write().bytes;
  const page =
    edition.format === 'epub'
      ? pageReading(makeEpub(edition, ANY_DAY), 'EPUB/chapter-001.xhtml')
      : edition.flow.split === 'chapters'
        ? pageReading(makeWebSite(edition, ANY_DAY), 'chapter-001.html')
        : webReading(makeWebPage(edition));
  return new TextEncoder().encode(page ?? '');
}
