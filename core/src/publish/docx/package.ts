import { archiveOf, packedTexts, storedFiles } from '../edition/archive.js';
import { PICTURE_EXTENSIONS } from '../edition/edition.js';
import { element, escapeXml } from '../markup/xml.js';

const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const WORD = 'application/vnd.openxmlformats-officedocument.wordprocessingml';

export const NAMESPACES = {
  'xmlns:w': 'http://schemas.openxmlformats.org/wordprocessingml/2006/main',
  'xmlns:r': OFFICE,
  'xmlns:wp': 'http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing',
  'xmlns:a': 'http://schemas.openxmlformats.org/drawingml/2006/main',
  'xmlns:pic': 'http://schemas.openxmlformats.org/drawingml/2006/picture',
  'xmlns:m': 'http://schemas.openxmlformats.org/officeDocument/2006/math',
  'xmlns:asvg': 'http://schemas.microsoft.com/office/drawing/2016/SVG/main',
  'xmlns:adec': 'http://schemas.microsoft.com/office/drawing/2017/decorative',
};

export const HEADER = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';

/** What one part of a document is related to; the same address is named once. */
export class Relations {
  readonly #ids = new Map<string, string>();
  readonly #written: string[] = [];

  /** The id of a relation to something outside (an address) or to a part. */
  to(type: string, target: string, isOutside: boolean): string {
    const key = `${type}\n${target}`;
    const known = this.#ids.get(key);
    if (known) return known;
    const id = `rId${this.#ids.size + 1}`;
    this.#ids.set(key, id);
    this.#written.push(
      element('Relationship', {
        Id: id,
        Type: `${OFFICE}/${type}`,
        Target: target,
        TargetMode: isOutside ? 'External' : null,
      }),
    );
    return id;
  }

  xml(): string {
    return `${HEADER}${element('Relationships', { xmlns: `${PACKAGE}/relationships` }, this.#written.join(''))}`;
  }
}

/** The parts of a document by their paths below `word/`, and its pictures. */
export interface Parts {
  xml: Record<string, string>;
  media: ReadonlyMap<string, Uint8Array>;
  /** Dublin Core of the document. */
  core: Record<string, string>;
}

const PARTS: Record<string, string> = {
  'document.xml': 'document.main',
  'styles.xml': 'styles',
  'settings.xml': 'settings',
  'numbering.xml': 'numbering',
  'footnotes.xml': 'footnotes',
  'endnotes.xml': 'endnotes',
};

/** The package of a document (ECMA-376-2). */
export function packageOf({ xml, media, core }: Parts, modified: Date): Uint8Array {
  const defaults = [
    ['rels', 'application/vnd.openxmlformats-package.relationships+xml'],
    ['xml', 'application/xml'],
    ...Object.entries(PICTURE_EXTENSIONS).map(([type, extension]) => [extension, type]),
  ].map(([Extension = '', ContentType = '']) => element('Default', { Extension, ContentType }));
  const overrides = Object.entries(PARTS)
    .filter(([path]) => xml[path] !== undefined)
    .map(([path, kind]) =>
      element('Override', { PartName: `/word/${path}`, ContentType: `${WORD}.${kind}+xml` }),
    );
  overrides.push(
    element('Override', {
      PartName: '/docProps/core.xml',
      ContentType: 'application/vnd.openxmlformats-package.core-properties+xml',
    }),
  );
  const root = [
    element('Relationship', { Id: 'rId1', Type: `${OFFICE}/officeDocument`, Target: 'word/document.xml' }),
    element('Relationship', {
      Id: 'rId2',
      Type: `${PACKAGE}/relationships/metadata/core-properties`,
      Target: 'docProps/core.xml',
    }),
  ];
  const files: Record<string, string> = {
    '[Content_Types].xml': `${HEADER}${element('Types', { xmlns: `${PACKAGE}/content-types` }, [...defaults, ...overrides].join(''))}`,
    '_rels/.rels': `${HEADER}${element('Relationships', { xmlns: `${PACKAGE}/relationships` }, root.join(''))}`,
    'docProps/core.xml': coreProperties(core, modified),
  };
  return archiveOf(
    [...packedTexts(files), ...packedTexts(xml, 'word/'), ...storedFiles(media, 'word/')],
    modified,
  );
}

function coreProperties(said: Record<string, string>, modified: Date): string {
  const time = `${modified.toISOString().slice(0, 19)}Z`;
  const stamp = (name: string) => `<dcterms:${name} xsi:type="dcterms:W3CDTF">${time}</dcterms:${name}>`;
  const fields = Object.entries(said)
    .filter(([, words]) => words !== '')
    .map(([name, words]) => `<${name}>${escapeXml(words)}</${name}>`);
  const namespaces = {
    'xmlns:cp': `${PACKAGE}/metadata/core-properties`,
    'xmlns:dc': 'http://purl.org/dc/elements/1.1/',
    'xmlns:dcterms': 'http://purl.org/dc/terms/',
    'xmlns:xsi': 'http://www.w3.org/2001/XMLSchema-instance',
  };
  return `${HEADER}${element('cp:coreProperties', namespaces, [...fields, stamp('created'), stamp('modified')].join(''))}`;
}
