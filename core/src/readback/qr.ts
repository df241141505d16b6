import { groupedBy } from '../manuscript/index.js';
import { Pdfium } from '../pdfium/index.js';
import type { PrintedAddress } from '../publish/index.js';
import type { PrintedPart } from './proof.js';

/** Where the code of an address stands on its page, in points from the upper left corner. */
export interface CodeOnPage {
  number: number;
  page: number;
  x: number;
  y: number;
  side: number;
}

/** How many pixels a code is drawn across to be read: more than a phone sees of it. */
const PIXELS = 400;

/**
 * Reads the codes of printed addresses as a phone does: each is drawn by PDFium and read by a reader that shares no code with its maker.
 *
 * @throws {Error} a PDF that can't be opened
 */
export async function proveCodes(
  bytes: Uint8Array,
  printed: readonly PrintedAddress[],
  codes: readonly CodeOnPage[],
): Promise<PrintedPart> {
  const { default: jsqr } = await import('jsqr');
  const pdf = await Pdfium.open(bytes);
  const said = new Map<number, Set<string>>();
  try {
    const { calls } = pdf;
    for (const [sheet, here] of groupedBy(codes, ({ page }) => page)) {
      const page = calls.FPDF_LoadPage(pdf.document, sheet - 1);
      if (page === 0) continue;
      for (const { number, x, y, side } of here) {
        const scale = PIXELS / side;
        const pixels = pdf.drawn(page, PIXELS, PIXELS, {
          left: -x * scale,
          top: -y * scale,
          across: calls.FPDF_GetPageWidthF(page) * scale,
          down: calls.FPDF_GetPageHeightF(page) * scale,
        });
        const found = jsqr.default(new Uint8ClampedArray(pixels), PIXELS, PIXELS);
        if (found) said.set(number, (said.get(number) ?? new Set()).add(found.data));
      }
      calls.FPDF_ClosePage(page);
    }
  } finally {
    pdf.close();
  }
  const lost = printed.filter(({ number, address }) => !said.get(number)?.has(address));
  return {
    expected: printed.length,
    found: printed.length - lost.length,
    lost: lost.map(({ link: id, address: href, chapter, number }) => ({
      id,
      href,
      text: `[${number}]`,
      chapter,
    })),
  };
}
