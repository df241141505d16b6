import type { Node } from 'prosemirror-model';
import { Mapping, Transform, type Step } from 'prosemirror-transform';
import { wordsPutIn } from './words.js';
import { resultOf } from './applied.js';

/** Own steps over a text that others have changed in the meantime. */
export interface Rebased {
  /** Over the text as the others have it. */
  transform: Transform;
  /** What the own steps that find no place any more would have put in: nothing of it is lost without a word. */
  astray: string[];
  /** Of each own step, whether it found its place. */
  fits: boolean[];
}

/**
 * Moves own steps over those that others have made at the same version. `doc` is the text after theirs. Positions move as they
 * do in an editor: what stands at one spot keeps the order in which it came to the server.
 */
export function rebase(doc: Node, own: readonly Step[], theirs: readonly Step[]): Rebased {
  const transform = new Transform(doc);
  const astray: string[] = [];
  const found: boolean[] = [];
  const mapping = new Mapping([
    ...own.map((step) => step.getMap().invert()).reverse(),
    ...theirs.map((step) => step.getMap()),
  ]);
  own.forEach((step, index) => {
    const from = own.length - index;
    const moved = step.map(mapping.slice(from));
    const fits = moved !== null && resultOf(moved, transform.doc).doc !== null;
    found.push(fits);
    if (moved && fits) {
      transform.step(moved);
      mapping.appendMap(moved.getMap(), from - 1);
    } else astray.push(...wordsPutIn(step));
  });
  return { transform, astray, fits: found };
}
