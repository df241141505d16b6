import { BringInError } from './refusal.js';

const DEEPEST = 400;
const MOST = 6_000_000;

/** Elements of an XML file, as far as bounds are concerned. */
interface Tree {
  children?: unknown[];
}

/**
 * Looks through the XML of a file without following it by recursion.
 *
 * @throws BringInError when it nests too deep to be followed, or holds more than can be read
 */
export function withinReach<Root extends Tree>(root: Root): Root {
  let level: Tree[] = [root];
  let count = 0;
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST || count > MOST)
      throw new BringInError(
        'too-large',
        'This file nests its parts deeper, or holds more of them, than a book needs, so it was not opened. Save it anew in the program that wrote it, or divide it into several files, and try again.',
      );
    const next: Tree[] = [];
    for (const one of level)
      for (const child of one.children ?? []) {
        count++;
        if ((child as Tree).children) next.push(child as Tree);
      }
    level = next;
  }
  return root;
}
