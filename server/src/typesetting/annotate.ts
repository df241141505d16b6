import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFRef,
  PDFString,
  type PDFObject,
} from '@cantoo/pdf-lib';
import { fileTold } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import { hrefIn, type Edition } from '@vennet/core/publish';

/**
 * Writes what the author says of links into their annotations (`Contents`, ISO 32000-1, table 164): the hover note, the
 * name of a picture or of a part of one, a file's type and size. The typesetter puts the bare address there.
 *
 * Links are met in the order of the structure tree, one `Link` element each, and matched with those of the book by
 * where they lead.
 */
export async function annotate(bytes: Uint8Array, edition: Edition): Promise<Uint8Array> {
  if (!edition.links.some((link) => contentsOf(link, edition) !== null)) return bytes;
  const document = await PDFDocument.load(bytes, { updateMetadata: false });
  const waiting = new Map<string, Link[]>();
  for (const link of edition.links) {
    const href = hrefIn(edition, link);
    if (href === null) continue;
    const key = href.startsWith('#') ? INSIDE : href;
    waiting.set(key, [...(waiting.get(key) ?? []), link]);
  }
  for (const annotations of linkElements(document)) {
    const link = waiting.get(addressOf(annotations[0]) ?? INSIDE)?.shift();
    const contents = link ? contentsOf(link, edition) : null;
    if (contents !== null)
      for (const annotation of annotations)
        annotation.set(PDFName.of('Contents'), PDFHexString.fromText(contents));
  }
  return document.save({ updateFieldAppearances: false });
}

/** Where links within the file wait: their order tells them apart. */
const INSIDE = '#';

function contentsOf(link: Link, edition: Edition): string | null {
  const name = link.carrier === 'text' ? '' : link.text;
  const told = fileTold(link, edition.surroundings) ?? '';
  const said = [name, told, link.hoverNote].filter((words) => words.trim() !== '');
  return said.length > 0 ? said.join('. ') : null;
}

/** The annotations of each `Link` element, in the order of the structure; those of the contents (`TOC`) are left out. */
function* linkElements(document: PDFDocument): Generator<PDFDict[]> {
  const { context, catalog } = document;
  const root = context.lookupMaybe(catalog.get(PDFName.of('StructTreeRoot')), PDFDict);
  if (root) yield* walk(root);

  function* walk(element: PDFDict): Generator<PDFDict[]> {
    const role = context.lookupMaybe(element.get(PDFName.of('S')), PDFName)?.decodeText();
    if (role === 'TOC') return;
    if (role === 'Link') {
      const own = [...annotationsIn(element)];
      if (own.length > 0) yield own;
    }
    for (const kid of kidsOf(element)) if (kid.has(PDFName.of('S'))) yield* walk(kid);
  }

  function* annotationsIn(element: PDFDict): Generator<PDFDict> {
    for (const kid of kidsOf(element)) {
      const target = kid.get(PDFName.of('Obj'));
      const annotation = target instanceof PDFRef ? context.lookupMaybe(target, PDFDict) : undefined;
      if (annotation) yield annotation;
      else if (kid.has(PDFName.of('S'))) yield* annotationsIn(kid);
    }
  }

  function kidsOf(element: PDFDict): PDFDict[] {
    const kids: PDFObject | undefined = context.lookup(element.get(PDFName.of('K')));
    const all = kids instanceof PDFArray ? kids.asArray() : kids ? [kids] : [];
    return all.map((kid) => context.lookup(kid)).filter((kid): kid is PDFDict => kid instanceof PDFDict);
  }
}

function addressOf(annotation: PDFDict): string | null {
  const action = annotation.lookupMaybe(PDFName.of('A'), PDFDict);
  const uri = action?.lookup(PDFName.of('URI'));
  return uri instanceof PDFString || uri instanceof PDFHexString ? uri.decodeText() : null;
}
