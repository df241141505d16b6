import { wordsOf } from '../../manuscript/index.js';
import type { Node } from 'prosemirror-model';

/** A page shorter than this, in characters, stays one chapter. */
const SHORT = 6_000;

/**
 * Cuts a page into chapters at its top headings: the highest level that stands at least twice outside lists, tables
 * and quotations. What comes before the first of them is a chapter of its own when it has words.
 */
export function splitAtHeadings(blocks: Node[]): Node[][] {
  const length = blocks.reduce((sum, block) => sum + block.textContent.length, 0);
  const level = [1, 2, 3].find((one) => blocks.filter((block) => isHeading(block, one)).length >= 2);
  if (level === undefined || length < SHORT) return [blocks];
  const chapters: Node[][] = [[]];
  for (const block of blocks) {
    if (isHeading(block, level) && chapters[chapters.length - 1].length > 0) chapters.push([]);
    chapters[chapters.length - 1].push(block);
  }
  const [opening, next] = chapters;
  if (next && !opening.some((block) => wordsOf(block) !== '' || block.type.name === 'figure'))
    chapters.splice(0, 2, [...opening, ...next]);
  return chapters;
}

function isHeading(block: Node, level: number): boolean {
  return block.type.name === 'heading' && block.attrs.level === level;
}
