import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** A piece of a page's text, or the beginning or end of marked content. */
export type PdfItem = Awaited<ReturnType<PDFPageProxy['getTextContent']>>['items'][number];

/** The text of a PDF, page by page; each page is read once. */
export class PdfText {
  readonly #pages = new Map<number, Promise<PdfItem[]>>();

  constructor(readonly document: PDFDocumentProxy) {}

  on(number: number): Promise<PdfItem[]> {
    const known = this.#pages.get(number) ?? this.#read(number);
    this.#pages.set(number, known);
    return known;
  }

  async #read(number: number): Promise<PdfItem[]> {
    const page = await this.document.getPage(number);
    return (await page.getTextContent({ includeMarkedContent: true })).items;
  }
}
