import { MATHML, readTree, writtenPart, type Part } from './xml-tree.js';

/** Longer formulas, in UTF-16 units of their MathML, stay words. */
export const LONGEST_FORMULA = 50_000;

const names = (text: string): ReadonlySet<string> => new Set(text.trim().split(/\s+/));

/** What a formula may consist of (MathML Core, 2.1 to 3.7, and of MathML 3 what reading programs still show). */
const ELEMENTS =
  names(`math mrow mi mn mo ms mtext mspace msup msub msubsup munder mover munderover mmultiscripts
  mprescripts none mfrac msqrt mroot mtable mtr mtd mlabeledtr mfenced mstyle merror mpadded mphantom menclose`);
const ATTRIBUTES =
  names(`display mathvariant dir linethickness stretchy fence separator form accent accentunder
  columnalign rowspan columnspan displaystyle scriptlevel lspace rspace largeop movablelimits symmetric minsize maxsize
  notation open close separators width height depth voffset`);

/** A formula as a book keeps it. */
export interface Formula {
  /** One `math` element that holds what is allowed and nothing else. */
  mathml: string;
  /** Its signs in reading order, or what its maker says of it. */
  words: string;
}

/** Reads MathML of any maker; `null` for what is none, holds no signs, or is too long to be kept. */
export function readFormula(text: string): Formula | null {
  const root = partsOfFormula(text);
  const words = root ? signsOf(root) : '';
  if (!root || words === '') return null;
  const mathml = writtenPart({ ...root, attributes: { xmlns: MATHML, ...root.attributes } });
  return mathml.length > LONGEST_FORMULA ? null : { mathml, words };
}

/** The parts of a formula, as far as they are allowed; of several renderings (`semantics`) the first. */
export function partsOfFormula(text: string): Part | null {
  let root: Part | null = null;
  try {
    root = readTree(text, MATHML, ({ namespace, name }, attributes) => {
      if (namespace !== MATHML) return null;
      const isKnown = ELEMENTS.has(name);
      if (!isKnown && !['semantics', 'maction'].includes(name)) return null;
      const given = attributes.filter((one) => one.namespace === '' && ATTRIBUTES.has(one.name));
      return {
        name,
        attributes: Object.fromEntries(given.map((one) => [one.name, one.value])),
        children: [],
      };
    });
  } catch {
    return null;
  }
  return root?.name === 'math' ? withoutChoices(root) : null;
}

/** What has several renderings is its first one. White space between elements says nothing. */
function withoutChoices(part: Part): Part {
  const isToken = TOKENS.has(part.name);
  const children = part.children.flatMap((child): (Part | string)[] => {
    if (typeof child === 'string') return isToken ? [child.replace(/\s+/g, ' ')] : [];
    if (child.name !== 'semantics' && child.name !== 'maction') return [withoutChoices(child)];
    const [first] = child.children.filter((one): one is Part => typeof one !== 'string');
    return first ? withoutChoices({ name: 'mrow', attributes: {}, children: [first] }).children : [];
  });
  return { ...part, children };
}

/** Elements that hold text (MathML Core, 3.2). */
const TOKENS = names('mi mn mo ms mtext');

/** The signs of a formula in the order of its MathML, with one space between them. */
export const signsOf = (part: Part): string =>
  part.children
    .map((child) => (typeof child === 'string' ? child : signsOf(child)))
    .join(' ')
    .replace(/[\s\u2061-\u2064]+/g, ' ')
    .trim();
