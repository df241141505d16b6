import type { Mark, Node } from 'prosemirror-model';
import { LONGEST_FORMULA } from '../cleaning/index.js';
import { hrefOf, LONGEST_ADDRESS, type Destination } from '../destination/index.js';
import { faultInSigns, many } from '../language/index.js';
import { attrsOf } from './attrs.js';

/** Where and why a chapter's JSON does not fit the schema. `path` reads like `content[2].marks[0].attrs.id`. */
export interface Fault {
  path: string;
  message: string;
}

/**
 * What a chapter may hold: one set of bounds for what is saved, brought in, pasted and published. They lie far above what is written (common practice),
 * and below what stops a browser, a typesetter or a reading program.
 */
export const BOUNDS = {
  /** Nodes in one another; and lists, quotations and tables in one another, as many as a typesetter can follow (measured: 14 quotations). */
  depth: 60,
  containers: 12,
  /** Nodes of a chapter. */
  nodes: 300_000,
  /** Signs of a heading, of any other line of the text, and of the words of one link. */
  heading: 2_000,
  line: 100_000,
  link: 2_000,
  /** Signs of an alternative text, a hover note, a name, words of the author's own. */
  words: 4_000,
  id: 200,
  areas: 200,
  /** Links, or spots, of a page of a finished file. */
  onPage: 5_000,
  /** Columns or rows of a cell; the number that a list begins with. */
  span: 100,
  start: 1_000_000,
} as const;

/** Attributes that hold words. */
export const WORD_ATTRS = ['alt', 'hoverNote', 'own', 'back', 'backWords', 'name', 'words', 'label'] as const;

export const CONTAINERS: ReadonlySet<string> = new Set([
  'quotation',
  'bullet_list',
  'ordered_list',
  'term_list',
  'table',
]);
const TOO_DEEP = `quotations, lists and tables nest at most ${BOUNDS.containers} deep`;

/** A piece of a line: its words, and the link that it belongs to. */
interface Piece {
  text: string;
  link: string | null;
}

/** What a leaf that is no text counts as. */
const OTHER = '\ufffc';

export const piecesOf = (line: Node): Piece[] =>
  line.children.map((child) => {
    const mark = child.marks.find(({ type }) => type.name === 'link');
    return { text: child.text ?? OTHER, link: mark ? attrsOf.link(mark).id : null };
  });

/** The first thing in a text, or a part of one that stands in so many containers, that lies outside the bounds; or `null`. */
export function faultInBounds(doc: Node, containers = 0): Fault | null {
  let nodes = 0;
  const walk = (node: Node, path: string, depth: number, within: number): Fault | null => {
    if (within > BOUNDS.containers) return { path, message: TOO_DEEP };
    if (depth > BOUNDS.depth) return { path, message: `nested deeper than ${BOUNDS.depth} levels` };
    if (++nodes > BOUNDS.nodes)
      return { path: '', message: `a chapter has at most ${many(BOUNDS.nodes)} parts; divide it` };
    const own = faultInNode(node) ?? (node.isTextblock ? faultInLine(node) : null);
    if (own) return { path, message: own };
    for (const [index, child] of node.children.entries()) {
      const fault = walk(
        child,
        `${path === '' ? '' : `${path}.`}content[${index}]`,
        depth + 1,
        within + (CONTAINERS.has(child.type.name) ? 1 : 0),
      );
      if (fault) return fault;
    }
    return null;
  };
  return walk(doc, '', 0, containers);
}

function faultInNode(node: Node): string | null {
  const { start, colspan, rowspan, areas, mathml } = node.attrs as Record<string, unknown>;
  if (typeof mathml === 'string' && mathml.length > LONGEST_FORMULA)
    return `a formula has at most ${many(LONGEST_FORMULA)} signs of MathML`;
  if (!isWhole(start, 0, BOUNDS.start))
    return `a list begins with a whole number from 0 to ${many(BOUNDS.start)}`;
  if (!isWhole(colspan, 1, BOUNDS.span) || !isWhole(rowspan, 1, BOUNDS.span))
    return `a cell spans 1 to ${BOUNDS.span} columns and rows`;
  if (node.type.name === 'page') {
    const { areas: links, spots } = attrsOf.page(node);
    if (Math.max(links.length, spots.length) > BOUNDS.onPage)
      return `a page has at most ${many(BOUNDS.onPage)} links and as many spots`;
  } else if (Array.isArray(areas) && areas.length > BOUNDS.areas)
    return `a picture has at most ${BOUNDS.areas} link areas`;
  return [node, ...node.marks].map(faultInWords).find(Boolean) ?? null;
}

const isWhole = (value: unknown, least: number, most: number): boolean =>
  value === undefined || (Number.isInteger(value) && Number(value) >= least && Number(value) <= most);

/** Words stand in the attributes of a node or mark, and in those of the link and areas of a figure. */
function faultInWords({ attrs }: Node | Mark): string | null {
  const { link, areas, spots, about, id } = attrs as {
    spots?: readonly object[];
    link?: { about?: object | null } | null;
    areas?: readonly object[];
    about?: object | null;
    id?: string | null;
  };
  if (typeof id === 'string' && id.length > BOUNDS.id) return `an id has at most ${BOUNDS.id} signs`;
  for (const bearer of [
    attrs,
    about ?? {},
    link ?? {},
    link?.about ?? {},
    ...(areas ?? []),
    ...(spots ?? []),
  ]) {
    const { destination } = bearer as { destination?: Destination };
    if (destination && hrefOf(destination).length > LONGEST_ADDRESS)
      return `an address has at most ${many(LONGEST_ADDRESS)} signs`;
    for (const name of WORD_ATTRS) {
      const words = (bearer as Record<string, unknown>)[name];
      if (typeof words !== 'string') continue;
      if (words.length > BOUNDS.words) return `${name} has at most ${many(BOUNDS.words)} signs`;
      const fault = faultInSigns(words);
      if (fault) return `${name} ${fault}`;
    }
  }
  return null;
}

function faultInLine(line: Node): string | null {
  const pieces = piecesOf(line);
  const text = pieces.map((piece) => piece.text).join('');
  const most = line.type.name === 'heading' ? BOUNDS.heading : BOUNDS.line;
  if (text.length > most) return `a ${line.type.name} has at most ${many(most)} signs`;
  const fault = faultInSigns(text);
  if (fault) return fault;
  const lengths = new Map<string, number>();
  for (const { text: words, link } of pieces)
    if (link) lengths.set(link, (lengths.get(link) ?? 0) + words.length);
  return [...lengths.values()].some((length) => length > BOUNDS.link)
    ? `the words of a link have at most ${many(BOUNDS.link)} signs`
    : null;
}
