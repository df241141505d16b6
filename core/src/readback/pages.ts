import type { Rect } from '../ground/index.js';
import { readAnnotations, type Annotation, type FileInside, type FilesRead } from './pdf-page.js';
import type { Proof, ProofRow, ProofTable } from './proof.js';

/** A link of a book of pages as the made file must have it. */
export interface ExpectedOnPage {
  id: string;
  href: string;
  text: string;
  chapter: string;
  /** From 1. */
  page: number;
  /** The lines or the rectangle that it covers. */
  rects: readonly Rect[];
  /** Where it leads; `null` for what stays as the file had it. */
  leads:
    | { uri: string }
    | { spot: { page: number; left: number; top: number; zoom: number | null } }
    | { file: FileInside }
    | { nowhere: true }
    | null;
  /** What is said of it (`Contents`); `null` where nothing has to be. */
  contents: string | null;
}

export type AnnotationsByPage = readonly (readonly Annotation[])[];

/**
 * Every link annotation of a PDF, by its page.
 *
 * @param progress pages read and pages in all
 * @throws {Error} a PDF that can't be opened
 */
export async function linksOnPages(
  bytes: Uint8Array,
  password: string | null = null,
  progress: (done: number, total: number) => void = () => {},
): Promise<AnnotationsByPage> {
  const { Pdfium } = await import('../pdfium/index.js');
  const pdf = await Pdfium.open(bytes, password ?? '');
  try {
    const total = pdf.calls.FPDF_GetPageCount(pdf.document);
    const files: FilesRead = new Map();
    return Array.from({ length: total }, (_, index) => {
      progress(index + 1, total);
      return readAnnotations(pdf, index + 1, files);
    });
  } finally {
    pdf.close();
  }
}

/** How far a rectangle, or the spot where a link lands, may be from where it should be, in points. */
const NEAR = 0.5;

/** Matches every link of a book of pages with one of the made file: by its rectangle, then by where it leads. */
export function proveOnPages(expected: readonly ExpectedOnPage[], found: AnnotationsByPage): ProofTable {
  const proof: Proof = {
    expected: expected.length,
    found: 0,
    lost: [],
    changed: [],
    computed: { expected: 0, found: 0, lost: [], changed: [] },
    added: [],
    cutOff: [],
  };
  const rows = new Map<ExpectedOnPage, ProofRow>();
  const free = found.map((annotations) => new Set(annotations));
  const take = (link: ExpectedOnPage, fits: (annotation: Annotation) => boolean): Annotation | null => {
    const here = free[link.page - 1] ?? new Set<Annotation>();
    for (const annotation of here)
      if (fits(annotation)) {
        here.delete(annotation);
        rows.set(link, rowOf(link, annotation));
        return annotation;
      }
    return null;
  };
  const change = (link: ExpectedOnPage, annotation: Annotation, what: Proof['changed'][number]['change']) => {
    const { id, href, text, chapter, page } = link;
    const foundHref = leadsOf(annotation);
    rows.set(link, { ...rowOf(link, annotation), state: 'changed', change: what });
    proof.changed.push({
      id,
      href,
      text,
      chapter,
      foundHref,
      foundText: annotation.contents,
      where: `page ${page}`,
      change: what,
    });
  };
  const passes: ((link: ExpectedOnPage) => boolean)[] = [
    (link) => {
      const all = take(link, (one) => standsAt(one, link) && leadsTo(one, link) && says(one, link));
      if (all) proof.found++;
      return all !== null;
    },
    (link) => {
      const other = take(link, (one) => standsAt(one, link) && leadsTo(one, link));
      if (other) change(link, other, 'words');
      return other !== null;
    },
    (link) => {
      const other = take(link, (one) => standsAt(one, link));
      if (other) change(link, other, link.leads && 'spot' in link.leads ? 'target' : 'address');
      return other !== null;
    },
    (link) => {
      const moved = link.leads && take(link, (one) => leadsTo(one, link));
      if (moved) change(link, moved, 'place');
      return Boolean(moved);
    },
  ];
  let open = [...expected];
  for (const pass of passes) open = open.filter((link) => !pass(link));
  proof.lost.push(...open.map(({ id, href, text, chapter }) => ({ id, href, text, chapter })));
  free.forEach((annotations, index) => {
    for (const annotation of annotations)
      // What only some reading programs do, as scripts, is none of the book's links.
      if (annotation.uri !== null || annotation.spot || annotation.file)
        proof.added.push({
          href: leadsOf(annotation),
          text: annotation.contents,
          where: `page ${index + 1}`,
        });
  });
  return { proof, rows: expected.map((link) => rows.get(link) ?? rowOf(link, null)) };
}

/** The row of a link; `null` for one that is lost. */
const rowOf = (
  { id, href, text, chapter, page }: ExpectedOnPage,
  annotation: Annotation | null,
): ProofRow => ({
  ...{ id, href, text, chapter },
  state: annotation ? 'found' : 'lost',
  change: null,
  foundHref: annotation ? leadsOf(annotation) : '',
  foundText: '',
  note: annotation?.contents ?? '',
  landing: '',
  where: annotation ? `page ${page}` : '',
  areas: (annotation?.areas ?? []).map((area) => [...area]),
  nth: null,
});

const leadsOf = ({ uri, name, spot, file }: Annotation): string =>
  uri ?? file?.name ?? (name !== null ? `#${name}` : spot ? `#page=${spot.page}` : '');

function standsAt({ areas }: Annotation, { rects }: ExpectedOnPage): boolean {
  const near = (one: Rect, other: Rect) => one.every((side, at) => Math.abs(side - (other[at] ?? 0)) <= NEAR);
  return areas.length === rects.length
    ? rects.every((rect, at) => areas[at] !== undefined && near(rect, areas[at]))
    : near(around(rects), around(areas));
}

const around = (rects: readonly Rect[]): Rect => [
  Math.min(...rects.map(([left]) => left)),
  Math.min(...rects.map(([, bottom]) => bottom)),
  Math.max(...rects.map(([, , right]) => right)),
  Math.max(...rects.map(([, , , top]) => top)),
];

function leadsTo({ uri, spot, file }: Annotation, { leads }: ExpectedOnPage): boolean {
  if (!leads) return true;
  if ('nowhere' in leads) return false;
  if ('uri' in leads) return uri === leads.uri;
  if ('file' in leads)
    return file !== null && file.name === leads.file.name && same(file.bytes, leads.file.bytes);
  const wanted = leads.spot;
  return (
    spot !== null &&
    spot.page === wanted.page &&
    Math.abs(spot.left - wanted.left) <= NEAR &&
    Math.abs(spot.top - wanted.top) <= NEAR &&
    (spot.zoom ?? null) === wanted.zoom
  );
}

const says = ({ contents }: Annotation, link: ExpectedOnPage): boolean =>
  link.contents === null || contents === link.contents;

const same = (one: Uint8Array, other: Uint8Array): boolean =>
  one.length === other.length && one.every((byte, at) => byte === other[at]);
