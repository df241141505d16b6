import { getDocument, type PDFDocumentProxy, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { FoundLink } from './found-link.js';

interface Annotation {
  id: string;
  subtype: string;
  url?: string;
  unsafeUrl?: string;
  dest?: unknown;
  contentsObj?: { str: string };
}

/** A node of the tree that `getStructTree` gives: an element with a role, or a leaf with an id. */
interface StructNode {
  role?: string;
  type?: string;
  id?: string;
  children?: StructNode[];
}

/** Where the typesetter put a place: page from 1, `x` and `y` in points from the page's upper left corner. */
export interface PlacePosition {
  id: string;
  page: number;
  x: number;
  y: number;
}

export interface PdfReadback {
  links: FoundLink[];
  pages: number;
  /** For places at one spot, the one by which all of them are called in `links`. */
  samePlace: Map<string, string>;
}

/**
 * Every link annotation of a tagged PDF, in the order of its structure, but those of the contents (inside `TOC`).
 * Annotations of one `Link` element on one page are one link, however many lines it runs over.
 *
 * @param places where the typesetter put the places that links lead to
 * @param progress pages read and pages in all
 */
export async function linksInPdf(
  bytes: Uint8Array,
  places: readonly PlacePosition[] = [],
  progress: (done: number, total: number) => void = () => {},
): Promise<PdfReadback> {
  const task = getDocument({ data: bytes, useSystemFonts: false, verbosity: 0 });
  try {
    const document = await task.promise;
    const spots = new Spots(document, places);
    const links: FoundLink[] = [];
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number);
      const onPage = await linksOnPage(page, number, spots);
      const [first] = onPage;
      if (first && links.at(-1)?.where === `page ${number - 1}` && links.at(-1)?.href === first.href)
        first.mayContinue = true;
      links.push(...onPage);
      page.cleanup();
      progress(number, document.numPages);
    }
    return { links, pages: document.numPages, samePlace: spots.samePlace };
  } finally {
    await task.destroy();
  }
}

async function linksOnPage(page: PDFPageProxy, number: number, spots: Spots): Promise<FoundLink[]> {
  const all = (await page.getAnnotations()) as Annotation[];
  const annotations = new Map(all.filter(({ subtype }) => subtype === 'Link').map((one) => [one.id, one]));
  if (annotations.size === 0) return [];
  const tree = (await page.getStructTree()) as StructNode | null;
  const words = await wordsByContent(page);
  const where = `page ${number}`;
  const links: FoundLink[] = [];
  const seen = new Set(idsInContents(tree));
  for (const element of linkElements(tree)) {
    const leaves = leavesOf(element);
    const own = leaves.flatMap((leaf) => annotations.get(leaf.id ?? '') ?? []);
    for (const { id } of own) seen.add(id);
    if (own.length === 0) continue;
    // What is written within a picture is part of the picture.
    const text = leavesOf(element, 'Figure')
      .map((leaf) => words.get(leaf.id ?? '') ?? '')
      .join('');
    links.push({ ...(await spots.target(own[0])), text, note: own[0].contentsObj?.str, where });
  }
  for (const [id, annotation] of annotations)
    if (!seen.has(id)) links.push({ ...(await spots.target(annotation)), text: '', where });
  return links;
}

/** The text of each piece of marked content on a page, by its id. */
async function wordsByContent(page: PDFPageProxy): Promise<Map<string, string>> {
  const { items } = await page.getTextContent({ includeMarkedContent: true });
  const words = new Map<string, string>();
  const open: (string | null)[] = [];
  for (const item of items) {
    if ('str' in item) {
      const id = open.findLast((one) => one !== null);
      if (id) words.set(id, (words.get(id) ?? '') + item.str + (item.hasEOL ? ' ' : ''));
    } else if (item.type === 'endMarkedContent') open.pop();
    else open.push(item.id ?? null);
  }
  return words;
}

function* linkElements(node: StructNode | null): Generator<StructNode> {
  if (!node || node.role === 'TOC') return;
  if (node.role === 'Link') yield node;
  else for (const child of node.children ?? []) yield* linkElements(child);
}

function leavesOf(node: StructNode, without?: string): StructNode[] {
  if (without !== undefined && node.role === without) return [];
  return node.children ? node.children.flatMap((child) => leavesOf(child, without)) : [node];
}

function idsInContents(node: StructNode | null): string[] {
  if (!node) return [];
  if (node.role === 'TOC') return leavesOf(node).flatMap((leaf) => leaf.id ?? []);
  return (node.children ?? []).flatMap(idsInContents);
}

/**
 * Spots of the file, and the places at them. A place is at a spot when the file names it so, or when the typesetter put
 * it there: a destination stands 10 pt above its place, so that the line can be seen.
 */
class Spots {
  readonly samePlace = new Map<string, string>();
  readonly #bySpot = new Map<string, string>();

  constructor(
    readonly document: PDFDocumentProxy,
    readonly places: readonly PlacePosition[],
  ) {
    for (const { id, page, x, y } of places) {
      const spot = `${page}:${Math.round(x)}:${Math.round(Math.max(0, y - 10))}`;
      const first = this.#bySpot.get(spot) ?? id;
      this.#bySpot.set(spot, first);
      this.samePlace.set(id, first);
    }
  }

  async target(annotation: Annotation): Promise<Pick<FoundLink, 'href' | 'lands'>> {
    const href = annotation.unsafeUrl ?? annotation.url;
    if (href !== undefined) return { href, lands: true };
    const { dest } = annotation;
    const explicit = typeof dest === 'string' ? await this.document.getDestination(dest) : dest;
    if (!Array.isArray(explicit)) return { href: typeof dest === 'string' ? `#${dest}` : '#', lands: false };
    if (typeof dest === 'string') return { href: `#${this.samePlace.get(dest) ?? dest}`, lands: true };
    const spot = await this.#spotOf(explicit);
    return { href: `#${this.#bySpot.get(spot) ?? spot}`, lands: true };
  }

  /** Page, and points from the left and from the top (`/XYZ left top zoom` counts from below, ISO 32000-1, 12.3.2.2). */
  async #spotOf([reference, , left, top]: unknown[]): Promise<string> {
    const number = (await this.document.getPageIndex(reference as { num: number; gen: number })) + 1;
    const page = await this.document.getPage(number);
    const [, , , height] = page.view;
    return `${number}:${Math.round(Number(left))}:${Math.round(height - Number(top))}`;
  }
}
