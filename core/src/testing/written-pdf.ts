import { deflateSync } from 'node:zlib';

/** An object of a PDF as it is written: its text, and the bytes of its stream. */
export type Written = string | { dict: string; stream: string | Uint8Array };

const bytesOf = (text: string): Uint8Array => Uint8Array.from(text, (sign) => sign.charCodeAt(0) & 0xff);

/**
 * A PDF written out by hand (ISO 32000-1, 7.5), so that tests know each byte of it: objects from 1 on, the first of which is the
 * catalog, with a table of references.
 */
export function writtenPdf(objects: readonly Written[], trailer = '', version = '1.7'): Uint8Array {
  const parts: Uint8Array[] = [];
  let length = 0;
  const put = (part: string | Uint8Array) => {
    const bytes = typeof part === 'string' ? bytesOf(part) : part;
    parts.push(bytes);
    length += bytes.length;
  };
  put(`%PDF-${version}\n%\xe2\xe3\xcf\xd3\n`);
  const offsets = objects.map((object, index) => {
    const offset = length;
    put(`${index + 1} 0 obj\n`);
    if (typeof object === 'string') put(object);
    else {
      const stream = typeof object.stream === 'string' ? bytesOf(object.stream) : object.stream;
      put(`<< ${object.dict} /Length ${stream.length} >>\nstream\n`);
      put(stream);
      put('\nendstream');
    }
    put('\nendobj\n');
    return offset;
  });
  const start = length;
  put(`xref\n0 ${objects.length + 1}\n0000000000 65535 f \n`);
  for (const offset of offsets) put(`${String(offset).padStart(10, '0')} 00000 n \n`);
  put(`trailer\n<< /Size ${objects.length + 1} /Root 1 0 R ${trailer} >>\nstartxref\n${start}\n%%EOF\n`);
  const pdf = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    pdf.set(part, at);
    at += part.length;
  }
  return pdf;
}

/** A page of a written PDF: lines of words with where their baselines begin, and its links as annotations. */
export interface WrittenPage {
  lines?: readonly { x: number; y: number; size?: number; text: string }[];
  annotations?: readonly string[];
  /** More of the page's dictionary, such as `/Rotate 90`. */
  more?: string;
  /** More of its content. */
  content?: string;
  box?: readonly [number, number, number, number];
}

/**
 * A PDF of pages with words in Helvetica, their contents packed on wish. The pages are the objects 4, 7, 10 and so on; `more` are objects behind them, the first of which
 * has the number `3 * pages + 4`.
 */
export function writtenPages(
  pages: readonly WrittenPage[],
  { catalog = '', trailer = '', more = [] as readonly Written[], isPacked = false } = {},
): Uint8Array {
  const numbers = pages.map((_, index) => 4 + index * 3);
  const objects: Written[] = [
    `<< /Type /Catalog /Pages 2 0 R ${catalog} >>`,
    `<< /Type /Pages /Kids [${numbers.map((number) => `${number} 0 R`).join(' ')}] /Count ${pages.length} >>`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >>',
  ];
  pages.forEach(
    ({ lines = [], annotations = [], more: own = '', content = '', box = [0, 0, 595, 842] }, index) => {
      const number = 4 + index * 3;
      const words = lines
        .map(
          ({ x, y, size = 12, text }) =>
            `BT /F1 ${size} Tf ${x} ${y} Td (${text.replace(/[()\\]/g, '\\$&')}) Tj ET`,
        )
        .join('\n');
      objects.push(
        `<< /Type /Page /Parent 2 0 R /MediaBox [${box.join(' ')}] /Resources << /Font << /F1 3 0 R >> >> /Contents ${number + 1} 0 R /Annots ${number + 2} 0 R ${own} >>`,
        isPacked
          ? { dict: '/Filter /FlateDecode', stream: deflateSync(bytesOf(`${content}\n${words}`)) }
          : { dict: '', stream: `${content}\n${words}` },
        `[${annotations.join('\n')}]`,
      );
    },
  );
  return writtenPdf([...objects, ...more], trailer);
}
