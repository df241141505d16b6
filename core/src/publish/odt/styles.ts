import { primaryOf } from '../../language/index.js';
import type { LinkLook } from '../../manuscript/index.js';
import { element } from '../markup/xml.js';

export const NAMESPACES = {
  'xmlns:office': 'urn:oasis:names:tc:opendocument:xmlns:office:1.0',
  'xmlns:style': 'urn:oasis:names:tc:opendocument:xmlns:style:1.0',
  'xmlns:text': 'urn:oasis:names:tc:opendocument:xmlns:text:1.0',
  'xmlns:table': 'urn:oasis:names:tc:opendocument:xmlns:table:1.0',
  'xmlns:draw': 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0',
  'xmlns:fo': 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0',
  'xmlns:svg': 'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0',
  'xmlns:xlink': 'http://www.w3.org/1999/xlink',
  'xmlns:meta': 'urn:oasis:names:tc:opendocument:xmlns:meta:1.0',
  'xmlns:dc': 'http://purl.org/dc/elements/1.1/',
  'xmlns:loext': 'urn:org:documentfoundation:names:experimental:office:xmlns:loext:1.0',
};

export const HEADER = '<?xml version="1.0" encoding="UTF-8"?>\n';
const LEVELS = Array.from({ length: 10 }, (_, at) => at + 1);
const MONOSPACED =
  'style:font-name="Courier New" fo:font-family="\'Courier New\'" style:font-family-generic="modern" style:font-pitch="fixed"';

const paragraph = (name: string, { parent = 'Standard', of = '', words = '', more = '' } = {}): string =>
  `<style:style style:name="${coded(name)}" style:display-name="${name}" style:family="paragraph"${
    name === 'Standard' ? '' : ` style:parent-style-name="${coded(parent)}"`
  }${more}>${of && `<style:paragraph-properties ${of}/>`}${words && `<style:text-properties ${words}/>`}</style:style>`;

const wording = (name: string, words: string): string =>
  `<style:style style:name="${coded(name)}" style:display-name="${name}" style:family="text"><style:text-properties ${words}/></style:style>`;

/** The name of a style as elements refer to it (ISO/IEC 26300, 16.2). */
export const coded = (name: string): string => name.replace(/ /g, '_20_');

/** A look of links as properties of words. */
export const lookOfLinks = ({ light, underline, weight }: LinkLook): string =>
  `fo:color="${light}" style:text-underline-style="${underline}"${underline === 'none' ? '' : ' style:text-underline-width="auto" style:text-underline-color="font-color"'}${
    weight === 'strong' ? ' fo:font-weight="bold"' : ''
  }`;

/** A language for words of every script (ISO/IEC 26300, 20.187 and 20.189). */
export function languageOf(tag: string): string {
  const language = primaryOf(tag);
  const country = /-([A-Z]{2})\b/.exec(tag)?.[1] ?? 'none';
  return ['fo:language', 'style:language-asian', 'style:language-complex']
    .map((name) => `${name}="${language}" ${name.replace('language', 'country')}="${country}"`)
    .join(' ');
}

/** The styles of a text document, by the names that word processors know them by. */
export function stylesXml(
  language: string,
  look: LinkLook,
  isCounted: boolean,
  notes: { count: 'chapter' | 'book'; areEndnotes: boolean },
): string {
  const sizes = [18, 15, 13, 12, 11, 11];
  const styles = [
    `<style:default-style style:family="paragraph"><style:text-properties fo:font-size="11pt" style:font-name="Georgia" fo:font-family="Georgia" ${languageOf(language)}/></style:default-style>`,
    paragraph('Standard', { of: 'fo:margin-bottom="0.25cm" fo:line-height="120%"' }),
    paragraph('Text body'),
    paragraph('Title', { of: 'fo:text-align="center" fo:margin-top="4cm"', words: 'fo:font-size="28pt"' }),
    paragraph('Subtitle', { of: 'fo:text-align="center"', words: 'fo:font-size="15pt"' }),
    paragraph('Author', { of: 'fo:text-align="center"' }),
    ...sizes.map((size, at) =>
      paragraph(`Heading ${at + 1}`, {
        of: 'fo:keep-with-next="always" fo:margin-top="0.6cm" fo:margin-bottom="0.2cm"',
        words: `fo:font-weight="bold" fo:font-size="${size}pt"`,
        more: ` style:default-outline-level="${at + 1}"`,
      }),
    ),
    paragraph('Contents Heading', {
      of: 'fo:margin-top="0.8cm"',
      words: 'fo:font-weight="bold" fo:font-size="18pt"',
    }),
    ...sizes.map((_size, at) =>
      paragraph(`Contents ${at + 1}`, { of: `fo:margin-left="${at * 0.5}cm" fo:margin-bottom="0.1cm"` }),
    ),
    paragraph('Quotations', { of: 'fo:margin-left="1cm" fo:margin-right="1cm"' }),
    paragraph('Preformatted Text', { words: `${MONOSPACED} fo:font-size="10pt"` }),
    paragraph('Caption', { words: 'fo:font-style="italic" fo:font-size="10pt"' }),
    paragraph('Illustration', { parent: 'Caption' }),
    paragraph('Credit', { words: 'fo:font-size="9pt"' }),
    paragraph('Room'),
    paragraph('Room Ruled', { of: 'fo:border-bottom="0.5pt solid #808080"' }),
    paragraph('Table', { parent: 'Caption', of: 'fo:keep-with-next="always"' }),
    paragraph('Definition Term', { of: 'fo:keep-with-next="always"', words: 'fo:font-weight="bold"' }),
    paragraph('Definition', { of: 'fo:margin-left="1cm"' }),
    paragraph('Horizontal Line', { of: 'fo:border-bottom="0.5pt solid #000000" fo:margin-bottom="0.5cm"' }),
    paragraph('Footnote', { words: 'fo:font-size="9pt"' }),
    wording('Internet Link', lookOfLinks(look)),
    ...(look.visited ? [wording('Visited Internet Link', lookOfLinks({ ...look, ...look.visited }))] : []),
    wording('Strong Emphasis', 'fo:font-weight="bold"'),
    wording('Emphasis', 'fo:font-style="italic"'),
    wording('Source Text', MONOSPACED),
    wording('Raised', 'style:text-position="super 58%"'),
    wording('Struck', 'style:text-line-through-style="solid" style:text-line-through-type="single"'),
    wording('Small Capitals', 'fo:font-variant="small-caps"'),
    wording('Lowered', 'style:text-position="sub 58%"'),
    outline(isCounted),
    list(
      'Bullets',
      (level) => `<text:list-level-style-bullet text:level="${level}" text:bullet-char="•">`,
      'bullet',
    ),
    list(
      'Numbers',
      (level) =>
        `<text:list-level-style-number text:level="${level}" style:num-format="1" style:num-suffix=".">`,
      'number',
    ),
    ...['footnote', 'endnote'].map(
      (kind) =>
        `<text:notes-configuration text:note-class="${kind}" style:num-format="1" text:start-numbering-at="${
          notes.count === 'chapter' ? 'chapter' : 'document'
        }"/>`,
    ),
  ];
  const page =
    '<style:page-layout style:name="page"><style:page-layout-properties fo:page-width="21cm" fo:page-height="29.7cm" fo:margin-top="2.5cm" fo:margin-bottom="2.5cm" fo:margin-left="2.5cm" fo:margin-right="2.5cm"/></style:page-layout>';
  return `${HEADER}${element(
    'office:document-styles',
    { ...NAMESPACES, 'office:version': '1.3' },
    `<office:styles>${styles.join('')}</office:styles><office:automatic-styles>${page}</office:automatic-styles><office:master-styles><style:master-page style:name="Standard" style:page-layout-name="page"/></office:master-styles>`,
  )}`;
}

const outline = (isCounted: boolean): string =>
  `<text:outline-style style:name="Outline">${LEVELS.map(
    (level) =>
      `<text:outline-level-style text:level="${level}" style:num-format="${isCounted ? '1' : ''}" text:display-levels="${isCounted ? level : 1}" style:num-suffix="${isCounted ? ' ' : ''}"/>`,
  ).join('')}</text:outline-style>`;

const list = (name: string, opens: (level: number) => string, kind: string): string =>
  `<text:list-style style:name="${name}">${LEVELS.map(
    (level) =>
      `${opens(level)}<style:list-level-properties text:list-level-position-and-space-mode="label-alignment"><style:list-level-label-alignment text:label-followed-by="listtab" fo:text-indent="-0.6cm" fo:margin-left="${level}cm"/></style:list-level-properties></text:list-level-style-${kind}>`,
  ).join('')}</text:list-style>`;
