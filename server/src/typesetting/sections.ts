import { PdfArray, PdfDict, PdfName, PdfRef, type PDF, type PdfObject } from '@libpdf/core';
import { resolverOf } from './pdf-tree.js';

/** An element of the structure that takes in what comes, and the level of the heading that began it. */
interface Open {
  level: number;
  ref: PdfRef;
  kids: PdfObject[];
}

/**
 * Puts each heading and what follows it into a section of the structure (`Sect`, ISO 32000-1, 14.8.4.2), sections of lower
 * levels within it. The typesetter puts all paragraphs of a book side by side into one element, which a reader then goes
 * through for each page.
 */
export function layOutSections(document: PDF): void {
  const resolve = resolverOf(document);
  const root = document.context.catalog.getDict().getDict('StructTreeRoot', resolve);
  const [top] = root?.getArray('K', resolve)?.toArray() ?? [];
  const whole = top instanceof PdfRef ? resolve(top) : null;
  const kids = whole instanceof PdfDict ? whole.getArray('K', resolve) : undefined;
  if (!(top instanceof PdfRef) || !(whole instanceof PdfDict) || !kids) return;

  const open: [Open, ...Open[]] = [{ level: 0, ref: top, kids: [] }];
  const innermost = () => open.at(-1) ?? open[0];
  const close = () => {
    const { ref, kids } = innermost();
    const section = resolve(ref);
    if (section instanceof PdfDict) section.set('K', new PdfArray(kids));
    open.pop();
  };
  for (const kid of kids) {
    const element = kid instanceof PdfRef ? resolve(kid) : kid;
    if (!(element instanceof PdfDict) || !(kid instanceof PdfRef)) {
      innermost().kids.push(kid);
      continue;
    }
    const level = Number(/^H(\d+)$/.exec(element.getName('S', resolve)?.value ?? '')?.[1] ?? Infinity);
    if (level < Infinity) {
      while (innermost().level >= level) close();
      const within = innermost();
      const section = PdfDict.of({ Type: PdfName.of('StructElem'), S: PdfName.of('Sect'), P: within.ref });
      const ref = document.context.register(section);
      within.kids.push(ref);
      open.push({ level, ref, kids: [] });
    }
    const within = innermost();
    if (within.ref !== top) element.set('P', within.ref);
    within.kids.push(kid);
  }
  while (open.length > 0) close();
}
