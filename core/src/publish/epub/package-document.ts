import { directionOf } from '../../language/index.js';
import { authorsOf, NO_PUBLICATION, type Publication } from '../../manuscript/index.js';
import { filesInside, PICTURE_EXTENSIONS, type Edition, type EnclosureFile } from '../edition/edition.js';
import { accessibility } from './accessibility.js';
import type { BackPage, EpubPage } from './pages.js';
import { element, escapeXml } from '../markup/xml.js';

/**
 * The package document: metadata (EPUB 3.3 and EPUB Accessibility 1.1), manifest and spine. `withFormulas` are the files
 * that hold MathML (EPUB 3.3, D.2.3).
 */
export function packageDocument(
  edition: Edition,
  pages: EpubPage[],
  enclosures: Map<string, EnclosureFile>,
  more: readonly BackPage[],
  withFormulas: ReadonlySet<string>,
  modified: Date,
): string {
  const { book } = edition;
  const cover = coverOf(edition);
  const item = (id: string, href: string, type: string, more: Record<string, string> = {}) =>
    element('item', { id, href, 'media-type': type, ...more });
  const xhtml = 'application/xhtml+xml';
  const files = filesInside(edition);
  const manifest = [
    item('nav', 'nav.xhtml', xhtml, { properties: 'nav' }),
    ...(cover ? [] : [item('cover', 'cover.svg', 'image/svg+xml', { properties: 'cover-image' })]),
    item('css', 'book.css', 'text/css'),
    item('title', 'title.xhtml', xhtml),
    ...[...pages.map(({ file }) => file), ...more.map(({ name }) => `${name}.xhtml`)].map((file) =>
      item(file.replace('.xhtml', ''), file, xhtml, withFormulas.has(file) ? { properties: 'mathml' } : {}),
    ),
    ...[...enclosures].map(([path, file], index) =>
      item(`picture-${index + 1}`, path, file.type, file.id === cover ? { properties: 'cover-image' } : {}),
    ),
    ...files.map(([path, file], index) =>
      item(`file-${index + 1}`, path, mediaType(file.type), { fallback: 'with-book' }),
    ),
  ];
  const pageIds = pages.map(({ file }) => file.replace('.xhtml', ''));
  const spine = [
    ...['title', 'nav', ...pageIds, ...more.map(({ name }) => name)].map((idref) =>
      element('itemref', { idref }),
    ),
    // A file that is linked to has to be in the spine, outside the reading order (EPUB 3.3, 5.7 and 5.4.2).
    ...files.map((_file, index) => element('itemref', { idref: `file-${index + 1}`, linear: 'no' })),
  ];
  const meta = (property: string, value: string) => element('meta', { property }, escapeXml(value));
  return `<?xml version="1.0" encoding="utf-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="${escapeXml(book.language)}">
<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
<dc:identifier id="id">urn:uuid:${escapeXml(book.id)}</dc:identifier>
${titles(book)}
<dc:language>${escapeXml(book.language)}</dc:language>
${authorsOf(book)
  .map((name) => `${element('dc:creator', {}, escapeXml(name))}\n`)
  .join('')}${
    book.description ? `<dc:description>${escapeXml(book.description)}</dc:description>\n` : ''
  }${published(book.publication)}${sourceOfPages(edition)}${meta('dcterms:modified', modified.toISOString().replace(/\.\d+Z$/, 'Z'))}
${accessibility(edition, enclosures.size > 0, withFormulas.size > 0)
  .map(([property, value]) => meta(property, value))
  .join('\n')}
</metadata>
<manifest>
${manifest.join('\n')}
</manifest>
<spine${directionOf(book.language) === 'rtl' ? ' page-progression-direction="rtl"' : ''}>
${spine.join('\n')}
</spine>
</package>
`;
}

/** The title, and the subtitle beside it (EPUB 3.3, 5.5.3.1.2 and D.3.12). */
function titles({ title, subtitle }: { title: string; subtitle: string }): string {
  if (subtitle === '') return element('dc:title', {}, escapeXml(title));
  const typed = (id: string, words: string, type: string) => [
    element('dc:title', { id }, escapeXml(words)),
    element('meta', { refines: `#${id}`, property: 'title-type' }, type),
  ];
  return [...typed('main-title', title, 'main'), ...typed('sub-title', subtitle, 'subtitle')].join('\n');
}

/** The enclosure that the cover shows; `null` where it is drawn of the title. */
export function coverOf({ book, enclosures }: Edition): string | null {
  const id = book.publication?.cover ?? '';
  return PICTURE_EXTENSIONS[enclosures.get(id)?.type ?? ''] ? id : null;
}

/** What is said of the book beside its title (EPUB 3.3, 5.5.3.2). */
function published(publication: Publication = NO_PUBLICATION): string {
  const { publisher, published: date, rights, source, identifiers, subjects, contributors } = publication;
  const lines = (
    [
      ['publisher', [publisher]],
      ['date', [date]],
      ['rights', [rights]],
      ['source', [source]],
      ['identifier', identifiers],
      ['subject', subjects],
    ] as const
  ).flatMap(([name, all]) => all.filter(Boolean).map((words) => element(`dc:${name}`, {}, escapeXml(words))));
  const took = contributors.flatMap(({ name, role }, index) => {
    const id = `contributor-${index + 1}`;
    const refined = { refines: `#${id}`, property: 'role', scheme: 'marc:relators' };
    return [
      element('dc:contributor', { id }, escapeXml(name)),
      ...(role ? [element('meta', refined, role)] : []),
    ];
  });
  return [...lines, ...took].map((line) => `${line}\n`).join('');
}

/** The printed book whose pages are listed, by its ISBN (EPUB Accessibility 1.1, 3.4.2). */
function sourceOfPages({ pages, book }: Edition): string {
  const isbn = book.publication?.identifiers
    .map((identifier) => identifier.replace(/^(?:urn:)?isbn[: ]?/i, '').replace(/[\s-]/g, ''))
    .find((digits) => /^97[89]\d{10}$/.test(digits));
  if (pages.size === 0 || !isbn) return '';
  const source = element('dc:source', { id: 'pages-of' }, `urn:isbn:${isbn}`);
  return `${source}\n${element('meta', { refines: '#pages-of', property: 'source-of' }, 'pagination')}\n`;
}

/** Web pages that are enclosed as files are no content documents of this book, so they are not declared as such. */
function mediaType(type: string): string {
  return /html/.test(type) ? 'application/octet-stream' : type;
}
