import { zip } from './zip.js';

const WORD = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const NAMESPACES = `${WORD} xmlns:r="${OFFICE}" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture" xmlns:wps="http://schemas.microsoft.com/office/word/2010/wordprocessingShape" xmlns:m="http://schemas.openxmlformats.org/officeDocument/2006/math" xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006"`;

const relations = (targets: Record<string, [type: string, target: string, isOutside?: boolean]>): string =>
  `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${Object.entries(
    targets,
  )
    .map(
      ([id, [type, target, isOutside]]) =>
        `<Relationship Id="${id}" Type="${OFFICE}/${type}" Target="${target}"${isOutside ? ' TargetMode="External"' : ''}/>`,
    )
    .join('')}</Relationships>`;

interface DocxParts {
  /** Where links lead, by the ids of their relations. */
  links?: Record<string, string>;
  styles?: string;
  numbering?: string;
  footnotes?: string;
  comments?: string;
  settings?: string;
  more?: Record<string, string | Uint8Array>;
}

/** A small DOCX by hand: the content of `w:body`, and of its other parts. */
export function docxOf(body: string, { links = {}, more = {}, ...parts }: DocxParts = {}): Uint8Array {
  const roots: Record<string, string> = {
    styles: 'styles',
    numbering: 'numbering',
    footnotes: 'footnotes',
    comments: 'comments',
    settings: 'settings',
  };
  const given = Object.entries(parts).filter((part): part is [string, string] => typeof part[1] === 'string');
  const all: Record<string, [string, string, boolean?]> = {
    ...Object.fromEntries(Object.entries(links).map(([id, href]) => [id, ['hyperlink', href, true]])),
    ...Object.fromEntries(given.map(([name]) => [`part-${name}`, [name, `${name}.xml`]])),
    picture: ['image', 'media/lamp.png'],
  };
  return zip({
    '[Content_Types].xml': '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
    '_rels/.rels': relations({ main: ['officeDocument', 'word/document.xml'] }),
    'word/document.xml': `<w:document ${NAMESPACES}><w:body>${body}</w:body></w:document>`,
    'word/_rels/document.xml.rels': relations(all),
    ...Object.fromEntries(
      given.map(([name, content]) => [
        `word/${name}.xml`,
        `<w:${roots[name]} ${NAMESPACES}>${content}</w:${roots[name]}>`,
      ]),
    ),
    ...more,
  });
}

const OPEN = ['office', 'style', 'text', 'table', 'drawing'].map(
  (name) => `xmlns:${name === 'drawing' ? 'draw' : name}="urn:oasis:names:tc:opendocument:xmlns:${name}:1.0"`,
);
const ODF = `${OPEN.join(' ')} xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:dc="http://purl.org/dc/elements/1.1/"`;

/** A small ODT by hand: the content of `office:text`, and its styles. */
export function odtOf(
  text: string,
  {
    automatic = '',
    styles = '',
    more = {},
  }: { automatic?: string; styles?: string; more?: Record<string, string | Uint8Array> } = {},
): Uint8Array {
  return zip({
    mimetype: 'application/vnd.oasis.opendocument.text',
    'content.xml': `<office:document-content ${ODF}><office:automatic-styles>${automatic}</office:automatic-styles><office:body><office:text>${text}</office:text></office:body></office:document-content>`,
    'styles.xml': `<office:document-styles ${ODF}><office:styles>${styles}</office:styles></office:document-styles>`,
    ...more,
  });
}
