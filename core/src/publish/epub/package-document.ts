import type { BookDetails } from '../../manuscript/index.js';
import { filesInside, type Edition, type EnclosureFile } from '../edition/edition.js';
import type { BackPage, EpubPage } from './epub.js';
import { linkStyles, looksOf } from '../markup/looks.js';
import { element, escapeXml } from '../markup/xml.js';

/** The package document: metadata (EPUB 3.3 and EPUB Accessibility 1.1), manifest and spine. */
export function packageDocument(
  edition: Edition,
  pages: EpubPage[],
  enclosures: Map<string, EnclosureFile>,
  more: readonly BackPage[],
  modified: Date,
): string {
  const { book } = edition;
  const item = (id: string, href: string, type: string, more: Record<string, string> = {}) =>
    element('item', { id, href, 'media-type': type, ...more });
  const xhtml = 'application/xhtml+xml';
  const files = filesInside(edition);
  const manifest = [
    item('nav', 'nav.xhtml', xhtml, { properties: 'nav' }),
    item('cover', 'cover.svg', 'image/svg+xml', { properties: 'cover-image' }),
    item('css', 'book.css', 'text/css'),
    item('title', 'title.xhtml', xhtml),
    ...pages.map(({ file }) => item(file.replace('.xhtml', ''), file, xhtml)),
    ...more.map(({ name }) => item(name, `${name}.xhtml`, xhtml)),
    ...[...enclosures].map(([path, file], index) => item(`picture-${index + 1}`, path, file.type)),
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
<dc:title>${escapeXml([book.title, book.subtitle].filter(Boolean).join(': '))}</dc:title>
<dc:language>${escapeXml(book.language)}</dc:language>
${book.author ? `<dc:creator>${escapeXml(book.author)}</dc:creator>\n` : ''}${
    book.description ? `<dc:description>${escapeXml(book.description)}</dc:description>\n` : ''
  }${meta('dcterms:modified', modified.toISOString().replace(/\.\d+Z$/, 'Z'))}
${accessibility(edition, enclosures.size > 0)
  .map(([property, value]) => meta(property, value))
  .join('\n')}
</metadata>
<manifest>
${manifest.join('\n')}
</manifest>
<spine>
${spine.join('\n')}
</spine>
</package>
`;
}

/** Web pages that are enclosed as files are no content documents of this book, so they are not declared as such. */
function mediaType(type: string): string {
  return /html/.test(type) ? 'application/octet-stream' : type;
}

/** What the file says of its accessibility: only what is so in every book that Vennet makes, or checked here. */
function accessibility(edition: Edition, hasPictures: boolean): [string, string][] {
  const described = !edition.book.chapters.some(({ doc }) => {
    let bare = false;
    doc.descendants((node) => {
      bare ||=
        (node.type.name === 'figure' || node.type.name === 'picture') &&
        !node.attrs.decorative &&
        !node.attrs.alt;
    });
    return bare;
  });
  return [
    ['schema:accessMode', 'textual'],
    ...(hasPictures ? [['schema:accessMode', 'visual'] as [string, string]] : []),
    ...(described ? [['schema:accessModeSufficient', 'textual'] as [string, string]] : []),
    ...[
      'structuralNavigation',
      'tableOfContents',
      'readingOrder',
      ...(described && hasPictures ? ['alternativeText'] : []),
    ].map((feature): [string, string] => ['schema:accessibilityFeature', feature]),
    ['schema:accessibilityHazard', 'none'],
    [
      'schema:accessibilitySummary',
      described
        ? 'Headings, contents and links can be followed in order, and every picture is described in words.'
        : 'Headings, contents and links can be followed in order. Some pictures are not described in words.',
    ],
  ];
}

/** The look of the pages; the links look as the book says, on light and on dark pages. */
export function stylesheet(edition: Edition): string {
  return `@charset "utf-8";
body { line-height: 1.5; margin: 0 5%; }
${contentStyles(edition)}
.title { margin-top: 25%; }
.title, .subtitle, .author { text-align: center; }
`;
}

/** What the text of a book looks like, in an e-book and on a web page. */
export function contentStyles(edition: Edition): string {
  return `h1, h2, h3, h4, h5, h6 { line-height: 1.25; hyphens: none; page-break-after: avoid; }
img { max-width: 100%; height: auto; }
figure { margin: 1.5em 0; text-align: center; page-break-inside: avoid; }
figcaption, caption { font-size: 0.9em; margin: 0.5em 0; text-align: left; }
blockquote { margin: 1em 1.5em; }
pre { white-space: pre-wrap; font-size: 0.9em; }
table { border-collapse: collapse; margin: 1em 0; }
th, td { border-bottom: 1px solid currentColor; padding: 0.25em 0.6em; text-align: left; vertical-align: top; }
.with-book dt { font-weight: bold; margin-top: 0.8em; }
.notes { margin-top: 2.5em; border-top: 1px solid currentColor; font-size: 0.92em; }
.notes p { margin: 0.3em 0; }
sup { line-height: 1; }
.contents ul { list-style: none; padding-left: 1.2em; }
.contents > ul { padding-left: 0; }
${linkStyles(edition.book.look, looksOf(edition))}`;
}

/** A cover drawn from the title: 1,600 by 2,400 units, the words wrapped by their count of characters. */
export function coverDrawing(book: BookDetails): string {
  const title = wrap(book.title, 16).slice(0, 7);
  const subtitle = wrap(book.subtitle, 38).slice(0, 4);
  const line = (words: string, y: number, size: number) =>
    element(
      'text',
      { x: '800', y: String(y), 'font-size': String(size), 'text-anchor': 'middle' },
      escapeXml(words),
    );
  const titleLines = title.map((words, index) => line(words, 760 + index * 170, 140));
  const below = 760 + title.length * 170;
  const subtitleLines = subtitle.map((words, index) => line(words, below + index * 76, 60));
  return `<?xml version="1.0" encoding="utf-8"?>
<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1600 2400" width="1600" height="2400">
<title>${escapeXml(book.title)}</title>
<rect width="1600" height="2400" fill="#f4ecdc"/>
<rect x="90" y="90" width="1420" height="2220" fill="none" stroke="#12343b" stroke-width="6"/>
<path d="M800 300 L800 520 M690 410 L910 410 M722 332 L878 488 M878 332 L722 488" stroke="#b5651d" stroke-width="10"/>
<g fill="#12343b" font-family="Literata, Georgia, serif">
${[...titleLines, ...subtitleLines, ...(book.author ? [line(book.author, 2180, 72)] : [])].join('\n')}
</g>
</svg>
`;
}

function wrap(words: string, width: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= width)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
