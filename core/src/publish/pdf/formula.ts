import { partsOfFormula, type Part } from '../../cleaning/index.js';

/**
 * A formula as the typesetter's template reads it: by kinds, each with what it consists of. It knows fewer forms than MathML; what
 * it doesn't know is a row of what stands in it.
 */
export type SetFormula =
  | { k: 'row' | 'lr' | 'sqrt'; c: SetFormula[] }
  | { k: 'sign' | 'number' | 'name' | 'text'; s: string }
  | { k: 'frac' | 'root'; c: [SetFormula, SetFormula] }
  | Attached
  | { k: 'accent'; base: SetFormula; sign: string }
  | { k: 'table'; rows: SetFormula[][] };

/** Signs with others at their corners, or with `limits` above and below. */
interface Attached {
  k: 'attach';
  base: SetFormula;
  limits: boolean;
  over: SetFormula | null;
  under: SetFormula | null;
  overBefore: SetFormula | null;
  underBefore: SetFormula | null;
}

const FENCES: ReadonlyMap<string, string> = new Map([
  ['(', ')'],
  ['[', ']'],
  ['{', '}'],
  ['|', '|'],
  ['‖', '‖'],
  ['⟨', '⟩'],
  ['⌊', '⌋'],
  ['⌈', '⌉'],
]);

/** Signs over others that the typesetter draws as wide as these are. */
const ACCENTS = new Map(
  Object.entries({
    '^': '\u0302',
    '¯': '\u0304',
    '‾': '\u0304',
    '˙': '\u0307',
    '¨': '\u0308',
    '~': '\u0303',
    '→': '\u20d7',
    '⃗': '\u20d7',
  }),
);

/** The formula as data, and whether it stands on a line of its own; `null` where it can't be read. */
export function setFormula(mathml: string): { block: boolean; set: SetFormula } | null {
  const root = partsOfFormula(mathml);
  return root && { block: root.attributes.display === 'block', set: row(root) };
}

const partsIn = ({ children }: Part): Part[] =>
  children.filter((child): child is Part => typeof child !== 'string');

function row(part: Part): SetFormula {
  const parts = partsIn(part).filter(({ name }) => name !== 'none' && name !== 'mprescripts');
  const [only] = parts;
  if (only && parts.length === 1) return formula(only);
  const c = parts.map(formula);
  const closes = FENCES.get(textOf(parts[0]));
  return { k: closes !== undefined && closes === textOf(parts.at(-1)) ? 'lr' : 'row', c };
}

const textOf = (part: Part | undefined): string =>
  part?.name === 'mo'
    ? part.children
        .filter((child) => typeof child === 'string')
        .join('')
        .trim()
    : '';

function formula(part: Part): SetFormula {
  const parts = partsIn(part);
  const at = (index: number): SetFormula => (parts[index] ? formula(parts[index]) : { k: 'row', c: [] });
  const attached = (limits: boolean, under: number, over: number): SetFormula => ({
    k: 'attach',
    base: at(0),
    limits,
    under: under > 0 && parts[under] ? at(under) : null,
    over: over > 0 && parts[over] ? at(over) : null,
    overBefore: null,
    underBefore: null,
  });
  switch (part.name) {
    case 'mi':
    case 'mo':
    case 'mn':
    case 'ms':
    case 'mtext':
      return token(part);
    case 'mfrac':
      return { k: 'frac', c: [at(0), at(1)] };
    case 'msqrt':
      return { k: 'sqrt', c: parts.map(formula) };
    case 'mroot':
      return { k: 'root', c: [at(1), at(0)] };
    case 'msub':
      return attached(false, 1, 0);
    case 'msup':
      return attached(false, 0, 1);
    case 'msubsup':
      return attached(false, 1, 2);
    case 'munder':
      return attached(true, 1, 0);
    case 'munderover':
      return attached(true, 1, 2);
    case 'mover': {
      const sign = ACCENTS.get(textOf(parts[1]));
      return sign ? { k: 'accent', base: at(0), sign } : attached(true, 0, 1);
    }
    case 'mtable':
      return { k: 'table', rows: parts.map((line) => partsIn(line).map(row)) };
    case 'mmultiscripts':
      return multiscripts(parts);
    case 'mfenced':
      return fenced(part);
    default:
      return row(part);
  }
}

/** A base with pairs of signs below and above it, those after `mprescripts` before it; only the first pair of each is set. */
function multiscripts([base, ...scripts]: readonly Part[]): SetFormula {
  const at = scripts.findIndex(({ name }) => name === 'mprescripts');
  const script = (part: Part | undefined) =>
    part && part.name !== 'none' && part.name !== 'mprescripts' ? formula(part) : null;
  return {
    k: 'attach',
    base: base ? formula(base) : { k: 'row', c: [] },
    limits: false,
    under: at === 0 ? null : script(scripts[0]),
    over: at === 0 ? null : script(scripts[1]),
    underBefore: at < 0 ? null : script(scripts[at + 1]),
    overBefore: at < 0 ? null : script(scripts[at + 2]),
  };
}

/** Brackets with what stands between them, parted by commas (MathML 3, 3.3.8). */
function fenced(part: Part): SetFormula {
  const { open = '(', close = ')', separators = ',' } = part.attributes;
  const sign = (s: string): SetFormula[] => (s === '' ? [] : [{ k: 'sign', s }]);
  const [comma = ''] = separators.trim();
  const inner = partsIn(part).flatMap((one, index) => [...(index > 0 ? sign(comma) : []), formula(one)]);
  return { k: 'lr', c: [...sign(open), ...inner, ...sign(close)] };
}

function token({ name, children }: Part): SetFormula {
  const s = children
    .filter((child) => typeof child === 'string')
    .join('')
    .trim();
  // What only says how signs are to be read (U+2061 to U+2064) has no shape.
  if (s === '' || /^[\u2061-\u2064]+$/.test(s)) return { k: 'row', c: [] };
  if (name === 'mtext' || name === 'ms') return { k: 'text', s };
  if (name === 'mn') return { k: 'number', s };
  // A hyphen is a minus there (MathML Core, 3.2.4).
  if (name === 'mo' && s === '-') return { k: 'sign', s: '−' };
  return Array.from(s).length === 1 ? { k: 'sign', s } : { k: 'name', s };
}
