import { phrases } from '../../language/index.js';
import { CONTENTS } from '../../manuscript/index.js';
import { archiveOf, packedTexts, storedFiles } from '../edition/archive.js';
import { bytesOf, filesInside, type Edition } from '../edition/edition.js';
import { chapterFile, contextOfFiles, picturesOf, type FileNames } from '../markup/files-of-places.js';
import { afterBook } from '../edition/note-backs.js';
import { withBook } from '../edition/with-book.js';
import { listWithBook } from '../markup/xhtml.js';
import { notesOfBook } from '../markup/xhtml-notes.js';
import { element, escapeXml } from '../markup/xml.js';
import { nameOfChapter, titleHeader, webDocument, webStyles } from './document.js';
import { chapterSection, contentsOf } from './web.js';

const NAMES: FileNames = {
  top: 'index.html',
  contents: 'index.html',
  notes: 'notes.html',
  withBook: 'with-book.html',
  chapter: chapterFile('html'),
};

/** A page of a site, on its way into the archive. */
interface SitePage {
  file: string;
  title: string;
  main: string;
}

/** Makes a web page of each chapter, with ways to the one before, the one after and the contents: an archive of all of them with what they show. */
export function makeWebSite(edition: Edition, { modified }: { modified: Date }): Uint8Array {
  const pictures = picturesOf(edition);
  const context = contextOfFiles(edition, NAMES, pictures);
  const list = withBook(edition);
  const { book } = edition;
  const more: SitePage[] = [
    ...(afterBook(edition) && edition.map.notes.length > 0
      ? [
          {
            file: NAMES.notes,
            title: phrases(book.language).notes,
            main: notesOfBook(edition, context, 1),
          },
        ]
      : []),
    ...(list.entries.length > 0
      ? [{ file: NAMES.withBook, title: list.title, main: listWithBook(list) }]
      : []),
  ];
  const pages = [
    ...book.chapters.map((chapter, index) => ({
      file: NAMES.chapter(index),
      title: nameOfChapter(edition, chapter),
      main: chapterSection(edition, chapter, context),
    })),
    ...more,
  ];
  const texts: Record<string, string> = {
    [NAMES.top]: firstPage(edition, more),
    'book.css': webStyles(edition),
  };
  for (const [index, page] of pages.entries())
    texts[page.file] = sitePage(edition, page, pages[index - 1], pages[index + 1]);
  const files = new Map([
    ...[...pictures].map(([path, { bytes }]) => [path, bytes] as const),
    ...filesInside(edition).map(([path, { id }]) => [path, bytesOf(edition, id)] as const),
  ]);
  return archiveOf([...packedTexts(texts), ...storedFiles(files)], modified);
}

const STYLES = '<link rel="stylesheet" href="book.css">';

function firstPage(edition: Edition, more: readonly SitePage[]): string {
  const index = new Map(edition.book.chapters.map(({ id }, at) => [id, at]));
  const contents = contentsOf(
    edition,
    ({ id }) => NAMES.chapter(index.get(id) ?? 0),
    more.map(({ file, title }) => ({ href: file, title })),
  );
  return webDocument(edition, {
    title: edition.book.title,
    head: STYLES,
    before: titleHeader(edition, 'h1'),
    main: contents,
  });
}

function sitePage(
  edition: Edition,
  { title, main }: SitePage,
  before: SitePage | undefined,
  after: SitePage | undefined,
): string {
  const said = phrases(edition.book.language);
  const way = (rel: string | null, href: string, words: string, to = '') =>
    element('a', { rel, href, 'aria-label': to === '' ? null : `${words}: ${to}` }, escapeXml(words));
  const ways = element(
    'nav',
    { class: 'ways', 'aria-label': said.contents },
    [
      before ? way('prev', before.file, said.previous, before.title) : '<span></span>',
      way(null, `${NAMES.contents}#${CONTENTS}`, said.contents),
      after ? way('next', after.file, said.next, after.title) : '<span></span>',
    ].join('\n'),
  );
  return webDocument(edition, {
    title: title === edition.book.title ? title : `${title} – ${edition.book.title}`,
    head: STYLES,
    before: ways,
    main,
    after: `${ways}\n`,
  });
}
