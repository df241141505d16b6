import type { CutOffLine, FoundLink } from './found-link.js';
import {
  Pdfium,
  pagesInTurn,
  readPage,
  type Annotation,
  type Box,
  type LinkElement,
  type PdfPage,
  type Turn,
} from '../pdfium/index.js';
import { joined, PdfSpots } from './pdf-spots.js';

export interface PdfReadback {
  links: FoundLink[];
  pages: number;
  cutOff: CutOffLine[];
  /** The words of each page. */
  words: string[];
}

/** Another reader of the same file, in a thread of its own. */
export interface SecondReader {
  /** Turns of both. */
  turn: Turn;
  /** What it has read, once all pages are taken. Pages that it took and did not read are read after it. */
  pages: Promise<Iterable<[number, PdfPage]>>;
}

/**
 * Every link annotation of a tagged PDF, in the order of its structure, but those of the contents (inside `TOC`).
 * Annotations of one `Link` element on one page are one link, however many lines it runs over: those that can be pressed where
 * the words and pictures of the element stand.
 *
 * @param progress pages read and pages in all
 * @param second pages that it does not read are read here
 * @throws {Error} a PDF that can't be opened
 */
export async function linksInPdf(
  bytes: Uint8Array,
  progress: (done: number, total: number) => void = () => {},
  second: SecondReader | null = null,
): Promise<PdfReadback> {
  const pdf = await Pdfium.open(bytes);
  try {
    const total = pdf.calls.FPDF_GetPageCount(pdf.document);
    const pages = pagesInTurn(pdf, second?.turn ?? oneByOne(), (number) => progress(number, total));
    for (const [number, page] of (await second?.pages) ?? []) pages.set(number, page);
    // What the second took and did not read is read here.
    const pageOf = (number: number): PdfPage => {
      const known = pages.get(number) ?? readPage(pdf, number);
      pages.set(number, known);
      return known;
    };
    const spots = new PdfSpots(total, (number) => pageOf(number).pieces);
    const links: FoundLink[] = [];
    const cutOff: CutOffLine[] = [];
    const words: string[] = [];
    let before: FoundLink[] = [];
    for (let number = 1; number <= total; number++) {
      const page = pageOf(number);
      const where = `page ${number}`;
      const onPage = linksOn(page, where, spots, new Set(before.map(({ href }) => href)));
      before = onPage;
      links.push(...onPage);
      cutOff.push(...linesCutOff(page, where));
      words.push(page.pieces.map(({ text }) => text).join(''));
    }
    return { links, pages: total, cutOff, words };
  } finally {
    pdf.close();
  }
}

function oneByOne(): Turn {
  let number = 0;
  return () => ++number;
}

/** @param before where links of the page before lead */
function linksOn(page: PdfPage, where: string, spots: PdfSpots, before: ReadonlySet<string>): FoundLink[] {
  const owners = ownersOf(page);
  const found = (annotations: readonly Annotation[], first: Annotation, text: string): FoundLink => ({
    ...targetOf(first, spots),
    text,
    note: first.contents,
    where,
    areas: annotations.flatMap(({ areas }) =>
      areas.map(([a, b, c, d]) => [round(a), round(b), round(c), round(d)] as const),
    ),
  });
  const links: FoundLink[] = [];
  for (const element of page.elements) {
    const own = owners.get(element) ?? [];
    const [first] = own;
    if (!first || element.isContents) continue;
    const link = found(own, first, joined(element.words).trim());
    link.astray = astray(element, link.areas ?? []);
    if (before.has(link.href) && isAtTop(page, element)) link.mayContinue = true;
    links.push(link);
  }
  const owned = new Set([...owners.values()].flat());
  // An entry of the contents that runs over two lines may stand outside of their structure.
  const isEntry = ({ uri, name, spot }: Annotation) =>
    page.hasContents && uri === null && name === null && spot !== null;
  for (const annotation of page.annotations)
    if (!owned.has(annotation) && !isEntry(annotation)) links.push(found([annotation], annotation, ''));
  return links;
}

/** To a hundredth of a point. */
const round = (value: number): number => Math.round(value * 100) / 100;

/** How far words stand out from where their link can be pressed, in points; those on no line of it are not seen to belong to it. */
function astray({ words }: LinkElement, areas: readonly Box[]): number {
  const off = words.map(({ text, box }) => {
    if (text.trim() === '') return 0;
    const middle = (box[1] + box[3]) / 2;
    const onLine = areas.filter((area) => middle >= area[1] - 1 && middle <= area[3] + 1);
    const beside = onLine.map((area) => Math.max(area[0] - box[0], box[2] - area[2], 0));
    return beside.length === 0 ? 0 : Math.min(...beside);
  });
  return round(Math.max(0, ...off));
}

/** Words at the top of a page may be the end of a link on the page before; notes at the feet of both stand between them. */
function isAtTop({ pieces }: PdfPage, { words }: LinkElement): boolean {
  const top = Math.max(...pieces.map(({ box }) => box[3]));
  return words.some(({ box, size }) => box[3] > top - size);
}

/**
 * The annotations of each `Link` element: PDFium doesn't say which they are, so they are told by where they lie. One that lies
 * on the picture of another link, as the link of a part of it does, is none of its own.
 */
function ownersOf(page: PdfPage): Map<LinkElement, Annotation[]> {
  const nearest = new Map<LinkElement, { annotation: Annotation; share: number }[]>();
  for (const annotation of page.annotations) {
    let best: { element: LinkElement; share: number } | null = null;
    for (const element of page.elements) {
      const share = shareOf(annotation, element);
      if (share > (best?.share ?? 0)) best = { element, share };
    }
    if (!best) continue;
    const { element, share } = best;
    nearest.set(element, [...(nearest.get(element) ?? []), { annotation, share }]);
  }
  const owners = new Map<LinkElement, Annotation[]>();
  for (const [element, all] of nearest) {
    const first = all.reduce((one, other) => (other.share > one.share ? other : one)).annotation;
    const isOnePicture = joined(element.words).trim() === '';
    const same = all.map(({ annotation }) => annotation).filter((one) => leadsAlike(one, first));
    owners.set(element, isOnePicture ? [first] : same);
  }
  return owners;
}

const leadsAlike = (one: Annotation, other: Annotation): boolean =>
  one.uri === other.uri && one.name === other.name && one.spot?.page === other.spot?.page;

/** How much of an element an annotation covers: signs of its words, and parts of its pictures. */
function shareOf({ areas }: Annotation, element: LinkElement): number {
  const words = element.words
    .filter(({ box }) => areas.some((area) => holdsMiddle(area, box)))
    .reduce((sum, { text }) => sum + text.length, 0);
  const pictures = element.pictures.reduce(
    (sum, box) => sum + Math.max(0, ...areas.map((area) => partWithin(box, area))),
    0,
  );
  return words + pictures;
}

const holdsMiddle = (area: Box, [left, bottom, right, top]: Box): boolean => {
  const [x, y] = [(left + right) / 2, (bottom + top) / 2];
  return x >= area[0] - 1 && x <= area[2] + 1 && y >= area[1] - 1 && y <= area[3] + 1;
};

/** The part of a box that lies within an area, 0 to 1. */
function partWithin(box: Box, area: Box): number {
  const width = Math.min(box[2], area[2]) - Math.max(box[0], area[0]);
  const height = Math.min(box[3], area[3]) - Math.max(box[1], area[1]);
  const whole = (box[2] - box[0]) * (box[3] - box[1]);
  return width <= 0 || height <= 0 || whole <= 0 ? 0 : (width * height) / whole;
}

function targetOf(
  { uri, name, spot }: Pick<Annotation, 'uri' | 'name' | 'spot'>,
  spots: PdfSpots,
): Pick<FoundLink, 'href' | 'lands' | 'landing'> {
  if (uri !== null) return { href: uri, lands: true };
  const landing = spot && spots.landingAt(spot);
  return { href: `#${name ?? ''}`, lands: landing !== null, landing: landing ?? undefined };
}

/** Nearer to the edge of a page than this, in points, no words of a book stand: what does so goes on outside. */
const EDGE = 20;

/** Pieces of text that run over an edge of their page. */
function linesCutOff({ pieces, box: page }: PdfPage, where: string): CutOffLine[] {
  return pieces.flatMap(({ text, box, baseline }) => {
    if (text.trim() === '') return [];
    const isInside =
      box[0] >= page[0] + EDGE &&
      box[2] <= page[2] - EDGE &&
      baseline >= page[1] + EDGE &&
      baseline <= page[3] - EDGE;
    return isInside ? [] : [{ text: text.slice(0, 200), where }];
  });
}
