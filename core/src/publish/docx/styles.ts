import type { LinkLook } from '../../manuscript/index.js';
import { element } from '../markup/xml.js';
import { HEADER, NAMESPACES } from './package.js';

interface StyleSaid {
  id: string;
  name: string;
  /** Properties of paragraphs and of words. */
  paragraph?: string;
  words?: string;
  basedOn?: string;
  next?: string;
}

const paragraphStyle = ({
  id,
  name,
  paragraph = '',
  words = '',
  basedOn = 'Normal',
  next,
}: StyleSaid): string =>
  `<w:style w:type="paragraph"${id === 'Normal' ? ' w:default="1"' : ''} w:styleId="${id}"><w:name w:val="${name}"/>${
    id === 'Normal' ? '' : `<w:basedOn w:val="${basedOn}"/>`
  }${next ? `<w:next w:val="${next}"/>` : ''}<w:qFormat/>${paragraph && `<w:pPr>${paragraph}</w:pPr>`}${words && `<w:rPr>${words}</w:rPr>`}</w:style>`;

const wordStyle = (id: string, name: string, words: string): string =>
  `<w:style w:type="character" w:styleId="${id}"><w:name w:val="${name}"/><w:qFormat/>${words && `<w:rPr>${words}</w:rPr>`}</w:style>`;

const SIZES = [36, 30, 26, 24, 22, 22];

const heading = (level: number, isCounted: boolean): string =>
  paragraphStyle({
    id: `Heading${level}`,
    name: `heading ${level}`,
    next: 'Normal',
    paragraph: `<w:keepNext/><w:keepLines/>${
      isCounted ? `<w:numPr><w:ilvl w:val="${level - 1}"/><w:numId w:val="1"/></w:numPr>` : ''
    }<w:spacing w:before="${480 - 40 * level}" w:after="120"/><w:outlineLvl w:val="${level - 1}"/>`,
    words: `<w:b/><w:sz w:val="${SIZES[level - 1] ?? 22}"/>`,
  });

/** A look of links as properties of words. */
export const lookOfLinks = ({ light, underline, weight }: LinkLook): string =>
  `${weight === 'strong' ? '<w:b/>' : ''}<w:color w:val="${light.slice(1)}"/><w:u w:val="${
    { solid: 'single', dotted: 'dotted', none: 'none' }[underline]
  }"/>`;

/** The styles of a document, by the names that every word processor knows them by (ECMA-376-1, 17.7.4.9 and Annex). */
export function stylesXml(language: string, look: LinkLook, isCounted: boolean): string {
  const one = 567;
  const styles = [
    paragraphStyle({
      id: 'Normal',
      name: 'Normal',
      paragraph: '<w:spacing w:after="160" w:line="276" w:lineRule="auto"/>',
    }),
    paragraphStyle({
      id: 'Title',
      name: 'Title',
      next: 'Normal',
      paragraph: '<w:spacing w:before="2400" w:after="240"/><w:jc w:val="center"/>',
      words: '<w:sz w:val="56"/>',
    }),
    paragraphStyle({
      id: 'Subtitle',
      name: 'Subtitle',
      next: 'Normal',
      paragraph: '<w:jc w:val="center"/>',
      words: '<w:sz w:val="30"/>',
    }),
    paragraphStyle({ id: 'Author', name: 'Author', next: 'Normal', paragraph: '<w:jc w:val="center"/>' }),
    ...[1, 2, 3, 4, 5, 6].map((level) => heading(level, isCounted)),
    paragraphStyle({ id: 'Quote', name: 'Quote', paragraph: `<w:ind w:left="${one}" w:right="${one}"/>` }),
    paragraphStyle({
      id: 'HTMLPreformatted',
      name: 'HTML Preformatted',
      paragraph: '<w:spacing w:line="240" w:lineRule="auto"/>',
      words: '<w:rFonts w:ascii="Courier New" w:hAnsi="Courier New" w:cs="Courier New"/><w:sz w:val="20"/>',
    }),
    paragraphStyle({
      id: 'Caption',
      name: 'caption',
      paragraph: '<w:spacing w:after="200"/>',
      words: '<w:i/><w:sz w:val="20"/>',
    }),
    paragraphStyle({ id: 'Credit', name: 'Credit', words: '<w:sz w:val="18"/>' }),
    paragraphStyle({ id: 'Room', name: 'Room' }),
    paragraphStyle({
      id: 'RoomRuled',
      name: 'Room Ruled',
      // A line between paragraphs of one look, and one below the last (ECMA-376-1, 17.3.1.5).
      paragraph:
        '<w:pBdr><w:bottom w:val="single" w:sz="4" w:space="0" w:color="808080"/><w:between w:val="single" w:sz="4" w:space="0" w:color="808080"/></w:pBdr>',
    }),
    paragraphStyle({
      id: 'DefinitionTerm',
      name: 'Definition Term',
      next: 'Definition',
      paragraph: '<w:keepNext/><w:spacing w:after="40"/>',
      words: '<w:b/>',
    }),
    paragraphStyle({ id: 'Definition', name: 'Definition', paragraph: `<w:ind w:left="${one}"/>` }),
    paragraphStyle({
      id: 'FootnoteText',
      name: 'footnote text',
      paragraph: '<w:spacing w:after="60" w:line="240" w:lineRule="auto"/>',
      words: '<w:sz w:val="20"/>',
    }),
    paragraphStyle({
      id: 'TOCHeading',
      name: 'TOC Heading',
      paragraph: '<w:keepNext/><w:spacing w:before="480" w:after="120"/>',
      words: '<w:b/><w:sz w:val="36"/>',
    }),
    ...[1, 2, 3, 4, 5, 6].map((level) =>
      paragraphStyle({
        id: `TOC${level}`,
        name: `toc ${level}`,
        paragraph: `<w:tabs><w:tab w:val="right" w:leader="dot" w:pos="9062"/></w:tabs><w:spacing w:after="60"/><w:ind w:left="${(level - 1) * 240}"/>`,
      }),
    ),
    ...[1, 2, 3, 4, 5].map((level) =>
      paragraphStyle({
        id: level === 1 ? 'ListContinue' : `ListContinue${level}`,
        name: level === 1 ? 'List Continue' : `List Continue ${level}`,
        paragraph: `<w:ind w:left="${level * one}"/>`,
      }),
    ),
    wordStyle('Hyperlink', 'Hyperlink', lookOfLinks(look)),
    ...(look.visited
      ? [wordStyle('FollowedHyperlink', 'FollowedHyperlink', lookOfLinks({ ...look, ...look.visited }))]
      : []),
    wordStyle(
      'HTMLCode',
      'HTML Code',
      '<w:rFonts w:ascii="Courier New" w:hAnsi="Courier New" w:cs="Courier New"/>',
    ),
    wordStyle('FootnoteReference', 'footnote reference', '<w:vertAlign w:val="superscript"/>'),
  ];
  const defaults = `<w:docDefaults><w:rPrDefault><w:rPr><w:rFonts w:ascii="Georgia" w:hAnsi="Georgia" w:cs="Times New Roman"/><w:sz w:val="22"/>${languageXml(language)}</w:rPr></w:rPrDefault><w:pPrDefault/></w:docDefaults>`;
  return `${HEADER}${element('w:styles', { 'xmlns:w': NAMESPACES['xmlns:w'] }, defaults + styles.join(''))}`;
}

/** A language for words of every script. */
export const languageXml = (tag: string): string =>
  element('w:lang', { 'w:val': tag, 'w:eastAsia': tag, 'w:bidi': tag });
