import { PdfDict, PdfRef, type PDF, type PdfObject } from '@libpdf/core';

/** An object of a PDF, whether it is given itself or by its number. */
export const resolverOf =
  ({ context }: PDF) =>
  (given: PdfRef): PdfObject | null =>
    context.resolve(given);

/** An annotation that opens an address, and its action. */
export interface LinkAnnotation {
  annotation: PdfDict;
  address: string;
  action: PdfDict;
}

/** Those of all pages. */
export function* linkAnnotations(document: PDF): Generator<LinkAnnotation> {
  const resolve = resolverOf(document);
  for (const page of document.getPages())
    for (const one of page.dict.getArray('Annots', resolve)?.toArray() ?? []) {
      const annotation = one instanceof PdfRef ? resolve(one) : one;
      if (!(annotation instanceof PdfDict)) continue;
      const action = annotation.getDict('A', resolve);
      const uri = action?.getString('URI', resolve);
      // The typesetter writes it in UTF-8.
      if (action && uri) yield { annotation, address: UTF_8.decode(uri.bytes), action };
    }
}

const UTF_8 = new TextDecoder();
