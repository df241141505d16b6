import { sameBytes, type Rect } from '../ground/index.js';
import {
  Pdfium,
  readAnnotations,
  type Annotation,
  type FileInside,
  type FilesRead,
} from '../pdfium/index.js';
import { lostRow, type ChangedLink, type Proof, type ProofRow, type ProofTable } from './proof.js';

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
  const free = found.map((annotations) => new Set(annotations));
  const matched = new Map<ExpectedOnPage, Matched>();
  let open = [...expected];
  const pass = (
    fits: (annotation: Annotation, link: ExpectedOnPage) => boolean,
    changeOf: (link: ExpectedOnPage) => Matched['change'],
  ) => {
    open = open.filter((link) => {
      const here = free[link.page - 1] ?? new Set<Annotation>();
      for (const annotation of here)
        if (fits(annotation, link)) {
          here.delete(annotation);
          matched.set(link, { annotation, change: changeOf(link) });
          return false;
        }
      return true;
    });
  };
  const isThere = (one: Annotation, link: ExpectedOnPage) => standsAt(one, link) && leadsTo(one, link);
  pass(
    (one, link) => isThere(one, link) && says(one, link),
    () => null,
  );
  pass(isThere, () => 'words');
  pass(standsAt, ({ leads }) => (leads && 'spot' in leads ? 'target' : 'address'));
  pass(
    (one, link) => link.leads !== null && leadsTo(one, link),
    () => 'place',
  );
  const rows = expected.map((link) => rowOf(link, matched.get(link)));
  const changed = [...matched].flatMap(([link, { annotation, change }]) =>
    change ? [changedOf(link, annotation, change)] : [],
  );
  const added = free.flatMap((annotations, index) =>
    [...annotations]
      // What only some reading programs do, as scripts, is none of the book's links.
      .filter(({ uri, spot, file }) => uri !== null || spot !== null || file !== null)
      .map((one) => ({ href: leadsOf(one), text: one.contents, where: `page ${index + 1}` })),
  );
  const proof: Proof = {
    expected: expected.length,
    found: matched.size - changed.length,
    lost: open.map(({ id, href, text, chapter }) => ({ id, href, text, chapter })),
    changed,
    computed: { expected: 0, found: 0, lost: [], changed: [] },
    added,
    cutOff: [],
  };
  return { proof, rows };
}

/** What of a file a link was matched with, and what of that is not as in the book. */
interface Matched {
  annotation: Annotation;
  change: ProofRow['change'];
}

const changedOf = (
  { id, href, text, chapter, page }: ExpectedOnPage,
  annotation: Annotation,
  change: ChangedLink['change'],
): ChangedLink => ({
  ...{ id, href, text, chapter, change },
  foundHref: leadsOf(annotation),
  foundText: annotation.contents,
  where: `page ${page}`,
});

function rowOf({ id, href, text, chapter, page }: ExpectedOnPage, matched: Matched | undefined): ProofRow {
  const link = { id, href, text, chapter };
  if (!matched) return lostRow(link);
  const { annotation, change } = matched;
  return {
    ...lostRow(link),
    state: change ? 'changed' : 'found',
    change,
    foundHref: leadsOf(annotation),
    note: annotation.contents,
    where: `page ${page}`,
    areas: annotation.areas.map((area) => [...area]),
  };
}

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
    return file !== null && file.name === leads.file.name && sameBytes(file.bytes, leads.file.bytes);
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
