import { PdfArray, PdfDict, PdfRef, type PDF, type PdfObject } from '@libpdf/core';

/** An object of a PDF, whether it is given itself or by its number. */
export const resolverOf =
  ({ context }: PDF) =>
  (given: PdfRef): PdfObject | null =>
    context.resolve(given);

/** The annotations of each `Link` element, in the order of the structure; those of the contents (`TOC`) are left out. */
export function* linkElements(document: PDF): Generator<PdfDict[]> {
  const resolve = resolverOf(document);
  const root = document.context.catalog.getDict().getDict('StructTreeRoot', resolve);
  if (root) yield* walk(root);

  function* walk(element: PdfDict): Generator<PdfDict[]> {
    const role = element.getName('S', resolve)?.value;
    if (role === 'TOC') return;
    if (role === 'Link') {
      const own = [...annotationsIn(element)];
      if (own.length > 0) yield own;
    }
    for (const kid of kidsOf(element)) if (kid.has('S')) yield* walk(kid);
  }

  function* annotationsIn(element: PdfDict): Generator<PdfDict> {
    for (const kid of kidsOf(element)) {
      const annotation = kid.getRef('Obj') && kid.getDict('Obj', resolve);
      if (annotation) yield annotation;
      else if (kid.has('S')) yield* annotationsIn(kid);
    }
  }

  function kidsOf(element: PdfDict): PdfDict[] {
    const kids = element.get('K', resolve);
    const all = kids instanceof PdfArray ? kids.toArray() : kids ? [kids] : [];
    return all
      .map((kid) => (kid instanceof PdfRef ? resolve(kid) : kid))
      .filter((kid): kid is PdfDict => kid instanceof PdfDict);
  }
}

/** The address that a link annotation opens, if it opens one. The typesetter writes it in UTF-8. */
export function addressOf(annotation: PdfDict, document: PDF): string | null {
  const resolve = resolverOf(document);
  const uri = annotation.getDict('A', resolve)?.getString('URI', resolve);
  return uri ? new TextDecoder().decode(uri.bytes) : null;
}
