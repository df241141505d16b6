import type * as Pdfjs from 'pdfjs-dist';
import type { PDFPageProxy, RenderTask } from 'pdfjs-dist';

/** What draws the pages of a PDF, with its worker; it is loaded when the first one is drawn. */
async function pdfjs(): Promise<typeof Pdfjs> {
  const library = await import('pdfjs-dist');
  library.GlobalWorkerOptions.workerSrc = new URL(
    'pdfjs-dist/build/pdf.worker.min.mjs',
    import.meta.url,
  ).href;
  return library;
}

/** Fonts that a file does not bring along, and character maps of older ones in Asia. */
const RESOURCES = {
  standardFontDataUrl: '/pdf/standard_fonts/',
  cMapUrl: '/pdf/cmaps/',
  wasmUrl: '/pdf/wasm/',
  isEvalSupported: false,
};

/** Begins to read a PDF by its address; only what is looked at is fetched. */
export async function openPdf(url: string, password?: string | null): Promise<Pdfjs.PDFDocumentLoadingTask> {
  const { getDocument } = await pdfjs();
  return getDocument({
    ...RESOURCES,
    url,
    password: password ?? undefined,
    disableAutoFetch: true,
    disableStream: true,
  });
}

/** Reads a PDF that is here. */
export async function readPdf(data: ArrayBuffer, password?: string | null): Promise<Pdfjs.PDFDocumentProxy> {
  const { getDocument } = await pdfjs();
  return getDocument({ ...RESOURCES, data, password: password ?? undefined }).promise;
}

/** Begins to draw a page, so many pixels wide, into a canvas that becomes as large. `annotationMode` as pdf.js has it; 0 is none. */
export function drawPage(
  page: PDFPageProxy,
  canvas: HTMLCanvasElement,
  pixels: number,
  annotationMode?: number,
): RenderTask {
  const viewport = page.getViewport({ scale: pixels / page.getViewport({ scale: 1 }).width });
  canvas.width = viewport.width;
  canvas.height = viewport.height;
  return page.render({ canvas, viewport, annotationMode });
}

/** Lays the words of a page over its picture, so that they can be selected and read out; not when they are wanted no more by then. */
export async function layWords(
  page: PDFPageProxy,
  container: HTMLElement,
  viewport: Pdfjs.PageViewport,
  isGone: () => boolean,
): Promise<void> {
  const { TextLayer } = await pdfjs();
  const textContentSource = await page.getTextContent();
  if (isGone()) return;
  container.replaceChildren();
  container.style.setProperty('--total-scale-factor', String(viewport.scale));
  await new TextLayer({ textContentSource, container, viewport }).render();
}
