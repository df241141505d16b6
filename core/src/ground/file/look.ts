import type { Box } from '../../manuscript/index.js';
import type { Pdfium } from '../../pdfium/index.js';

/** A look has so many rows, and in each of them so many steps from one tone to the next. */
const ROWS = 8;
const STEPS = 8;
/** Each tone of a look is the mean of so many pixels across and down. */
const FINE = 8;
const [WIDTH, HEIGHT] = [(STEPS + 1) * FINE, ROWS * FINE];
/** A smaller picture, as a share of the page, says nothing. */
const SMALLEST = 0.01;
/** Pictures of more pixels are not opened for this: their size and the length of their data tell them apart. */
const MOST_PIXELS = 4_000_000;
const GREY = 0x08;

/**
 * By which a picture is known in another file of the same pages: for each step from one tone to the next, along eight rows, whether it
 * gets lighter (a difference hash, 16 hexadecimal digits). A large one is known by its size and the length of its data.
 *
 * @param page a page that PDFium has loaded; @param object the picture, 0 for a drawing
 * @returns `undefined` for one that is too small, or all in one tone
 */
export function lookOf(pdf: Pdfium, page: number, object: number, box: Box): string | undefined {
  const { calls } = pdf;
  if (box.width < SMALLEST || box.height < SMALLEST) return undefined;
  if (object !== 0) {
    const size = pdf.wholes(2, (at) => Boolean(calls.FPDFImageObj_GetImagePixelSize(object, at, at + 4)));
    const [across = 0, down = 0] = size ?? [];
    if (across * down > MOST_PIXELS)
      return `${across}x${down} ${calls.FPDFImageObj_GetImageDataRaw(object, 0, 0)}`;
  }
  const tones = tonesOf(pdf, page, box);
  let look = '';
  let rises = 0;
  for (let row = 0; row < ROWS; row++) {
    let bits = 0;
    for (let step = 0; step < STEPS; step++) {
      const at = row * (STEPS + 1) + step;
      const isLighter = (tones[at + 1] ?? 0) - (tones[at] ?? 0) > 1;
      bits = bits * 2 + Number(isLighter);
      rises += Number(isLighter);
    }
    look += bits.toString(16).padStart(2, '0');
  }
  return rises < 4 ? undefined : look;
}

/** The tones of a part of a page, row by row, from 0 to 255. */
function tonesOf(pdf: Pdfium, page: number, { x, y, width, height }: Box): number[] {
  const [across, down] = [WIDTH / width, HEIGHT / height];
  const pixels = pdf.drawn(page, WIDTH, HEIGHT, { left: -x * across, top: -y * down, across, down }, GREY);
  const tones: number[] = [];
  for (let row = 0; row < ROWS; row++)
    for (let column = 0; column <= STEPS; column++) {
      let sum = 0;
      for (let below = 0; below < FINE; below++)
        for (let along = 0; along < FINE; along++)
          // Four bytes a pixel, grey in each colour.
          sum += pixels[((row * FINE + below) * WIDTH + column * FINE + along) * 4] ?? 0;
      tones.push(sum / (FINE * FINE));
    }
  return tones;
}
