import { init, type WrappedPdfiumModule } from '@embedpdf/pdfium';

/** What a call of PDFium writes its answers to, in bytes; longer ones get memory of their own. */
const SCRATCH = 4096;

/** A PDF in PDFium's memory, and reading of what its calls write there. Handles of PDFium are numbers; 0 is none. */
export class Pdfium {
  private constructor(
    readonly calls: WrappedPdfiumModule,
    readonly document: number,
    readonly scratch: number,
    readonly bytes: number,
  ) {}

  /** @throws {Error} a PDF that can't be opened, with PDFium's number for it (`FPDF_ERR_…`) */
  static async open(bytes: Uint8Array, password = ''): Promise<Pdfium> {
    const calls = await (loading ??= load());
    const { malloc, free } = calls.pdfium.wasmExports;
    const memory = malloc(bytes.length);
    calls.pdfium.HEAPU8.set(bytes, memory);
    const document = calls.FPDF_LoadMemDocument(memory, bytes.length, password);
    if (document !== 0) return new Pdfium(calls, document, malloc(SCRATCH), memory);
    const code = calls.FPDF_GetLastError();
    free(memory);
    throw new Error(`PDFium can’t open this PDF (${code})`);
  }

  close(): void {
    this.calls.FPDF_CloseDocument(this.document);
    const { free } = this.calls.pdfium.wasmExports;
    free(this.bytes);
    free(this.scratch);
  }

  /** Numbers of 4 bytes that a call writes side by side; `null` when it has none. */
  floats(count: number, call: (at: number) => boolean): number[] | null {
    if (!call(this.scratch)) return null;
    const { HEAPF32 } = this.calls.pdfium;
    const numbers: number[] = [];
    for (let at = this.scratch / 4; numbers.length < count; at++) numbers.push(HEAPF32[at] as number);
    return numbers;
  }

  /** Whole numbers of 4 bytes, not below 0, that a call writes; `null` when it has none. */
  wholes(count: number, call: (at: number) => boolean): number[] | null {
    if (!call(this.scratch)) return null;
    return [...new Uint32Array(this.calls.pdfium.HEAPU8.buffer, this.scratch, count)];
  }

  /** Numbers of 8 bytes that a call writes, each to a place of its own; `null` when it has none. */
  doubles(count: number, call: (at: number) => boolean): number[] | null {
    if (!call(this.scratch)) return null;
    return [...this.calls.pdfium.HEAPF64.subarray(this.scratch / 8, this.scratch / 8 + count)];
  }

  /** Text in UTF-16, as a call writes it that says its length in bytes, with the zero at its end. */
  utf16(call: (at: number, length: number) => number): string {
    return this.#text(call, UTF_16, 2);
  }

  /** Text in UTF-8. */
  utf8(call: (at: number, length: number) => number): string {
    return this.#text(call, UTF_8, 1);
  }

  /**
   * A part of a page as it is drawn, four bytes a pixel (blue, green, red, and one that says nothing).
   *
   * @param where the page as a whole lies, in pixels of the part
   */
  drawn(
    page: number,
    width: number,
    height: number,
    { left, top, across, down }: { left: number; top: number; across: number; down: number },
    flags = 0,
  ): Uint8Array {
    const { calls } = this;
    const bitmap = calls.FPDFBitmap_Create(width, height, 0);
    try {
      calls.FPDFBitmap_FillRect(bitmap, 0, 0, width, height, 0xffffffff);
      const [x, y, wide, high] = [left, top, across, down].map(Math.round) as [
        number,
        number,
        number,
        number,
      ];
      calls.FPDF_RenderPageBitmap(bitmap, page, x, y, wide, high, 0, flags);
      const stride = calls.FPDFBitmap_GetStride(bitmap);
      const at = calls.FPDFBitmap_GetBuffer(bitmap);
      const rows = calls.pdfium.HEAPU8.slice(at, at + stride * height);
      if (stride === width * 4) return rows;
      const pixels = new Uint8Array(width * height * 4);
      for (let row = 0; row < height; row++)
        pixels.set(rows.subarray(row * stride, row * stride + width * 4), row * width * 4);
      return pixels;
    } finally {
      calls.FPDFBitmap_Destroy(bitmap);
    }
  }

  #text(call: (at: number, length: number) => number, decoder: TextDecoder, zero: number): string {
    const { malloc, free } = this.calls.pdfium.wasmExports;
    let at = this.scratch;
    const length = call(at, SCRATCH);
    if (length > SCRATCH) call((at = malloc(length)), length);
    const bytes = this.calls.pdfium.HEAPU8.slice(at, at + Math.max(0, length - zero));
    if (at !== this.scratch) free(at);
    return decoder.decode(bytes);
  }
}

const UTF_16 = new TextDecoder('utf-16le', { ignoreBOM: true });
const UTF_8 = new TextDecoder('utf-8', { ignoreBOM: true });

let loading: Promise<WrappedPdfiumModule> | undefined;

async function load(): Promise<WrappedPdfiumModule> {
  const calls = await init({});
  calls.PDFiumExt_Init();
  return { ...calls, ...directly(calls) };
}

/** Calls that are given text, which has to be written into PDFium's memory first. */
const GIVEN_TEXT = new Set([
  'FPDF_LoadMemDocument',
  'FPDFAnnot_GetStringValue',
  'FPDFAnnot_GetValueType',
  'FPDFAnnot_GetLinkedAnnot',
]);

/** The calls without what the package puts around each of them, which takes a third of the time of reading a long book. */
function directly(calls: WrappedPdfiumModule): Partial<WrappedPdfiumModule> {
  const own = calls.pdfium.wasmExports as unknown as Record<string, unknown>;
  const names = Object.keys(calls).filter((name) => !GIVEN_TEXT.has(name) && typeof own[name] === 'function');
  return Object.fromEntries(names.map((name) => [name, own[name]]));
}
