import { directionOf, phrases } from '../../language/index.js';
import { CONTENTS, imprintOf, TOP } from '../../manuscript/index.js';
import { archiveOf, packedTexts, storedFiles } from '../edition/archive.js';
import { bytesOf, filesInside, type Edition } from '../edition/edition.js';
import { chapterFile, contextOfFiles, picturesOf, type FileNames } from '../markup/files-of-places.js';
import { coverDrawing } from './cover.js';
import { coverOf, packageDocument } from './package-document.js';
import type { BackPage, EpubPage } from './pages.js';
import { stylesheet } from './stylesheet.js';
import { listedIn, numbered } from '../edition/said.js';
import { withBook } from '../edition/with-book.js';
import { afterBook, notesOfChapter } from '../edition/note-backs.js';
import type { PageContext } from '../markup/page-context.js';
import { nestedList } from '../markup/nested-list.js';
import { content, listWithBook } from '../markup/xhtml.js';
import { listOfNotes, notesOfBook } from '../markup/xhtml-notes.js';
import { element, escapeXml } from '../markup/xml.js';

export interface EpubOptions {
  /** Written as `dcterms:modified`; also the time of every entry. */
  modified: Date;
}

/** Makes an EPUB 3.3 container of a book. */
export function makeEpub(edition: Edition, { modified }: EpubOptions): Uint8Array {
  const pages = pagesOf(edition);
  const cover = coverOf(edition);
  const enclosures = picturesOf(edition, cover ? [cover] : []);
  const list = withBook(edition);
  const context = contextOfFiles(edition, NAMES, enclosures);
  const more: BackPage[] = [
    ...(afterBook(edition) && edition.map.notes.length > 0 ? [notesPage(edition, context)] : []),
    ...(list.entries.length > 0
      ? [{ name: 'with-book', title: list.title, body: listWithBook(list), matter: 'backmatter' }]
      : []),
  ];
  const xhtml = new Map([
    ...pages.map((page): [string, string] => [page.file, chapterPage(edition, page, context)]),
    ...more.map(({ name, title, body, matter }): [string, string] => [
      `${name}.xhtml`,
      document(edition, title, body, matter),
    ]),
  ]);
  const withFormulas = new Set([...xhtml].flatMap(([file, page]) => (page.includes('<math') ? [file] : [])));
  const texts: Record<string, string> = {
    'META-INF/container.xml': CONTAINER,
    'EPUB/package.opf': packageDocument(edition, pages, enclosures, more, withFormulas, modified),
    'EPUB/nav.xhtml': navigation(edition, pages, more, context),
    'EPUB/title.xhtml': titlePage(edition),
    'EPUB/book.css': stylesheet(edition),
  };
  if (!cover) texts['EPUB/cover.svg'] = coverDrawing(edition.book);
  for (const [file, page] of xhtml) texts[`EPUB/${file}`] = page;
  const files = new Map([
    ...[...enclosures].map(([path, { bytes }]) => [path, bytes] as const),
    ...filesInside(edition).map(([path, { id }]) => [path, bytesOf(edition, id)] as const),
  ]);
  return archiveOf(
    [['mimetype', 'application/epub+zip', 'stored'], ...packedTexts(texts), ...storedFiles(files, 'EPUB/')],
    modified,
  );
}

const NAMES: FileNames = {
  top: 'title.xhtml',
  contents: 'nav.xhtml',
  notes: 'notes.xhtml',
  withBook: 'with-book.xhtml',
  chapter: chapterFile('xhtml'),
};

const CONTAINER = `<?xml version="1.0" encoding="utf-8"?>
<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container">
<rootfiles><rootfile full-path="EPUB/package.opf" media-type="application/oebps-package+xml"/></rootfiles>
</container>
`;

function pagesOf({ book, places }: Edition): EpubPage[] {
  const headings = [...places.values()].filter(({ kind }) => kind === 'heading');
  return book.chapters.map((chapter, index) => ({
    chapter,
    file: NAMES.chapter(index),
    headings: headings.filter((heading) => heading.chapter === chapter.id),
  }));
}

function notesPage(edition: Edition, context: PageContext): BackPage {
  const { notes: title } = phrases(edition.book.language);
  return { name: 'notes', title, body: notesOfBook(edition, context, 1), matter: 'backmatter' };
}

const MATTER = { front: 'frontmatter', main: 'bodymatter', back: 'backmatter' } as const;

function chapterPage(edition: Edition, page: EpubPage, context: PageContext): string {
  const { chapter } = page;
  const main = chapter.matter === 'main';
  const notes = afterBook(edition) ? '' : listOfNotes(notesOfChapter(edition, chapter.id), context, 2);
  const section = element(
    'section',
    {
      id: context.once(chapter.id),
      'epub:type': main ? 'chapter' : null,
      role: main ? 'doc-chapter' : null,
      'aria-label': page.headings.length === 0 ? chapter.title : null,
    },
    `\n${content(chapter.doc, context)}${notes}`,
  );
  return document(edition, chapter.title, section, MATTER[chapter.matter]);
}

function titlePage(edition: Edition): string {
  const { title, subtitle, author } = edition.book;
  const lines = [
    element('h1', { class: 'title' }, escapeXml(title)),
    subtitle && element('p', { class: 'subtitle', role: 'doc-subtitle' }, escapeXml(subtitle)),
    author && element('p', { class: 'author' }, escapeXml(author)),
    ...imprintOf(edition.book.publication).map((line) => element('p', { class: 'imprint' }, escapeXml(line))),
  ];
  const section = element(
    'section',
    { id: TOP, 'epub:type': 'titlepage', 'data-computed': '' },
    lines.filter(Boolean).join('\n'),
  );
  return document(edition, title, section, 'frontmatter');
}

function document(edition: Edition, title: string, body: string, matter: string): string {
  const { language } = edition.book;
  return `<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${escapeXml(language)}" xml:lang="${escapeXml(language)}"${directionOf(language) === 'rtl' ? ' dir="rtl"' : ''}>
<head>
<title>${escapeXml(title || edition.book.title)}</title>
<link rel="stylesheet" type="text/css" href="book.css"/>
</head>
<body epub:type="${matter}">
${body}
</body>
</html>
`;
}

function navigation(edition: Edition, pages: EpubPage[], more: BackPage[], context: PageContext): string {
  const said = phrases(edition.book.language);
  const entries = pages.flatMap(({ chapter, file, headings }) => {
    const [first, ...rest] = headings.filter(
      ({ level, words }) => (level ?? 6) <= listedIn(edition) && words !== '',
    );
    const { label = '' } = edition.places.get(chapter.id) ?? {};
    const top = {
      depth: 0,
      words: [label, chapter.title || edition.book.title].filter(Boolean).join(' '),
      href: `${file}#${chapter.id}`,
    };
    const under = first && first.words !== chapter.title ? [first, ...rest] : rest;
    return [
      top,
      ...under.map((heading) => ({
        depth: heading.level ?? 6,
        href: `${file}#${heading.id}`,
        words: numbered(heading),
      })),
    ];
  });
  for (const { name, title } of more) entries.push({ depth: 0, words: title, href: `${name}.xhtml` });
  const start = pages.find(({ chapter }) => chapter.matter === 'main') ?? pages.at(0);
  const landmark = (type: string, href: string, words: string) =>
    element('li', {}, element('a', { 'epub:type': type, href }, escapeXml(words)));
  const notes = more.find(({ name }) => name === 'notes');
  const landmarks = [
    landmark('titlepage', 'title.xhtml', said.titlePage),
    landmark('toc', 'nav.xhtml', said.contents),
    ...(start ? [landmark('bodymatter', start.file, said.startOfText)] : []),
    ...(notes ? [landmark('endnotes', 'notes.xhtml', notes.title)] : []),
  ];
  const body = `<nav epub:type="toc" role="doc-toc" id="${CONTENTS}">
<h1>${escapeXml(said.contents)}</h1>
${nestedList(entries, 'ol')}
</nav>
<nav epub:type="landmarks" hidden="">
<ol>
${landmarks.join('\n')}
</ol>
</nav>${pageList(edition, context)}`;
  return document(edition, said.contents, body, 'frontmatter');
}

/** The pages of a PDF of the book (EPUB 3.3, 5.4.2.3); nothing where none are listed. */
function pageList({ pages }: Edition, { addressOfPlace }: PageContext): string {
  if (pages.size === 0) return '';
  const items = [...pages].map(([id, label]) =>
    element('li', {}, element('a', { href: addressOfPlace(id) }, escapeXml(label))),
  );
  return `
<nav epub:type="page-list" role="doc-pagelist" hidden="">
<ol>
${items.join('\n')}
</ol>
</nav>`;
}
