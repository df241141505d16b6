import { Pdfium } from '../pdfium/index.js';
import { scriptOf } from '../publish/index.js';

/**
 * How many letters of each script stand in each font of a PDF, by the name of the font there (`ABCDEF+Name-Style`).
 *
 * @throws {Error} a PDF that can't be opened
 */
export async function fontsByScript(bytes: Uint8Array): Promise<Map<string, Map<string, number>>> {
  const pdf = await Pdfium.open(bytes);
  const { calls } = pdf;
  const found = new Map<string, Map<string, number>>();
  const names = new Map<number, string>();
  const nameOf = (object: number): string => {
    const font = calls.FPDFTextObj_GetFont(object);
    const known =
      names.get(font) ?? pdf.utf8((at, length) => calls.FPDFFont_GetBaseFontName(font, at, length));
    names.set(font, known);
    return known;
  };
  try {
    for (let number = 0; number < calls.FPDF_GetPageCount(pdf.document); number++) {
      const page = calls.FPDF_LoadPage(pdf.document, number);
      if (page === 0) continue;
      const text = calls.FPDFText_LoadPage(page);
      let [last, name] = [0, ''];
      for (let index = 0; index < calls.FPDFText_CountChars(text); index++) {
        const script = scriptOf(String.fromCodePoint(calls.FPDFText_GetUnicode(text, index)));
        if (script === null) continue;
        const object = calls.FPDFText_GetTextObject(text, index);
        if (object === 0) continue;
        if (object !== last) [last, name] = [object, nameOf(object)];
        const fonts = found.get(script) ?? new Map<string, number>();
        found.set(script, fonts.set(name, (fonts.get(name) ?? 0) + 1));
      }
      calls.FPDFText_ClosePage(text);
      calls.FPDF_ClosePage(page);
    }
  } finally {
    pdf.close();
  }
  return found;
}
