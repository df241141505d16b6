import type { PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { CutOffLine, FoundLink } from './found-link.js';
import { PdfSpots } from './pdf-spots.js';
import { PdfText, type PdfItem } from './pdf-text.js';

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

export interface PdfReadback {
  links: FoundLink[];
  pages: number;
  cutOff: CutOffLine[];
}

/**
 * Every link annotation of a tagged PDF, in the order of its structure, but those of the contents (inside `TOC`).
 * Annotations of one `Link` element on one page are one link, however many lines it runs over.
 *
 * @param progress pages read and pages in all
 */
export async function linksInPdf(
  bytes: Uint8Array,
  progress: (done: number, total: number) => void = () => {},
): Promise<PdfReadback> {
  // Read only here: its polyfills take the place of the engine's own JSON, several times slower.
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const task = getDocument({ data: bytes, useSystemFonts: false, verbosity: 0 });
  try {
    const document = await task.promise;
    const text = new PdfText(document);
    const spots = new PdfSpots(document, text);
    const links: FoundLink[] = [];
    const cutOff: CutOffLine[] = [];
    let before: FoundLink[] = [];
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number);
      const onPage = await linksOnPage(page, number, text, spots);
      const [first] = onPage;
      // Notes at the foot of the page before may stand between the two halves of a link.
      if (first && before.some(({ href }) => href === first.href)) first.mayContinue = true;
      before = onPage;
      links.push(...onPage);
      cutOff.push(...linesCutOff(await text.on(number), page.view, `page ${number}`));
      page.cleanup();
      progress(number, document.numPages);
    }
    return { links, pages: document.numPages, cutOff };
  } finally {
    await task.destroy();
  }
}

async function linksOnPage(
  page: PDFPageProxy,
  number: number,
  text: PdfText,
  spots: PdfSpots,
): Promise<FoundLink[]> {
  const all = (await page.getAnnotations()) as Annotation[];
  const annotations = new Map(all.filter(({ subtype }) => subtype === 'Link').map((one) => [one.id, one]));
  if (annotations.size === 0) return [];
  const tree = (await page.getStructTree()) as StructNode | null;
  const words = wordsByContent(await text.on(number));
  const where = `page ${number}`;
  const links: FoundLink[] = [];
  const seen = new Set(idsInContents(tree));
  for (const element of linkElements(tree)) {
    const leaves = leavesOf(element);
    const own = leaves.flatMap((leaf) => annotations.get(leaf.id ?? '') ?? []);
    for (const { id } of own) seen.add(id);
    const [first] = own;
    if (!first) continue;
    // What is written within a picture is part of the picture.
    const said = leavesOf(element, 'Figure')
      .map((leaf) => words.get(leaf.id ?? '') ?? '')
      .join('');
    links.push({ ...(await targetOf(first, spots)), text: said, note: first.contentsObj?.str, where });
  }
  // An entry of the contents that runs over two lines may stand outside of their structure.
  const ofContents = ({ dest }: Annotation) => Array.isArray(dest) && hasContents(tree);
  for (const [id, annotation] of annotations)
    if (!seen.has(id) && !ofContents(annotation))
      links.push({ ...(await targetOf(annotation, spots)), text: '', where });
  return links;
}

async function targetOf(
  annotation: Annotation,
  spots: PdfSpots,
): Promise<Pick<FoundLink, 'href' | 'lands' | 'landing'>> {
  const href = annotation.unsafeUrl ?? annotation.url;
  if (href !== undefined) return { href, lands: true };
  const { dest } = annotation;
  const landing = await spots.landingOf(dest);
  return {
    href: typeof dest === 'string' ? `#${dest}` : '#',
    lands: landing !== null,
    landing: landing ?? undefined,
  };
}

/** Nearer to the edge of a page than this, in points, no words of a book stand: what does so goes on outside. */
const EDGE = 20;

/** Pieces of text that run over an edge of their page: `view` is its box, from the lower left corner. */
function linesCutOff(items: readonly PdfItem[], view: readonly number[], where: string): CutOffLine[] {
  const [left = 0, bottom = 0, right = 0, top = 0] = view;
  return items.flatMap((item) => {
    if (!('str' in item) || item.str.trim() === '') return [];
    const [, , , , x = 0, y = 0] = item.transform as number[];
    const isInside =
      x >= left + EDGE && x + item.width <= right - EDGE && y >= bottom + EDGE && y <= top - EDGE;
    return isInside ? [] : [{ text: item.str.slice(0, 200), where }];
  });
}

/** The text of each piece of marked content on a page, by its id. */
function wordsByContent(items: readonly PdfItem[]): Map<string, string> {
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

const hasContents = (node: StructNode | null): boolean =>
  node !== null && (node.role === 'TOC' || (node.children ?? []).some(hasContents));

function idsInContents(node: StructNode | null): string[] {
  if (!node) return [];
  if (node.role === 'TOC') return leavesOf(node).flatMap((leaf) => leaf.id ?? []);
  return (node.children ?? []).flatMap(idsInContents);
}
