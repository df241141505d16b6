import { PAGES } from '../../reader/index.js';
import { directionOf, phrases } from '../../language/index.js';
import { CONTENTS, imprintOf, TOP, wordsOf, type ReadBook } from '../../manuscript/index.js';
import { onceEach, PICTURE_EXTENSIONS, type Edition, type EnclosureFile } from '../edition/edition.js';
import { afterBook, notesOfChapter } from '../edition/note-backs.js';
import { withBook } from '../edition/with-book.js';
import type { PageContext } from '../markup/page-context.js';
import { contentStyles } from '../markup/styles.js';
import { content, listWithBook } from '../markup/xhtml.js';
import { listOfNotes, notesOfBook } from '../markup/xhtml-notes.js';
import { element, escapeXml } from '../markup/xml.js';

/**
 * Makes one web page of a book (HTML Living Standard): its pictures are in the page itself, and the files that travel
 * with it lie next to it, in `files/`.
 */
export function makeWebPage(edition: Edition): Uint8Array {
  const { book } = edition;
  const context = contextFor(edition);
  const list = withBook(edition);
  const chapters = book.chapters.map((chapter) => {
    const notes = afterBook(edition)
      ? ''
      : listOfNotes(notesOfChapter(edition, chapter.id), context, 2, chapter.title);
    const untitled = chapter.doc.firstChild?.type.name !== 'heading';
    return element(
      'section',
      { id: context.once(chapter.id), 'aria-label': untitled ? chapter.title : null },
      `\n${content(chapter.doc, context)}${notes}`,
    );
  });
  const nameOf = (id: string, title: string) =>
    [edition.places.get(id)?.label, title].filter(Boolean).join(' ');
  const entries = book.chapters.map(({ id, title, doc }) =>
    element(
      'li',
      {},
      element('a', { href: `#${id}` }, escapeXml(nameOf(id, title || wordsOf(doc).slice(0, 60)))),
    ),
  );
  const html = `<!DOCTYPE html>
<html lang="${escapeXml(book.language)}"${directionOf(book.language) === 'rtl' ? ' dir="rtl"' : ''}>
<head>
<meta charset="utf-8">
<title>${escapeXml(book.title)}</title>
<meta name="viewport" content="width=device-width">
${about(book)}<meta name="color-scheme" content="light dark">
<style>
${styles(edition)}
</style>
</head>
<body>
<header id="${TOP}">
${element('p', { class: 'title' }, escapeXml(book.title))}
${[book.subtitle, book.author, ...imprintOf(book.publication)]
  .filter(Boolean)
  .map((words) => element('p', {}, escapeXml(words)))
  .join('\n')}
</header>
<nav aria-labelledby="${CONTENTS}">
${element('h2', { id: CONTENTS }, escapeXml(phrases(book.language).contents))}
<ol>
${entries.join('\n')}
</ol>
</nav>
<main>
${chapters.join('\n')}
${afterBook(edition) ? notesOfBook(edition, context, 2) : ''}
${list.entries.length > 0 ? listWithBook(list) : ''}
</main>
</body>
</html>
`;
  return new TextEncoder().encode(html.replace(/<(br|hr|img)\b([^>]*?)\/>/g, '<$1$2>'));
}

/** What is said of the book in the head of its page (HTML, 4.2.5.1). */
const about = ({ author, description, publication }: ReadBook): string =>
  [
    ['author', author],
    ['description', description],
    ['keywords', (publication?.subjects ?? []).join(', ')],
  ]
    .filter(([, words]) => words)
    .map(([name, words]) => `<meta name="${name}" content="${escapeXml(words!)}">\n`)
    .join('');

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

const styles = (edition: Edition) => `:root { color-scheme: light dark; }
body { max-width: 36em; margin: 0 auto; padding: 2em 1em 6em; font: 1.125em/1.6 Georgia, serif; color: ${PAGES.light.words}; background: ${PAGES.light.page}; overflow-wrap: anywhere; }
header { margin: 3em 0; text-align: center; }
.title { font-size: 2em; line-height: 1.2; }
section { margin-top: 4em; }
:target { outline: 2px solid currentColor; outline-offset: 4px; }
@media (prefers-color-scheme: dark) { body { color: ${PAGES.dark.words}; background: ${PAGES.dark.page}; } }
${contentStyles(edition)}`;
