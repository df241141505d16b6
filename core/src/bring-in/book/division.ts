import type { Node } from 'prosemirror-model';
import { countWords, idOf, schema, wordsOf } from '../../manuscript/index.js';

/** A chapter of more words than this is cut at its own sections. */
const LARGE = 20_000;

/** A place at which a file can be cut, how deep it stands in the contents, and what it is called there. */
export interface Cut {
  place: string;
  depth: number;
  title: string;
}

/** A part of a file that becomes a chapter; `title` is what the contents call it. */
export interface Part {
  blocks: Node[];
  title: string;
}

/**
 * Divides the text of a file into chapters: at the lines of its contents that lead into it and are its `highest`; a part that is
 * large at deeper ones, and where the contents have none at its highest headings. What is only a heading goes with what follows.
 */
export function divided(blocks: Node[], title: string, cuts: readonly Cut[], highest: number): Part[] {
  const known = withBlocks(blocks, cuts);
  const parts = cutAt({ blocks, title }, known, highest);
  return withoutBareHeadings(parts.flatMap((part) => cutFurther(part, known, highest + 1)));
}

type KnownCut = Cut & { block: Node };

/** The cuts with the blocks that begin at them. */
function withBlocks(blocks: readonly Node[], cuts: readonly Cut[]): KnownCut[] {
  const places = new Map<string, Node>();
  for (const block of blocks) for (const id of idsAtStart(block)) if (!places.has(id)) places.set(id, block);
  return cuts.flatMap((cut) => {
    const block = places.get(cut.place);
    return block ? [{ ...cut, block }] : [];
  });
}

/** The places that stand before the first words of a block. */
function idsAtStart(block: Node): string[] {
  const ids: string[] = [];
  let begun = false;
  const walk = (node: Node): void => {
    if (begun) return;
    const id = idOf(node);
    if (id) ids.push(id);
    for (const mark of node.marks) {
      const marked = idOf(mark);
      if (marked) ids.push(marked);
    }
    if (node.isText || node.type.name === 'picture') begun = true;
    node.forEach(walk);
  };
  walk(block);
  return ids;
}

function cutAt(part: Part, cuts: readonly KnownCut[], depth: number): Part[] {
  const titles = new Map<Node, string>();
  for (const cut of cuts) if (cut.depth <= depth && !titles.has(cut.block)) titles.set(cut.block, cut.title);
  const [first] = part.blocks;
  const title = (first && titles.get(first)) || part.title;
  return cutBefore({ ...part, title }, (block) => titles.get(block) ?? null);
}

/** Begins a part at each block that has a title, though it be empty, where there is something to read before it. */
function cutBefore({ blocks, title }: Part, titleAt: (block: Node) => string | null): Part[] {
  const parts: Part[] = [];
  let part: Part = { blocks: [], title };
  for (const block of blocks) {
    const own = titleAt(block);
    if (own !== null && part.blocks.some(hasSomething)) {
      parts.push(part);
      part = { blocks: [], title: own };
    }
    part.blocks.push(block);
  }
  return [...parts, part];
}

function cutFurther(part: Part, cuts: readonly KnownCut[], depth: number): Part[] {
  if (wordsIn(part.blocks) <= LARGE) return [part];
  const later = new Set(part.blocks.slice(1));
  const within = cuts.filter((cut) => cut.depth >= depth && later.has(cut.block));
  if (within.length === 0) return cutAtHeadings(part);
  const next = Math.min(...within.map((cut) => cut.depth));
  return cutAt(part, within, next).flatMap((one) => cutFurther(one, cuts, next + 1));
}

/**
 * Cuts at the highest level of headings that stands at least twice outside lists, tables and quotations; what comes before the first
 * of them is a part of its own when it has words.
 */
export function cutAtHeadings(part: Part): Part[] {
  const level = [1, 2, 3].find((one) => part.blocks.filter((block) => isHeading(block, one)).length >= 2);
  return level === undefined ? [part] : cutBefore(part, (block) => (isHeading(block, level) ? '' : null));
}

/** A part that holds a heading and no more is no chapter: it begins the next one. */
export function withoutBareHeadings(parts: readonly Part[]): Part[] {
  const kept: Part[] = [];
  let waiting: Part | null = null;
  for (const part of parts) {
    const whole: Part = waiting
      ? { blocks: [...waiting.blocks, ...part.blocks], title: waiting.title }
      : part;
    waiting = isBare(whole.blocks) ? whole : null;
    if (!waiting) kept.push(whole);
  }
  const last = kept.at(-1);
  if (!waiting) return kept;
  return last ? [...kept.slice(0, -1), { ...last, blocks: [...last.blocks, ...waiting.blocks] }] : [waiting];
}

const isBare = (blocks: readonly Node[]): boolean =>
  blocks.every((block) => block.type.name === 'heading' || !hasSomething(block));
const isHeading = (block: Node, level: number): boolean =>
  block.type.name === 'heading' && block.attrs.level === level;
const hasSomething = (block: Node): boolean =>
  wordsOf(block) !== '' || block.type.name === 'figure' || block.type.name === 'contents';
const wordsIn = (blocks: Node[]): number =>
  blocks.length === 0 ? 0 : countWords(schema.node('doc', null, blocks));
