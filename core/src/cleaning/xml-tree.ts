import { Parser } from 'htmlparser2';

/** An element of a drawing, its name and attributes without prefixes: `name` in the SVG namespace. */
export interface Part {
  name: string;
  attributes: Record<string, string>;
  children: (Part | string)[];
}

/** An element or attribute of an XML file as its file spells it and with its namespace; `''` is none. */
export interface Named {
  tag: string;
  namespace: string;
  /** Without a prefix. */
  name: string;
}

export interface Attribute extends Named {
  value: string;
}

export const SVG = 'http://www.w3.org/2000/svg';
export const XLINK = 'http://www.w3.org/1999/xlink';
export const MATHML = 'http://www.w3.org/1998/Math/MathML';
export const XML = 'http://www.w3.org/XML/1998/namespace';

/** How deep the parts of a file may nest, and how many there may be. */
export const DEEPEST = 200;
export const MOST_PARTS = 200_000;

/** Why a file can't be kept, in words that go on after its name. */
export class CleaningFault extends Error {}

type Scope = ReadonlyMap<string, string>;
/** What prefixes mean where a drawing stands in a page that declares them further up, or not at all. */
const OUTSIDE: Scope = new Map([
  ['svg', SVG],
  ['xlink', XLINK],
  ['xml', XML],
  ['m', MATHML],
  ['mml', MATHML],
]);

/**
 * Reads an XML file by what `judge` makes of each element; `null` leaves it out with all that stands in it. What its DOCTYPE declares is never
 * expanded, and its processing instructions are not followed. `home` is the namespace of names that have none.
 *
 * @throws CleaningFault when it nests too deep or has too many parts
 */
export function readTree(
  text: string,
  home: string,
  judge: (element: Named, attributes: Attribute[]) => Part | null,
): Part | null {
  let root: Part | null = null;
  const open: Part[] = [];
  const outside: Scope = new Map([...OUTSIDE, ['', home]]);
  const scopes: Scope[] = [outside];
  let depth = 0;
  let count = 0;
  /** The depth of the element that is left out, while one is. */
  let out = Infinity;
  const parser = new Parser(
    {
      onopentag(tag, given) {
        if (++depth > DEEPEST)
          throw new CleaningFault(`its parts are nested more than ${DEEPEST} levels deep`);
        if (++count > MOST_PARTS) throw new CleaningFault(`it has more than ${MOST_PARTS} parts`);
        const scope = within(scopes.at(-1) ?? outside, given);
        scopes.push(scope);
        if (depth > out) return;
        const attributes = Object.entries(given).map(([key, value]) => ({
          ...named(key, scope, false),
          value,
        }));
        const part = root && open.length === 0 ? null : judge(named(tag, scope, true), attributes);
        if (!part) return void (out = depth);
        if (root) open.at(-1)?.children.push(part);
        else root = part;
        open.push(part);
      },
      onclosetag() {
        scopes.pop();
        if (depth === out) out = Infinity;
        else if (depth < out) open.pop();
        depth--;
      },
      ontext(data) {
        if (depth < out) open.at(-1)?.children.push(data);
      },
    },
    { xmlMode: true },
  );
  parser.end(text);
  return root;
}

function within(scope: Scope, attributes: Record<string, string>): Scope {
  const declared = Object.entries(attributes).flatMap(([key, value]): [string, string][] =>
    key === 'xmlns' ? [['', value]] : key.startsWith('xmlns:') ? [[key.slice(6), value]] : [],
  );
  return declared.length > 0 ? new Map([...scope, ...declared]) : scope;
}

/** Namespaces in XML 1.0, 6: a name without a prefix is in the default namespace, an attribute without one in none. */
function named(tag: string, scope: Scope, element: boolean): Named {
  const colon = tag.indexOf(':');
  const prefix = colon < 0 ? '' : tag.slice(0, colon);
  const namespace = prefix === '' && !element ? '' : (scope.get(prefix) ?? `unknown:${prefix}`);
  return { tag, namespace, name: tag.slice(colon + 1) };
}

/** The tree as an XML file. */
export const writeTree = (part: Part): string =>
  `<?xml version="1.0" encoding="utf-8"?>\n${writtenPart(part)}\n`;

/** A part as it stands in an XML file. */
export function writtenPart({ name, attributes, children }: Part): string {
  const given = Object.entries(attributes).map(([key, value]) => ` ${key}="${escaped(value)}"`);
  const inner = children.map((child) => (typeof child === 'string' ? escaped(child) : writtenPart(child)));
  const start = `<${name}${given.join('')}`;
  return inner.length > 0 ? `${start}>${inner.join('')}</${name}>` : `${start}/>`;
}

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
/** Signs that XML 1.0 does not allow (2.2) go. */
const escaped = (text: string): string =>
  text
    .replace(/[^\t\n\r\u{20}-\u{D7FF}\u{E000}-\u{FFFD}\u{10000}-\u{10FFFF}]/gu, '')
    .replace(/[&<>"]/g, (sign) => ESCAPES[sign] ?? sign);

/** Every part of a drawing with those that it stands in, outermost first. */
export function* partsOf(part: Part, above: readonly Part[] = []): Generator<[Part, readonly Part[]]> {
  yield [part, above];
  const within = [...above, part];
  for (const child of part.children) if (typeof child !== 'string') yield* partsOf(child, within);
}

/** The parts of a drawing by their ids. */
export function partsById(root: Part): ReadonlyMap<string, Part> {
  const byId = new Map<string, Part>();
  for (const [part] of partsOf(root)) if (part.attributes.id) byId.set(part.attributes.id, part);
  return byId;
}

/** The part that another one uses. */
export const partUsedBy = ({ name, attributes }: Part, byId: ReadonlyMap<string, Part>): Part | undefined =>
  name === 'use' ? byId.get((attributes['xlink:href'] ?? '').slice(1)) : undefined;

export const wordsIn = (part: Part): string =>
  part.children.map((child) => (typeof child === 'string' ? child : wordsIn(child))).join('');
