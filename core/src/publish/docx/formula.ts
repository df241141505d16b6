import { partsOfFormula, type Part } from '../../cleaning/index.js';
import { escapeXml } from '../markup/xml.js';

/** A formula as Office Math (ECMA-376-1, 22.1); what has no counterpart there is a row of its signs. */
export function formulaXml(mathml: string, words: string): string {
  const root = partsOfFormula(mathml);
  const math = `<m:oMath>${root ? row(root) : run(words)}</m:oMath>`;
  return root?.attributes.display === 'block' ? `<m:oMathPara>${math}</m:oMathPara>` : math;
}

const run = (signs: string): string =>
  signs.trim() === '' ? '' : `<m:r><m:t xml:space="preserve">${escapeXml(signs)}</m:t></m:r>`;

const partsIn = ({ children }: Part): Part[] =>
  children.filter((child): child is Part => typeof child !== 'string');
const signsIn = ({ children }: Part): string =>
  children.filter((child) => typeof child === 'string').join('');
const row = (part: Part): string => run(signsIn(part)) + partsIn(part).map(written).join('');

const NAMES: Record<string, [string, ...string[]]> = {
  mfrac: ['f', 'num', 'den'],
  msup: ['sSup', 'e', 'sup'],
  msub: ['sSub', 'e', 'sub'],
  msubsup: ['sSubSup', 'e', 'sub', 'sup'],
  munder: ['limLow', 'e', 'lim'],
  mover: ['limUpp', 'e', 'lim'],
};

function written(part: Part): string {
  const parts = partsIn(part);
  const known = NAMES[part.name];
  if (known) {
    const [name, ...names] = known;
    return `<m:${name}>${names.map((one, at) => `<m:${one}>${within(parts[at])}</m:${one}>`).join('')}</m:${name}>`;
  }
  switch (part.name) {
    case 'msqrt':
      return `<m:rad><m:radPr><m:degHide m:val="1"/></m:radPr><m:deg/><m:e>${row(part)}</m:e></m:rad>`;
    case 'mroot':
      return `<m:rad><m:deg>${within(parts[1])}</m:deg><m:e>${within(parts[0])}</m:e></m:rad>`;
    case 'munderover':
      return `<m:limUpp><m:e><m:limLow><m:e>${within(parts[0])}</m:e><m:lim>${within(parts[1])}</m:lim></m:limLow></m:e><m:lim>${within(parts[2])}</m:lim></m:limUpp>`;
    case 'mtable':
      return `<m:m>${parts
        .map(
          (line) =>
            `<m:mr>${partsIn(line)
              .map((cell) => `<m:e>${row(cell)}</m:e>`)
              .join('')}</m:mr>`,
        )
        .join('')}</m:m>`;
    default:
      return row(part);
  }
}

/** One part where one is wanted: it may be a row of several. */
const within = (part: Part | undefined): string => (part ? written(part) : '');
