import { PdfArray, PdfDict, PdfName, PdfNumber, PdfString } from '@libpdf/core';
import { Structure, type GroundFile } from '@vennet/core/ground/file';
import type { SetBack } from './typeset.js';

/**
 * Lays links over the ways back at the feet of pages: what stands there is an artifact, in which the typesetter may write none. Each is a
 * `Link` element at the end of the structure, so that they interrupt no sentence.
 *
 * @param place the name of the place that they lead to; @param words what is said of them
 */
export function layWaysBack(file: GroundFile, backs: readonly SetBack[], place: string, words: string): void {
  const structure = Structure.of(file);
  for (const { page: number, x, y, width, height } of backs) {
    const page = file.pages[number - 1];
    if (!page) continue;
    const base = page.frame.crop[3] - y;
    const sides = [x, base - height * BELOW, x + width, base + height].map((side) => PdfNumber.of(side));
    const annotation = PdfDict.of({
      Type: PdfName.of('Annot'),
      Subtype: PdfName.of('Link'),
      Rect: new PdfArray(sides),
      Border: new PdfArray([0, 0, 0].map((side) => PdfNumber.of(side))),
      F: PdfNumber.of(4),
      Contents: PdfString.fromString(words),
      Dest: PdfString.fromString(place),
    });
    const ref = file.pdf.context.register(annotation);
    const list = file.resolve(page.dict.get('Annots'));
    if (list instanceof PdfArray) list.push(ref);
    else page.dict.set('Annots', new PdfArray([ref]));
    page.dict.set('Tabs', PdfName.of('S'));
    structure?.add('Link', [ref], page, { near: [], whole: new Set(), instead: null });
  }
}

/** How far letters reach below their line, in heights of the capital ones. */
const BELOW = 0.3;
