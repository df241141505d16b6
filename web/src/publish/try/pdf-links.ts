import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';
import type { Leads, ReadLink } from './reading-state.js';

/** A link of a page of a PDF, and where it can be pressed. */
export interface PdfLink extends ReadLink {
  rects: number[][];
}

/** What pdf.js gives of an annotation, as far as it is needed. */
interface Given {
  subtype: string;
  rect: number[];
  quadPoints?: ArrayLike<number>;
  url?: string;
  unsafeUrl?: string;
  dest?: string | unknown[];
  contentsObj?: { str: string };
  file?: { filename: string };
}

interface Item {
  str: string;
  width: number;
  height: number;
  transform: number[];
}

/** A link as its annotations say it, without the words that stand under it. */
interface Pressed {
  given: Given;
  href: string;
  rects: number[][];
}

/** The links of a page in their order, with the words that stand under them. */
export async function linksOf(file: PDFDocumentProxy, page: PDFPageProxy): Promise<PdfLink[]> {
  const pressed = await pressedOn(page);
  if (pressed.length === 0) return [];
  const items = (await page.getTextContent()).items.filter(
    (item): item is Item & typeof item => 'str' in item,
  );
  return Promise.all(
    pressed.map(async ({ given, href, rects }): Promise<PdfLink> => {
      const note = given.contentsObj?.str ?? '';
      return {
        href,
        note,
        rects,
        words: wordsUnder(items, rects) || note,
        leads: await leadsOf(file, given),
      };
    }),
  );
}

/** How many links a page has. */
export const linkCountOf = async (page: PDFPageProxy): Promise<number> => (await pressedOn(page)).length;

/** What can be pressed on a page: one link on several lines may be several annotations, one after the other. */
async function pressedOn(page: PDFPageProxy): Promise<Pressed[]> {
  const all: Pressed[] = [];
  for (const given of (await page.getAnnotations()) as Given[]) {
    if (given.subtype !== 'Link' && given.file === undefined) continue;
    const link = {
      given,
      href: given.url ?? given.unsafeUrl ?? given.file?.filename ?? destName(given.dest),
      rects: rectsOf(given),
    };
    const before = all.at(-1);
    if (before && before.href === link.href && before.href !== '' && isNextLine(before, link))
      before.rects.push(...link.rects);
    else all.push(link);
  }
  return all;
}

function isNextLine(before: Pressed, link: Pressed): boolean {
  const [last, next] = [before.rects.at(-1), link.rects[0]];
  if (!last || !next) return false;
  const high = (last[3] ?? 0) - (last[1] ?? 0);
  const gap = (last[1] ?? 0) - (next[3] ?? 0);
  const isBeside =
    Math.abs((last[1] ?? 0) - (next[1] ?? 0)) < 2 && Math.abs((next[0] ?? 0) - (last[2] ?? 0)) < 2;
  return isBeside || (gap < high && gap > -high / 2 && (next[0] ?? 0) < (last[0] ?? 0));
}

function rectsOf({ rect, quadPoints }: Given): number[][] {
  if (!quadPoints || quadPoints.length < 8) return [rect];
  return Array.from({ length: Math.floor(quadPoints.length / 8) }, (_, quad) => {
    const points = Array.from({ length: 8 }, (_unused, at) => quadPoints[quad * 8 + at] ?? 0);
    const xs = points.filter((_unused, at) => at % 2 === 0);
    const ys = points.filter((_unused, at) => at % 2 === 1);
    return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  });
}

/** The words of each piece of text as far as it lies within the rectangles; a sign is taken to be as wide as any other. */
function wordsUnder(items: readonly Item[], rects: readonly number[][]): string {
  const words: string[] = [];
  for (const [left = 0, bottom = 0, right = 0, top = 0] of rects)
    for (const { str, width, height, transform } of items) {
      const [x, y] = [transform[4] ?? 0, transform[5] ?? 0];
      const middle = y + height / 3;
      if (str.trim() === '' || middle < bottom || middle > top || x + width <= left || x >= right) continue;
      const each = width / Math.max(1, str.length);
      const from = Math.max(0, Math.round((left - x) / each));
      const to = Math.min(str.length, Math.round((right - x) / each));
      words.push(str.slice(from, to).trim());
    }
  return words.join(' ').replace(/\s+/g, ' ').trim();
}

const destName = (dest: Given['dest']): string => (typeof dest === 'string' ? `#${dest}` : dest ? '#' : '');

async function leadsOf(
  file: PDFDocumentProxy,
  { url, unsafeUrl, dest, file: inside }: Given,
): Promise<Leads> {
  if (inside) return { within: inside.filename };
  if (url) return { out: url };
  if (unsafeUrl) return /^[a-z][a-z0-9+.-]*:/i.test(unsafeUrl) ? { out: unsafeUrl } : { beside: unsafeUrl };
  const explicit = typeof dest === 'string' ? await file.getDestination(dest) : dest;
  const [page, , left, top] = (explicit ?? []) as [unknown, unknown, unknown, unknown];
  if (page === undefined) return null;
  const index = typeof page === 'number' ? page : await file.getPageIndex(page as never).catch(() => null);
  if (index === null) return null;
  const spot = typeof top === 'number' ? `${typeof left === 'number' ? left : 0},${top}` : '';
  return { inside: { path: String(index + 1), spot } };
}
