import { element } from '../markup/xml.js';
import { HEADER, NAMESPACES } from './package.js';

/** The deepest level of a list (ECMA-376-1, 17.9.3). */
export const DEEPEST = 8;

const level = (at: number, format: string, text: string, heading: boolean): string =>
  `<w:lvl w:ilvl="${at}"><w:start w:val="1"/><w:numFmt w:val="${format}"/>${
    heading ? `<w:pStyle w:val="Heading${at + 1}"/>` : ''
  }<w:lvlText w:val="${text}"/><w:lvlJc w:val="left"/><w:pPr><w:ind w:left="${heading ? 0 : (at + 1) * 567}" w:hanging="${heading ? 0 : 360}"/></w:pPr></w:lvl>`;

const NINE = Array.from({ length: DEEPEST + 1 }, (_, at) => at);
const numbersTo = (at: number): string =>
  NINE.slice(0, at + 1)
    .map((one) => `%${one + 1}`)
    .join('.');

/** The lists of a document: that of its headings, and one for each list of the text. */
export class Lists {
  readonly #lists: string[] = [];

  /** The number of a new list. */
  add(ordered: boolean, at: number, start: number): number {
    const number = this.#lists.length + 2;
    // A list of its own counts from its own start.
    const own = ordered
      ? `<w:lvlOverride w:ilvl="${at}"><w:startOverride w:val="${start}"/></w:lvlOverride>`
      : '';
    this.#lists.push(
      `<w:num w:numId="${number}"><w:abstractNumId w:val="${ordered ? 2 : 1}"/>${own}</w:num>`,
    );
    return number;
  }

  xml(): string {
    const kinds = [
      NINE.slice(0, 6).map((at) => level(at, 'decimal', numbersTo(at), true)),
      NINE.map((at) => level(at, 'bullet', '•', false)),
      NINE.map((at) => level(at, 'decimal', `%${at + 1}.`, false)),
    ].map(
      (levels, id) =>
        `<w:abstractNum w:abstractNumId="${id}"><w:multiLevelType w:val="multilevel"/>${levels.join('')}</w:abstractNum>`,
    );
    const headings = '<w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num>';
    return `${HEADER}${element('w:numbering', { 'xmlns:w': NAMESPACES['xmlns:w'] }, kinds.join('') + headings + this.#lists.join(''))}`;
  }
}
