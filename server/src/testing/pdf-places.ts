import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** Sides in points from the lower left corner of the page (ISO 32000-1, 8.3.2.3). */
export interface Sides {
  left: number;
  bottom: number;
  right: number;
  top: number;
}

/** Every link annotation of a PDF as pdfjs reads it, which shares no code with the maker. */
export async function linkAnnotations(
  bytes: Uint8Array,
): Promise<{ url: string | null; contents: string; rect: Sides }[]> {
  return onEachPage(bytes, async (page) => {
    const annotations = (await page.getAnnotations()) as {
      subtype: string;
      unsafeUrl?: string;
      contentsObj?: { str: string };
      rect: [number, number, number, number];
    }[];
    return annotations
      .filter(({ subtype }) => subtype === 'Link')
      .map(({ unsafeUrl, contentsObj, rect: [left, bottom, right, top] }) => ({
        url: unsafeUrl ?? null,
        contents: contentsObj?.str ?? '',
        rect: { left, bottom, right, top },
      }));
  });
}

type Matrix = [number, number, number, number, number, number];
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

/** Where the pictures of a PDF are painted: the unit square under the matrix of the moment (ISO 32000-1, 8.9.5.1). */
export async function picturesInPdf(
  bytes: Uint8Array,
): Promise<{ left: number; top: number; width: number; height: number }[]> {
  return onEachPage(bytes, async (page) => {
    const { fnArray, argsArray } = await page.getOperatorList();
    const pictures: { left: number; top: number; width: number; height: number }[] = [];
    let matrix: Matrix = [1, 0, 0, 1, 0, 0];
    const saved: Matrix[] = [];
    fnArray.forEach((operator, index) => {
      const given = argsArray[index] as unknown[];
      if (operator === OPS.save) saved.push(matrix);
      else if (operator === OPS.restore) matrix = saved.pop() ?? matrix;
      else if (operator === OPS.transform) matrix = times(matrix, given as unknown as Matrix);
      else if (operator === OPS.paintFormXObjectBegin) {
        saved.push(matrix);
        if (given[0]) matrix = times(matrix, given[0] as Matrix);
      } else if (operator === OPS.paintFormXObjectEnd) matrix = saved.pop() ?? matrix;
      else if (operator === OPS.paintImageXObject) {
        const [a, , , d, e, f] = matrix;
        const [width, height] = [Math.abs(a), Math.abs(d)];
        pictures.push({ left: Math.min(e, e + a), top: Math.max(f, f + d), width, height });
      }
    });
    return pictures;
  });
}

type Page = Awaited<ReturnType<Awaited<ReturnType<typeof getDocument>['promise']>['getPage']>>;

async function onEachPage<Found>(
  bytes: Uint8Array,
  find: (page: Page) => Promise<Found[]>,
): Promise<Found[]> {
  const task = getDocument({ data: bytes.slice(), verbosity: 0 });
  try {
    const document = await task.promise;
    const found: Found[] = [];
    for (let number = 1; number <= document.numPages; number++)
      found.push(...(await find(await document.getPage(number))));
    return found;
  } finally {
    await task.destroy();
  }
}
