import { readPage, type PdfPage } from './page.js';
import type { Pdfium } from './pdfium.js';

/** The next page that none of the readers of a PDF has taken, from 1; beyond the last when all are taken. */
export type Turn = () => number;

/** Turns that readers in several threads share. */
export const sharedTurns =
  (counter: Int32Array<SharedArrayBuffer>): Turn =>
  () =>
    Atomics.add(counter, 0, 1) + 1;

/** The pages that fall to one of the readers of a PDF, by their numbers. @param taken called for each that is read */
export function pagesInTurn(
  pdf: Pdfium,
  turn: Turn,
  taken: (number: number) => void = () => {},
): Map<number, PdfPage> {
  const total = pdf.calls.FPDF_GetPageCount(pdf.document);
  const pages = new Map<number, PdfPage>();
  for (let number = turn(); number <= total; number = turn()) {
    pages.set(number, readPage(pdf, number));
    taken(number);
  }
  return pages;
}
