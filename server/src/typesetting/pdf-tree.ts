import {
  PDFArray,
  PDFDict,
  PDFHexString,
  PDFName,
  PDFRef,
  PDFString,
  type PDFDocument,
  type PDFObject,
} from '@cantoo/pdf-lib';

/** The annotations of each `Link` element, in the order of the structure; those of the contents (`TOC`) are left out. */
export function* linkElements(document: PDFDocument): Generator<PDFDict[]> {
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

/** The address that a link annotation opens, if it opens one. The typesetter writes it in UTF-8. */
export function addressOf(annotation: PDFDict): string | null {
  const action = annotation.lookupMaybe(PDFName.of('A'), PDFDict);
  const uri = action?.lookup(PDFName.of('URI'));
  return uri instanceof PDFString || uri instanceof PDFHexString
    ? new TextDecoder().decode(uri.asBytes())
    : null;
}
