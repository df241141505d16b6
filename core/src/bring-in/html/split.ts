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
  const first = blocks.findIndex((block) => isHeading(block, level));
  const opening = blocks.slice(0, first);
  const hasWords = opening.some((block) => wordsOf(block) !== '' || block.type.name === 'figure');
  const chapters: Node[][] = hasWords ? [opening] : [];
  let chapter = hasWords ? [] : opening;
  for (const block of blocks.slice(first)) {
    if (isHeading(block, level)) chapters.push((chapter = chapters.length === 0 ? chapter : []));
    chapter.push(block);
  }
  return chapters;
}

function isHeading(block: Node, level: number): boolean {
  return block.type.name === 'heading' && block.attrs.level === level;
}
