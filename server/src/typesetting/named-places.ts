import {
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFString,
  type PDFDocument,
  type PDFObject,
} from '@cantoo/pdf-lib';
import { addressOf } from './pdf-tree.js';
import type { SetPlace } from './typeset.js';

/** The scheme of addresses by which the typesetter's links to places are told. */
export const PLACE_SCHEME = 'place:';

/**
 * Gives every place of a set book its name in the file (a named destination with `/XYZ`, ISO 32000-1, 12.3.2.3), and turns
 * links to places, which the typesetter wrote as addresses, into links to these names.
 */
export function namePlaces(document: PDFDocument, places: readonly SetPlace[]): void {
  const { context } = document;
  const pages = document.getPages();
  const names = new Map<string, PDFObject>();
  for (const { id, page, x, y } of places) {
    const on = pages[page - 1];
    if (!on || names.has(id)) continue;
    const top = Math.min(on.getHeight(), on.getHeight() - y);
    names.set(id, context.obj([on.ref, 'XYZ', rounded(x), rounded(top), null]));
  }
  for (const page of pages)
    for (const annotation of page.node.Annots()?.asArray() ?? []) {
      const link = context.lookupMaybe(annotation, PDFDict);
      const address = link && addressOf(link);
      if (!link || !address?.startsWith(PLACE_SCHEME)) continue;
      link.delete(PDFName.of('A'));
      const id = address.slice(PLACE_SCHEME.length);
      if (names.has(id)) link.set(PDFName.of('Dest'), nameOf(id));
    }
  writeNames(document, names);
}

const rounded = (points: number) => Math.round(points * 100) / 100;

/** A name as the key of a name tree: ASCII as it is, anything else in UTF-16. */
const nameOf = (id: string): PDFString | PDFHexString =>
  /^[\x20-\x7e]*$/.test(id) ? PDFString.of(id) : PDFHexString.fromText(id);

/** Writes the name tree: its names sorted by their bytes (ISO 32000-1, 7.9.6), those that were there before among them. */
function writeNames(document: PDFDocument, names: ReadonlyMap<string, PDFObject>): void {
  const { context, catalog } = document;
  const root = context.lookupMaybe(catalog.get(PDFName.of('Names')), PDFDict) ?? context.obj({});
  const tree = context.lookupMaybe(root.get(PDFName.of('Dests')), PDFDict);
  const all = new Map<string, PDFObject>([...(tree ? namesIn(tree) : []), ...names]);
  const keyed = [...all].map(([id, value]) => ({ key: nameOf(id), value }));
  keyed.sort((one, other) => compareBytes(one.key.asBytes(), other.key.asBytes()));
  root.set(
    PDFName.of('Dests'),
    context.register(context.obj({ Names: keyed.flatMap(({ key, value }) => [key, value]) })),
  );
  catalog.set(PDFName.of('Names'), root);
}

function* namesIn(tree: PDFDict): Generator<[string, PDFObject]> {
  const kids = tree.lookupMaybe(PDFName.of('Kids'), PDFArray);
  for (let index = 0; kids && index < kids.size(); index++) yield* namesIn(kids.lookup(index, PDFDict));
  const names = tree.lookupMaybe(PDFName.of('Names'), PDFArray);
  for (let index = 0; names && index + 1 < names.size(); index += 2) {
    const key = names.lookup(index);
    if (key instanceof PDFString || key instanceof PDFHexString)
      yield [key.decodeText(), names.get(index + 1)];
  }
}

function compareBytes(one: Uint8Array, other: Uint8Array): number {
  return Buffer.compare(one, other);
}
