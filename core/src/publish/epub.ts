import { strToU8, zipSync, type Zippable } from 'fflate';
import type { Node } from 'prosemirror-model';
import { wordsOf, type ReadChapter } from '../manuscript/index.js';
import { contentsTitle } from './contents-title.js';
import {
  filesInside,
  headingId,
  onceEach,
  PICTURE_EXTENSIONS,
  type Edition,
  type EnclosureFile,
} from './edition.js';
import { coverDrawing, packageDocument, stylesheet } from './epub-parts.js';
import { withBook, type WithBook } from './with-book.js';
import { content, listWithBook, type PageContext } from './xhtml.js';
import { element, escapeXml } from './xml.js';

/** A chapter on its way into the container. */
export interface EpubPage {
  chapter: ReadChapter;
  file: string;
  headings: { level: number; words: string; id: string }[];
}

export interface EpubOptions {
  /** Written as `dcterms:modified`; also the time of every entry. */
  modified: Date;
}

/** Headings down to this level stand in the contents. */
const CONTENTS_DEPTH = 3;

/** Makes an EPUB 3.3 container of a book. */
export function makeEpub(edition: Edition, { modified }: EpubOptions): Uint8Array {
  const pages = pagesOf(edition);
  const enclosures = usedEnclosures(edition);
  const list = withBook(edition);
  const hasList = list.entries.length > 0;
  const files: Record<string, string> = {
    'META-INF/container.xml': CONTAINER,
    'EPUB/package.opf': packageDocument(edition, pages, enclosures, hasList, modified),
    'EPUB/nav.xhtml': navigation(edition, pages, hasList ? list : null),
    'EPUB/title.xhtml': titlePage(edition),
    'EPUB/cover.svg': coverDrawing(edition.book),
    'EPUB/book.css': stylesheet(edition),
  };
  if (hasList)
    files['EPUB/with-book.xhtml'] = document(edition, list.title, listWithBook(list), 'backmatter');
  const context = contextFor(edition, pages, enclosures);
  for (const page of pages) files[`EPUB/${page.file}`] = chapterPage(edition, page, context);
  const mtime = new Date(Math.max(modified.getTime(), Date.UTC(1980, 0, 2)));
  const container: Zippable = { mimetype: [strToU8('application/epub+zip'), { level: 0, mtime }] };
  for (const [name, text] of Object.entries(files)) container[name] = [strToU8(text), { level: 6, mtime }];
  for (const [path, file] of enclosures) container[`EPUB/${path}`] = [file.bytes, { level: 0, mtime }];
  for (const [path, { id }] of filesInside(edition)) {
    const bytes = edition.enclosures.get(id)?.bytes ?? new Uint8Array();
    container[`EPUB/${path}`] = [bytes, { level: 0, mtime }];
  }
  return zipSync(container);
}

const CONTAINER = `<?xml version="1.0" encoding="utf-8"?>
<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container">
<rootfiles><rootfile full-path="EPUB/package.opf" media-type="application/oebps-package+xml"/></rootfiles>
</container>
`;

function pagesOf(edition: Edition): EpubPage[] {
  return edition.book.chapters.map((chapter, index) => {
    const headings: EpubPage['headings'] = [];
    let count = 0;
    chapter.doc.descendants((node) => {
      if (node.type.name === 'heading')
        headings.push({
          level: node.attrs.level as number,
          words: wordsOf(node),
          id: headingId(chapter.id, node, count++),
        });
      return !node.isTextblock;
    });
    return { chapter, file: `chapter-${String(index + 1).padStart(3, '0')}.xhtml`, headings };
  });
}

/** The enclosures that the text shows, by their path in the container. */
function usedEnclosures(edition: Edition): Map<string, EnclosureFile> {
  const used = new Map<string, EnclosureFile>();
  for (const { doc } of edition.book.chapters)
    doc.descendants((node) => {
      const file = edition.enclosures.get(node.attrs.enclosure as string);
      const extension = file && PICTURE_EXTENSIONS[file.type];
      if (file && extension) used.set(`pictures/${file.id}.${extension}`, file);
    });
  return used;
}

function contextFor(edition: Edition, pages: EpubPage[], enclosures: Map<string, EnclosureFile>) {
  const fileOf = new Map(pages.map(({ chapter, file }) => [chapter.id, file]));
  const pathOf = new Map([...enclosures].map(([path, { id }]) => [id, path]));
  const once = onceEach();
  return (page: EpubPage): PageContext => {
    let count = 0;
    return {
      edition,
      once,
      addressOfPlace: (place) =>
        `${fileOf.get(edition.places.get(place)?.chapter ?? '') ?? 'with-book.xhtml'}#${place}`,
      addressOfEnclosure: (id) => pathOf.get(id) ?? null,
      headingId: (heading: Node) => headingId(page.chapter.id, heading, count++),
    };
  };
}

const MATTER = { front: 'frontmatter', main: 'bodymatter', back: 'backmatter' } as const;

function chapterPage(edition: Edition, page: EpubPage, contextOf: (page: EpubPage) => PageContext): string {
  const { chapter } = page;
  const context = contextOf(page);
  const main = chapter.matter === 'main';
  const section = element(
    'section',
    {
      id: context.once(chapter.id),
      'epub:type': main ? 'chapter' : null,
      role: main ? 'doc-chapter' : null,
      'aria-label': page.headings.length === 0 ? chapter.title : null,
    },
    `\n${content(chapter.doc, context)}`,
  );
  return document(edition, chapter.title, section, MATTER[chapter.matter]);
}

function titlePage(edition: Edition): string {
  const { title, subtitle, author } = edition.book;
  const lines = [
    element('h1', { class: 'title' }, escapeXml(title)),
    subtitle && element('p', { class: 'subtitle', role: 'doc-subtitle' }, escapeXml(subtitle)),
    author && element('p', { class: 'author' }, escapeXml(author)),
  ];
  const section = element('section', { 'epub:type': 'titlepage' }, lines.filter(Boolean).join('\n'));
  return document(edition, title, section, 'frontmatter');
}

function document(edition: Edition, title: string, body: string, matter: string): string {
  const { language } = edition.book;
  return `<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE html>
<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" lang="${escapeXml(language)}" xml:lang="${escapeXml(language)}">
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

function navigation(edition: Edition, pages: EpubPage[], list: WithBook | null): string {
  const entries = pages.flatMap(({ chapter, file, headings }) => {
    const [first, ...rest] = headings.filter(
      (heading) => heading.level <= CONTENTS_DEPTH && heading.words !== '',
    );
    const top = { level: 0, words: chapter.title || edition.book.title, href: `${file}#${chapter.id}` };
    const under = first && first.words !== chapter.title ? [first, ...rest] : rest;
    return [top, ...under.map(({ level, words, id }) => ({ level, words, href: `${file}#${id}` }))];
  });
  if (list) entries.push({ level: 0, words: list.title, href: 'with-book.xhtml' });
  const title = contentsTitle(edition.book.language);
  const start = pages.find(({ chapter }) => chapter.matter === 'main') ?? pages[0];
  const body = `<nav epub:type="toc" role="doc-toc" id="toc">
<h1>${escapeXml(title)}</h1>
${nestedList(entries)}
</nav>
<nav epub:type="landmarks" hidden="">
<ol>
<li><a epub:type="titlepage" href="title.xhtml">Title page</a></li>
<li><a epub:type="toc" href="nav.xhtml">${escapeXml(title)}</a></li>
<li><a epub:type="bodymatter" href="${start.file}">Start of the text</a></li>
</ol>
</nav>`;
  return document(edition, title, body, 'frontmatter');
}

interface ContentsEntry {
  level: number;
  words: string;
  href: string;
}

/** A list within a list for each deeper level; a level that is jumped over makes no empty list. */
function nestedList(entries: ContentsEntry[]): string {
  let written = '<ol>\n';
  for (let at = 0; at < entries.length;) {
    const { level, words, href } = entries[at++];
    const start = at;
    while (at < entries.length && entries[at].level > level) at++;
    const under = at > start ? `\n${nestedList(entries.slice(start, at))}` : '';
    written += `<li>${element('a', { href }, escapeXml(words))}${under}</li>\n`;
  }
  return `${written}</ol>`;
}
