import { strToU8, zipSync, type Zippable } from 'fflate';
import type { Edition } from '../edition/edition.js';
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
    ...[...writer.media.keys()].map((path) => entry(path, MEDIA[path.split('.').at(-1) ?? ''] ?? '')),
  ];
  files['META-INF/manifest.xml'] = `${HEADER}${element(
    'manifest:manifest',
    { 'xmlns:manifest': 'urn:oasis:names:tc:opendocument:xmlns:manifest:1.0', 'manifest:version': '1.3' },
    entries.join(''),
  )}`;
  const mtime = new Date(Math.max(modified.getTime(), Date.UTC(1980, 0, 2)));
  const zipped: Zippable = { mimetype: [strToU8(`${KIND}.text`), { level: 0, mtime }] };
  for (const [path, written] of Object.entries(files)) zipped[path] = [strToU8(written), { level: 6, mtime }];
  for (const [path, bytes] of writer.media) zipped[path] = [bytes, { level: 0, mtime }];
  return zipSync(zipped);
}

const MEDIA: Record<string, string> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  gif: 'image/gif',
  svg: 'image/svg+xml',
};

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
