import { decodeText, headOf, markedEncoding, XML_ENCODING } from '../page/index.js';
import { ELEMENTS, INNER_PICTURE, NUMBERS, PROPERTIES, WORDS } from './allowed.js';
import { boxesIn, viewportOf, type Corners } from './drawing-boxes.js';
import { mendStructure } from './drawing-structure.js';
import { cleanDeclarations, cleanSheet, cleanValue, LOCAL } from './drawing-style.js';
import {
  CleaningFault,
  partsById,
  partsOf,
  readTree,
  SVG,
  partUsedBy,
  wordsIn,
  writeTree,
  XLINK,
  XML,
  type Attribute,
  type Part,
} from './xml-tree.js';

/** A link that stood in a drawing. */
export interface DrawingLink {
  href: string;
  /** What it was called, or the words in it. */
  name: string;
  /** Where it lay, in shares of the drawing: 0 to 1 from its upper left corner; `null` where that can't be told. */
  box: Corners | null;
}

/** A drawing in which nothing can run and that fetches nothing. */
export interface CleanDrawing {
  bytes: Uint8Array;
  /** Its links, which are not in it any more. */
  links: DrawingLink[];
  /** In CSS px; of a drawing that has no size of its own, that of its view box. `null`: it has neither. */
  size: { width: number; height: number } | null;
  /** How many elements and attributes were taken out, beside links and what only a drawing program wants. */
  takenOut: number;
}

/** Drawings of more bytes than this are not kept (common practice: the largest maps have a few million signs). */
const MOST_BYTES = 20 * 2 ** 20;
/** How many parts may be drawn, when those that are used again are counted each time. */
const MOST_DRAWN = 500_000;
/** Where links lay is told of so many at most. */
const MOST_BOXES = 500;
/** How deep parts may use one another. */
const DEEPEST_USE = 1000;
/** The longest side of a drawing in CSS px, and how many times longer than the other it may be. */
const LONGEST_SIDE = 100_000;
const SLIMMEST = 1000;
/** How much of a file is looked at to see that it is a drawing, in bytes: licences and remarks may stand before. */
const HEAD = 64 * 1024;
const NO_DRAWING = 'it is no SVG drawing';

/** Whether a file is an SVG drawing, by its content. */
export function isDrawing(bytes: Uint8Array): boolean {
  if (!markedEncoding(bytes) && !/^(?:\xef\xbb\xbf)?\s*</.test(headOf(bytes))) return false;
  return /<(?:[\w.-]+:)?svg[\s/>]/i.test(decodeText(bytes.subarray(0, HEAD), XML_ENCODING));
}

/**
 * The one cleaner of SVG, for every way in and out: reads a drawing and writes it anew from what is allowed. Nothing that runs or fetches is on a
 * list, so nothing of the kind is left, however it was spelled.
 */
export function cleanDrawing(bytes: Uint8Array): CleanDrawing | { fault: string } {
  if (bytes.length > MOST_BYTES) return { fault: 'the drawing is larger than 20 MB' };
  try {
    return cleaned(decodeText(bytes, XML_ENCODING));
  } catch (error) {
    if (error instanceof CleaningFault) return { fault: error.message };
    throw error;
  }
}

function cleaned(text: string): CleanDrawing {
  const taken = { count: 0 };
  const links: { part: Part; href: string; title: string }[] = [];
  const ids = new Set<string>();
  const root = readTree(text, SVG, ({ namespace, name: told }, given) => {
    const name = namespace === SVG ? ELEMENTS.get(told.toLowerCase()) : undefined;
    if (!name) {
      if (namespace === SVG || /html$/.test(namespace)) taken.count++;
      return null;
    }
    const attributes = Object.fromEntries(given.flatMap((one) => cleanAttribute(name, one, ids, taken)));
    const part = { name: name === 'a' ? 'g' : name, attributes, children: [] };
    const href = name === 'a' ? hrefOf(given) : undefined;
    if (href !== undefined) links.push({ part, href, title: valueOf(given, XLINK, 'title') ?? '' });
    return part;
  });
  if (root?.name !== 'svg') throw new CleaningFault(NO_DRAWING);
  refuseUnseemly(root);
  for (const [part] of partsOf(root))
    if (part.name === 'style') part.children = [cleanSheet(wordsIn(part))].filter(Boolean);
  const boxes = boxesIn(root, new Set(links.slice(0, MOST_BOXES).map(({ part }) => part)));
  // Links lie where their maker put them, whether or not it is a place for them.
  taken.count += mendStructure(root);
  return {
    size: viewportOf(root)?.shown ?? null,
    bytes: new TextEncoder().encode(
      writeTree({ ...root, attributes: { ...spaces(root), ...root.attributes } }),
    ),
    links: links.map(({ part, href, title }) => ({
      href,
      name: nameOf(part, title),
      box: boxes.get(part) ?? null,
    })),
    takenOut: taken.count,
  };
}

/** The namespaces that a drawing names. */
function spaces(root: Part): Record<string, string> {
  for (const [{ attributes }] of partsOf(root))
    if ('xlink:href' in attributes) return { xmlns: SVG, 'xmlns:xlink': XLINK };
  return { xmlns: SVG };
}

function cleanAttribute(
  element: string,
  { namespace, name: told, value }: Attribute,
  ids: Set<string>,
  taken: { count: number },
): [string, string][] {
  const lower = told.toLowerCase();
  if (namespace === XML) return lower === 'lang' || lower === 'space' ? [[`xml:${lower}`, value]] : [];
  if (lower === 'href' && (namespace === XLINK || namespace === '')) {
    if (element === 'a') return [];
    const kept = element === 'image' ? INNER_PICTURE.test(value) : LOCAL.test(value.trim());
    if (!kept) taken.count++;
    return kept ? [['xlink:href', value.trim()]] : [];
  }
  if (namespace !== '' || lower.startsWith('xmlns')) return [];
  if (lower === 'id') return isFreeId(value, ids) ? [['id', value]] : [];
  const clean = cleanOwn(lower, value);
  if (clean === null && (lower.startsWith('on') || lower === 'style' || PROPERTIES.has(lower))) taken.count++;
  return clean === null ? [] : [clean];
}

function cleanOwn(lower: string, value: string): [string, string] | null {
  if (lower === 'style') {
    const style = cleanDeclarations(value);
    return style === '' ? null : ['style', style];
  }
  const word = WORDS.get(lower);
  if (word) return [word, value];
  const number = NUMBERS.get(lower);
  if (number) return /^[\w\s.,;:%#()+*-]*$/.test(value) ? [number, value] : null;
  const kept = PROPERTIES.has(lower) ? cleanValue(lower, value) : null;
  return kept === null ? null : [lower, kept];
}

/** An id that XML allows (`xs:ID`) and that no other part has. */
const isFreeId = (id: string, ids: Set<string>): boolean =>
  /^[\p{L}_][\p{L}\p{N}\p{M}._-]*$/u.test(id) && !ids.has(id) && Boolean(ids.add(id));

const valueOf = (given: readonly Attribute[], namespace: string, name: string) =>
  given.find((one) => one.namespace === namespace && one.name === name)?.value;
/** SVG 2, 16.2: `href` goes before the older `xlink:href`. */
const hrefOf = (given: readonly Attribute[]) => valueOf(given, '', 'href') ?? valueOf(given, XLINK, 'href');

function nameOf(part: Part, title: string): string {
  const child = part.children.find((one): one is Part => typeof one !== 'string' && one.name === 'title');
  const name = part.attributes['aria-label'] ?? (child ? wordsIn(child) : title || wordsIn(part));
  return name.replace(/\s+/g, ' ').trim();
}

/** @throws CleaningFault for what no program could draw in a reasonable time, or in a reasonable place */
function refuseUnseemly(root: Part): void {
  const shown = viewportOf(root)?.shown;
  if (shown) {
    const [short, long] = [Math.min(shown.width, shown.height), Math.max(shown.width, shown.height)];
    if (long > LONGEST_SIDE) throw new CleaningFault(`its side is longer than ${LONGEST_SIDE} px`);
    if (long > short * SLIMMEST)
      throw new CleaningFault(`its longer side is more than ${SLIMMEST} times the shorter`);
  }
  const byId = partsById(root);
  const known = new Map<Part, number>();
  const above = new Set<Part>();
  const drawn = (part: Part): number => {
    const before = known.get(part);
    if (before !== undefined) return before;
    if (above.has(part)) throw new CleaningFault('a part of it uses itself');
    if (above.size > DEEPEST_USE)
      throw new CleaningFault(`its parts use one another more than ${DEEPEST_USE} levels deep`);
    above.add(part);
    const used = partUsedBy(part, byId);
    const parts = [...part.children.filter((child) => typeof child !== 'string'), ...(used ? [used] : [])];
    const count = parts.reduce((sum, child) => sum + drawn(child), 1);
    if (count > MOST_DRAWN)
      throw new CleaningFault(`it draws more than ${MOST_DRAWN} parts, since some are used again and again`);
    above.delete(part);
    known.set(part, count);
    return count;
  };
  drawn(root);
}
