import { archiveOf, packedTexts, storedFiles } from '../edition/archive.js';
import { PICTURE_EXTENSIONS, type Edition } from '../edition/edition.js';
import { element, escapeXml } from '../markup/xml.js';
import { HEADER, NAMESPACES, stylesXml } from './styles.js';
import { TextWriter } from './writer.js';

const KIND = 'application/vnd.oasis.opendocument';

/** Makes a text document of a book (ISO/IEC 26300, OpenDocument 1.3). */
export function makeOdt(edition: Edition, { modified }: { modified: Date }): Uint8Array {
  const { book } = edition;
  const writer = new TextWriter(edition);
  const body = writer.body();
  const files: Record<string, string> = {
    'content.xml': `${HEADER}${element(
      'office:document-content',
      { ...NAMESPACES, 'office:version': '1.3' },
      `<office:automatic-styles>${writer.automaticStyles()}</office:automatic-styles><office:body><office:text>${body}</office:text></office:body>`,
    )}`,
    'styles.xml': stylesXml(book.language, book.look, book.structure.numbering === 'decimal', {
      count: book.structure.notes.count,
      areEndnotes: writer.areEndnotes,
    }),
    'meta.xml': metaXml(edition, modified),
  };
  writer.formulas.forEach((mathml, at) => {
    files[`Object ${at + 1}/content.xml`] = HEADER + mathml;
  });
  const entries = [
    entry('/', `${KIND}.text`),
    ...Object.keys(files).map((path) => entry(path, 'text/xml')),
    ...writer.formulas.map((_formula, at) => entry(`Object ${at + 1}/`, `${KIND}.formula`)),
    ...[...writer.media.keys()].map((path) => entry(path, pictureType(path))),
  ];
  files['META-INF/manifest.xml'] = `${HEADER}${element(
    'manifest:manifest',
    { 'xmlns:manifest': 'urn:oasis:names:tc:opendocument:xmlns:manifest:1.0', 'manifest:version': '1.3' },
    entries.join(''),
  )}`;
  return archiveOf(
    [['mimetype', `${KIND}.text`, 'stored'], ...packedTexts(files), ...storedFiles(writer.media)],
    modified,
  );
}

/** The type of a picture, by its path. */
const pictureType = (path: string): string =>
  Object.entries(PICTURE_EXTENSIONS).find(([, extension]) => path.endsWith(`.${extension}`))?.[0] ?? '';

const entry = (path: string, type: string): string =>
  element('manifest:file-entry', {
    'manifest:full-path': path,
    'manifest:media-type': type,
    'manifest:version': path === '/' ? '1.3' : null,
  });

function metaXml({ book }: Edition, modified: Date): string {
  const time = modified.toISOString().slice(0, 19);
  const fields: [string, string][] = [
    ['dc:title', book.title],
    ['meta:initial-creator', book.author],
    ['dc:creator', book.author],
    ['dc:description', book.description],
    ['dc:language', book.language],
    ...(book.publication?.subjects ?? []).map((subject): [string, string] => ['meta:keyword', subject]),
    ['meta:creation-date', time],
    ['dc:date', time],
  ];
  const written = fields
    .filter(([, words]) => words !== '')
    .map(([name, words]) => `<${name}>${escapeXml(words)}</${name}>`);
  return `${HEADER}${element('office:document-meta', { ...NAMESPACES, 'office:version': '1.3' }, `<office:meta>${written.join('')}</office:meta>`)}`;
}
