import { PAGES } from '../../reader/index.js';
import { directionOf, phrases } from '../../language/index.js';
import { imprintOf, TOP, wordsOf, type ReadBook, type ReadChapter } from '../../manuscript/index.js';
import type { Edition } from '../edition/edition.js';
import { chosenStyles, contentStyles } from '../markup/styles.js';
import { element, escapeXml } from '../markup/xml.js';

/** Where the text of a page begins: what stands before it can be skipped. */
const TEXT = 'text-of-the-book';

export interface WebDocument {
  title: string;
  /** What more stands in its head. */
  head: string;
  /** Before the text, and after it. */
  before: string;
  main: string;
  after?: string;
}

/** A page of HTML (HTML Living Standard). */
export function webDocument(
  { book }: Edition,
  { title, head, before, main, after = '' }: WebDocument,
): string {
  const { language } = book;
  const html = `<!DOCTYPE html>
<html lang="${escapeXml(language)}"${directionOf(language) === 'rtl' ? ' dir="rtl"' : ''}>
<head>
<meta charset="utf-8">
<title>${escapeXml(title)}</title>
<meta name="viewport" content="width=device-width">
${about(book)}<meta name="color-scheme" content="light dark">
${head}
</head>
<body>
<a class="skip" data-computed="" href="#${TEXT}">${escapeXml(phrases(language).toText)}</a>
${before}
<main id="${TEXT}">
${main}
</main>
${after}</body>
</html>
`;
  return html.replace(/<(br|hr|img|link)\b([^>]*?)\/>/g, '<$1$2>');
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

/** The title of the book, and what is said beside it. `name` is the element of the title. */
export const titleHeader = ({ book }: Edition, name: 'p' | 'h1'): string => `<header id="${TOP}">
${element(name, { class: 'title' }, escapeXml(book.title))}
${[book.subtitle, book.author, ...imprintOf(book.publication)]
  .filter(Boolean)
  .map((words) => element('p', {}, escapeXml(words)))
  .join('\n')}
</header>`;

/** What a chapter is called in a list: its number and its title, or how its text begins. */
export const nameOfChapter = (
  { places }: Edition,
  { id, title, doc }: Pick<ReadChapter, 'id' | 'title' | 'doc'>,
): string => [places.get(id)?.label, title || wordsOf(doc).slice(0, 60)].filter(Boolean).join(' ');

/** The look of the pages, on light ground, on dark, and on paper; the links look as the book says. */
export const webStyles = (edition: Edition): string => `:root { color-scheme: light dark; }
body { max-width: 36em; margin: 0 auto; padding: 2em 1em 6em; font: 1.125em/1.6 serif; color: ${PAGES.light.words}; background: ${PAGES.light.page}; overflow-wrap: anywhere; }
header { margin: 3em 0; }
nav ol { list-style: none; padding: 0; }
.title { font-size: 2em; line-height: 1.2; text-indent: 0; }
section { margin-top: 4em; }
.ways + main > section { margin-top: 2em; }
.skip { position: absolute; inset-inline-start: -999em; }
.skip:focus { position: static; }
.ways { display: flex; flex-wrap: wrap; gap: 0.3em 1.5em; justify-content: space-between; margin: 1em 0; }
:target { outline: 2px solid currentColor; outline-offset: 4px; }
@media (prefers-color-scheme: dark) { body { color: ${PAGES.dark.words}; background: ${PAGES.dark.page}; } }
${contentStyles(edition)}
${chosenStyles(edition.flow)}
header p, header h1 { text-align: center; text-indent: 0; }${edition.flow.windows === 'marked' ? WINDOW_SIGN : ''}
@media print {
  :root { color-scheme: light; }
  body { max-width: none; padding: 0; font-size: 11pt; color: black; background: white; }
  .skip, .ways, body > nav { display: none; }
  section { break-before: page; margin-top: 0; }
  main a[href^="http"]::after { content: " (" attr(href) ")"; font-size: 0.85em; }
}`;

/** A link that opens a window bears a sign, which is not read out: its words say it already (CSS Generated Content 3, 2.1). */
const WINDOW_SIGN = `
a[target="_blank"]::after { content: "\\2009\\29C9"; content: "\\2009\\29C9" / ""; font-size: 0.8em; }`;
