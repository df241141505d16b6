import { phrases } from '../../language/index.js';
import { CONTENTS, type ReadChapter } from '../../manuscript/index.js';
import { onceEach, PICTURE_EXTENSIONS, type Edition, type EnclosureFile } from '../edition/edition.js';
import { afterBook, notesOfChapter } from '../edition/note-backs.js';
import { withBook } from '../edition/with-book.js';
import type { PageContext } from '../markup/page-context.js';
import { content, listWithBook } from '../markup/xhtml.js';
import { listOfNotes, notesOfBook } from '../markup/xhtml-notes.js';
import { element, escapeXml } from '../markup/xml.js';
import { nameOfChapter, titleHeader, webDocument, webStyles } from './document.js';

/**
 * Makes one web page of a book (HTML Living Standard): its pictures are in the page itself, and the files that travel
 * with it lie next to it, in `files/`.
 */
export function makeWebPage(edition: Edition): Uint8Array {
  const { book } = edition;
  const context = contextFor(edition);
  const list = withBook(edition);
  const main = [
    ...book.chapters.map((chapter) => chapterSection(edition, chapter, context)),
    afterBook(edition) ? notesOfBook(edition, context, 2) : '',
    list.entries.length > 0 ? listWithBook(list) : '',
  ].join('\n');
  const before = `${titleHeader(edition, 'p')}\n${contentsOf(edition, ({ id }) => `#${id}`)}`;
  const head = `<style>\n${webStyles(edition)}\n</style>`;
  return new TextEncoder().encode(webDocument(edition, { title: book.title, head, before, main }));
}

/** A chapter with the notes that stand after it. */
export function chapterSection(edition: Edition, chapter: ReadChapter, context: PageContext): string {
  const notes = afterBook(edition)
    ? ''
    : listOfNotes(notesOfChapter(edition, chapter.id), context, 2, chapter.title);
  const untitled = chapter.doc.firstChild?.type.name !== 'heading';
  return element(
    'section',
    { id: context.once(chapter.id), 'aria-label': untitled ? chapter.title : null },
    `\n${content(chapter.doc, context)}${notes}`,
  );
}

/** The list of the chapters, and of what comes after them. */
export function contentsOf(
  edition: Edition,
  addressOf: (chapter: ReadChapter) => string,
  more: readonly { href: string; title: string }[] = [],
): string {
  const { chapters, language } = edition.book;
  const entries = [
    ...chapters.map((chapter) => ({ href: addressOf(chapter), title: nameOfChapter(edition, chapter) })),
    ...more,
  ].map(({ href, title }) => element('li', {}, element('a', { href }, escapeXml(title))));
  return `<nav aria-labelledby="${CONTENTS}">
${element('h2', { id: CONTENTS }, escapeXml(phrases(language).contents))}
<ol>
${entries.join('\n')}
</ol>
</nav>`;
}

function contextFor(edition: Edition): PageContext {
  const once = onceEach();
  return {
    edition,
    once,
    origin: (id) => (edition.origins.has(id) ? once(id) : null),
    addressOfPlace: (place) => `#${place}`,
    addressOfEnclosure: (id) => {
      const file = edition.enclosures.get(id);
      return file && PICTURE_EXTENSIONS[file.type] ? dataAddress(file) : null;
    },
  };
}

function dataAddress({ type, bytes }: EnclosureFile): string {
  let signs = '';
  for (let at = 0; at < bytes.length; at += 0x8000)
    signs += String.fromCharCode(...bytes.subarray(at, at + 0x8000));
  return `data:${type};base64,${btoa(signs)}`;
}
