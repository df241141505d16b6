import { PdfArray, PdfDict, type PdfObject } from '@libpdf/core';
import type { GroundFile } from './open.js';

/** How many nodes of a tree are looked at: a broken one may go on without end. */
const MOST_NODES = 500_000;

/** The pairs of a name tree or a number tree, in their order (ISO 32000-1, 7.9.6 and 7.9.7); a node that is met twice is read once. */
export function* pairsIn(
  root: PdfObject | undefined,
  kind: 'Names' | 'Nums',
  resolve: GroundFile['resolve'],
): Generator<[key: PdfObject | null, value: PdfObject]> {
  const waiting: (PdfObject | undefined)[] = [root];
  const seen = new Set<PdfObject>();
  while (waiting.length > 0 && seen.size < MOST_NODES) {
    const node = resolve(waiting.pop());
    if (!(node instanceof PdfDict) || seen.has(node)) continue;
    seen.add(node);
    const pairs = resolve(node.get(kind));
    const list = pairs instanceof PdfArray ? pairs.toArray() : [];
    for (let at = 0; at + 1 < list.length; at += 2) {
      const value = list[at + 1];
      if (value) yield [resolve(list[at]), value];
    }
    const kids = resolve(node.get('Kids'));
    if (kids instanceof PdfArray) waiting.push(...kids.toArray().reverse());
  }
}
