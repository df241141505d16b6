import type { Node } from 'prosemirror-model';
import { directionOf, directionOfWords, type Direction } from '../../language/index.js';
import type { Edition } from './edition.js';

/** A direction where it is not that of the book, so that it has to be said; else `null`. */
export const unlessOfBook = (direction: Direction | null, { book }: Edition): Direction | null =>
  direction === directionOf(book.language) ? null : direction;

/** The direction of a block that does not run as its book does; code runs from left to right in every book. */
export const otherDirection = (node: Node, edition: Edition): Direction | null =>
  unlessOfBook(node.type.name === 'code_block' ? 'ltr' : directionOfText(node), edition);

/** The direction of the first letter in a block, which is seldom far from its start. */
function directionOfText(block: Node): Direction | null {
  let direction: Direction | null = null;
  block.descendants((node) => {
    if (direction === null && node.isText) direction = directionOfWords(node.text ?? '');
    return direction === null;
  });
  return direction;
}
