import {
  PdfArray,
  PdfDict,
  PdfName,
  PdfNull,
  PdfNumber,
  PdfString,
  type PDF,
  type PdfObject,
} from '@libpdf/core';
import { resolverOf } from './pdf-tree.js';
import type { SetPlace } from './typeset.js';

/**
 * Gives every place of a set book its name in the file: a named destination with `/XYZ` (ISO 32000-1, 12.3.2.3). The names.
 */
export function namePlaces(document: PDF, places: readonly SetPlace[]): ReadonlySet<string> {
  const pages = document.getPages();
  const names = new Map<string, PdfObject>();
  for (const { id, page, x, y } of places) {
    const on = pages[page - 1];
    if (!on || names.has(id)) continue;
    const top = Math.min(on.height, on.height - y);
    names.set(
      id,
      PdfArray.of(
        on.ref,
        PdfName.of('XYZ'),
        PdfNumber.of(rounded(x)),
        PdfNumber.of(rounded(top)),
        PdfNull.instance,
      ),
    );
  }
  writeNames(document, names);
  return new Set(names.keys());
}

const rounded = (points: number) => Math.round(points * 100) / 100;

/** How many names stand in one leaf of the tree: a reader of a long book looks through one leaf, not through all of it. */
const LEAF = 64;

/** Writes the name tree: its names sorted by their bytes (ISO 32000-1, 7.9.6), those that were there before among them. */
function writeNames(document: PDF, names: ReadonlyMap<string, PdfObject>): void {
  const root = document.context.catalog.getOrCreateNames();
  const tree = root.getDict('Dests', resolverOf(document));
  const all = new Map<string, PdfObject>([...(tree ? namesIn(tree, document) : []), ...names]);
  const keyed = [...all].map(([id, value]) => ({ key: PdfString.fromString(id), value }));
  keyed.sort((one, other) => Buffer.compare(one.key.bytes, other.key.bytes));
  const leaves = Array.from({ length: Math.ceil(keyed.length / LEAF) }, (_, index) =>
    keyed.slice(index * LEAF, (index + 1) * LEAF),
  );
  const { context } = document;
  const kids = leaves.map((leaf) => {
    const limits = [leaf[0], leaf.at(-1)].flatMap((one) => one?.key ?? []);
    const names = leaf.flatMap(({ key, value }) => [key, value]);
    return context.register(PdfDict.of({ Limits: PdfArray.of(...limits), Names: PdfArray.of(...names) }));
  });
  root.set('Dests', context.register(PdfDict.of({ Kids: PdfArray.of(...kids) })));
}

function* namesIn(tree: PdfDict, document: PDF): Generator<[string, PdfObject]> {
  const resolve = resolverOf(document);
  for (const kid of tree.getArray('Kids', resolve)?.toArray() ?? []) {
    const under = kid.type === 'ref' ? resolve(kid) : kid;
    if (under instanceof PdfDict) yield* namesIn(under, document);
  }
  const names = tree.getArray('Names', resolve)?.toArray() ?? [];
  for (let index = 0; index + 1 < names.length; index += 2) {
    const [key, value] = names.slice(index, index + 2);
    if (key instanceof PdfString && value) yield [key.asString(), value];
  }
}
