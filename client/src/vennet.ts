import type { InsideFinding } from '@vennet/core/audit';
import type { DivisionLine, SectionMove } from '@vennet/core/edits';
import type { FoundHeading, OughtToBeLink, PageText } from '@vennet/core/ground';
import type { Format, Place } from '@vennet/core/manuscript';
import type { ProofRow } from '@vennet/core/readback';
import type { BookFonts, FormChoices, ShapelessSign } from '@vennet/core/publish';
import type { ShelfFile } from '@vennet/core/shelf';
import type {
  AddressVerdict,
  AnyProof,
  BookChange,
  BundlePlan,
  BookChanges,
  BookMade,
  BookSummary,
  BulkRepairRequest,
  ChapterAdded,
  CarryItems,
  CarryOffer,
  CarryRequest,
  ChapterMade,
  ChapterPlace,
  ChapterSave,
  ChapterSaved,
  CheckRun,
  CheckSchedule,
  CheckSettings,
  DestinationHistory,
  DestinationVerdict,
  ExportChoices,
  ExportJob,
  FlowPreview,
  FormPreview,
  Health,
  InsideRepairRequest,
  JobStatus,
  LinkRow,
  Manuscript,
  FileLabelsRequest,
  MentionsRequest,
  HandMadePiece,
  NavigationRequest,
  NewBook,
  NewChapter,
  NewCheck,
  NewRuleChoice,
  NewSaying,
  PageHit,
  PagePreview,
  PdfSets,
  Reading,
  NewSetAside,
  PageTitle,
  RepairDone,
  ReplaceDone,
  ReplaceRequest,
  RepairRequest,
  ServerFacts,
  ShelfChanges,
  ShelfTaken,
  Snapshot,
  SnapshotSeen,
  VersionedChapter,
  Started,
  StepsAnswer,
  StepsSent,
  SurveyChoices,
  TakenBack,
  VerdictChange,
} from '@vennet/core/wire';
import createClient from 'openapi-fetch';
import { faultIn, UnreachableError } from './problem.js';
import type { paths } from './schema.js';

/** The client of the HTTP interface: a method for each route. */
export type Vennet = ReturnType<typeof vennet>;

/**
 * Talks to a Vennet at an address, `http://localhost:4310`; in its own pages none is needed. Paths, parameters, bodies and
 * answers are checked against the description that the server gives of itself (`openapi.json`).
 *
 * Every method throws `ApiError` with the server's problem document, or `UnreachableError` when no answer comes.
 */
export function vennet(address = '') {
  const http = createClient<paths>({ baseUrl: address });
  http.use({
    // What was given up is thrown as it is.
    onError: ({ request }) => (request.signal.aborted ? undefined : new UnreachableError()),
    onResponse: async ({ response }) => {
      if (!response.ok) throw await faultIn(response);
    },
  });
  const of = (id: string) => ({ params: { path: { id } } });
  return {
    health: (): Promise<Health> => answer(http.GET('/api/health')),
    facts: (): Promise<ServerFacts> => answer(http.GET('/api/facts')),

    books: (): Promise<BookSummary[]> => answer(http.GET('/api/books')),
    startBook: (body: NewBook): Promise<Started> => answer(http.POST('/api/books', { body })),
    /** Answers when the book is there. */
    bringIn: (file: Blob, name: string, password = '') =>
      answer(http.POST('/api/books/bring-in', formWith(file, name, password))) as Promise<BookMade>,
    /** Answers at once with the job (RFC 7240). */
    startBringIn: (file: Blob, name: string) =>
      answer(
        http.POST('/api/books/bring-in', {
          params: { header: { prefer: 'respond-async' } },
          ...formWith(file, name),
        }),
      ) as Promise<Started>,
    manuscript: (book: string): Promise<Manuscript> =>
      pairsKept<Manuscript>(answer(http.GET('/api/books/{id}', of(book)))),
    changeBook: (book: string, body: BookChanges) =>
      done(http.PATCH('/api/books/{id}', { ...of(book), body })),
    removeBook: (book: string) => done(http.DELETE('/api/books/{id}', of(book))),
    putBookBack: (book: string) => done(http.POST('/api/books/{id}/put-back', of(book))),
    /** What stands on a page of a book of pages. @param number from 1 */
    pageText: (book: string, number: number): Promise<PageText> =>
      answer(http.GET('/api/books/{id}/ground/pages/{number}', { params: { path: { id: book, number } } })),
    oughtToBeLinks: (book: string): Promise<OughtToBeLink[]> =>
      answer(http.GET('/api/books/{id}/ground/ought-to-be-links', of(book))),
    pageHeadings: (book: string): Promise<FoundHeading[]> =>
      answer(http.GET('/api/books/{id}/ground/headings', of(book))),
    searchPages: (book: string, words: string): Promise<PageHit[]> =>
      answer(http.GET('/api/books/{id}/ground/search', { params: { path: { id: book }, query: { words } } })),
    formChoices: (book: string): Promise<FormChoices> =>
      answer(http.GET('/api/books/{id}/form-choices', of(book))),
    keepFormChoices: (book: string, body: FormChoices): Promise<FormChoices> =>
      answer(http.PUT('/api/books/{id}/form-choices', { ...of(book), body })),
    pdfSets: (book: string): Promise<PdfSets> => answer(http.GET('/api/books/{id}/pdf-sets', of(book))),
    keepPdfSets: (book: string, body: PdfSets): Promise<PdfSets> =>
      answer(http.PUT('/api/books/{id}/pdf-sets', { ...of(book), body })),
    /** What a file from anywhere holds of links, against this book where it was made of it. */
    proveFile: (book: string, file: Blob, name: string): Promise<AnyProof> =>
      answer(http.POST('/api/books/{id}/proofs', { ...of(book), ...formWith(file, name) })),
    /** The pages of a chapter as they would be set: a PDF. */
    previewPages: async (book: string, body: PagePreview, signal: AbortSignal): Promise<ArrayBuffer> =>
      pairsKept(
        answer(
          http.POST('/api/books/{id}/page-preview', { ...of(book), body, signal, parseAs: 'arrayBuffer' }),
        ),
      ),
    /** A chapter as it would be in a form without pages, as HTML. */
    previewFlow: (book: string, body: FlowPreview, signal: AbortSignal): Promise<string> =>
      answer(http.POST('/api/books/{id}/flow-preview', { ...of(book), body, signal, parseAs: 'text' })),
    places: (book: string): Promise<Place[]> => answer(http.GET('/api/books/{id}/places', of(book))),

    addChapter: (book: string, body: NewChapter): Promise<ChapterAdded> =>
      answer(http.POST('/api/books/{id}/chapters', { ...of(book), body })),
    removeChapter: (chapter: string): Promise<ChapterMade> =>
      answer(http.DELETE('/api/chapters/{id}', of(chapter))),
    renameChapter: (chapter: string, title: string): Promise<ChapterMade> =>
      answer(http.PUT('/api/chapters/{id}/title', { ...of(chapter), body: { title } })),
    splitChapter: (chapter: string, before: number): Promise<ChapterMade> =>
      answer(http.POST('/api/chapters/{id}/split', { ...of(chapter), body: { before } })),
    joinChapter: (chapter: string): Promise<ChapterMade> =>
      answer(http.POST('/api/chapters/{id}/join', of(chapter))),
    saveChapter: (chapter: string, { version, doc }: ChapterSave): Promise<ChapterSaved> =>
      answer(http.PUT('/api/chapters/{id}', { ...of(chapter), body: { version, doc: { ...doc } } })),
    sendSteps: (chapter: string, { steps, ...body }: StepsSent): Promise<StepsAnswer> =>
      answer(
        http.POST('/api/chapters/{id}/steps', {
          ...of(chapter),
          body: { ...body, steps: steps.map((step) => ({ ...step })) },
        }),
      ),
    stepsSince: (id: string, since: number): Promise<StepsAnswer> =>
      answer(http.GET('/api/chapters/{id}/steps', { params: { path: { id }, query: { since } } })),
    leaveOut: (chapter: string, leftOutOf: Format[]) =>
      done(http.PATCH('/api/chapters/{id}', { ...of(chapter), body: { leftOutOf } })),
    arrange: (book: string, chapters: ChapterPlace[]): Promise<ChapterMade> =>
      answer(
        http.PUT('/api/books/{id}/outline', {
          params: { path: { id: book }, header: { prefer: 'return=representation' } },
          body: { chapters },
        }),
      ),
    division: (book: string): Promise<DivisionLine[]> =>
      answer(http.GET('/api/books/{id}/division', of(book))),
    divide: (book: string, begins: string[]): Promise<RepairDone> =>
      answer(http.PUT('/api/books/{id}/division', { ...of(book), body: { begins } })),
    carryOffers: (book: string): Promise<CarryOffer[]> =>
      answer(http.GET('/api/books/{id}/carry-over/offers', of(book))),
    carryPlan: (id: string, from: string): Promise<CarryItems> =>
      answer(http.GET('/api/books/{id}/carry-over', { params: { path: { id }, query: { from } } })),
    carryOver: (book: string, body: CarryRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/carry-over', { ...of(book), body })),
    moveSection: (book: string, body: SectionMove): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/sections/move', { ...of(book), body })),

    repair: (book: string, body: RepairRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/repairs', { ...of(book), body })),
    repairInside: (book: string, body: InsideRepairRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/inside-repairs', { ...of(book), body })),
    repairMany: (book: string, body: BulkRepairRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/bulk-repairs', { ...of(book), body })),
    linkMentions: (book: string, body: MentionsRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/mentions', { ...of(book), body })),
    linkLabels: (book: string, body: FileLabelsRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/file-labels', { ...of(book), body })),
    replace: (book: string, body: ReplaceRequest): Promise<ReplaceDone> =>
      answer(http.POST('/api/books/{id}/replacements', { ...of(book), body })),
    handMadeNavigation: (book: string): Promise<HandMadePiece[]> =>
      answer(http.GET('/api/books/{id}/hand-made-navigation', of(book))),
    makeNavigation: (book: string, body: NavigationRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/hand-made-navigation', { ...of(book), body })),
    makeTypedNotes: (book: string, body: NavigationRequest): Promise<RepairDone> =>
      answer(http.POST('/api/books/{id}/typed-notes', { ...of(book), body })),
    changes: (book: string): Promise<BookChange[]> => answer(http.GET('/api/books/{id}/changes', of(book))),
    takeBack: (id: string, change: string): Promise<TakenBack> =>
      answer(http.POST('/api/books/{id}/changes/{change}/take-back', { params: { path: { id, change } } })),
    versions: (book: string): Promise<Snapshot[]> => answer(http.GET('/api/books/{id}/snapshots', of(book))),
    restore: (id: string, snapshot: string, chapter?: string): Promise<RepairDone> =>
      answer(
        http.POST('/api/books/{id}/snapshots/{snapshot}/restore', {
          params: { path: { id, snapshot } },
          body: chapter === undefined ? {} : { chapter },
        }),
      ),
    version: (id: string, snapshot: string): Promise<SnapshotSeen> =>
      answer(http.GET('/api/books/{id}/snapshots/{snapshot}', { params: { path: { id, snapshot } } })),
    versionChapter: (id: string, snapshot: string, chapter: string): Promise<VersionedChapter> =>
      answer(
        http.GET('/api/books/{id}/snapshots/{snapshot}/chapters/{chapter}', {
          params: { path: { id, snapshot, chapter } },
        }),
      ),
    keepVersion: (id: string, name: string): Promise<void> =>
      done(http.POST('/api/books/{id}/snapshots', { ...of(id), body: { name } })),
    nameVersion: (id: string, snapshot: string, name: string): Promise<void> =>
      done(
        http.PATCH('/api/books/{id}/snapshots/{snapshot}', {
          params: { path: { id, snapshot } },
          body: { name },
        }),
      ),

    links: (book: string): Promise<LinkRow[]> => answer(http.GET('/api/books/{id}/links', of(book))),
    findings: (book: string): Promise<InsideFinding[]> =>
      answer(http.GET('/api/books/{id}/findings', of(book))),
    verdicts: (book: string): Promise<DestinationVerdict[]> =>
      answer(http.GET('/api/books/{id}/verdicts', of(book))),
    startCheck: (book: string, body: NewCheck = {}): Promise<Started> =>
      answer(http.POST('/api/books/{id}/checks', { ...of(book), body })),
    checks: (book: string): Promise<CheckRun[]> => answer(http.GET('/api/books/{id}/checks', of(book))),
    check: (check: string): Promise<CheckRun> => answer(http.GET('/api/checks/{id}', of(check))),
    stopCheck: (check: string): Promise<CheckRun> => answer(http.POST('/api/checks/{id}/stop', of(check))),
    /** A check that was stopped goes on where it was. */
    goOn: (check: string): Promise<CheckRun> => answer(http.POST('/api/checks/{id}/go-on', of(check))),
    checkChanges: (check: string): Promise<VerdictChange[]> =>
      answer(http.GET('/api/checks/{id}/changes', of(check))),
    history: (id: string, href: string): Promise<DestinationHistory> =>
      answer(http.GET('/api/books/{id}/destinations', { params: { path: { id }, query: { href } } })),
    survey: (book: string): Promise<SurveyChoices> => answer(http.GET('/api/books/{id}/survey', of(book))),
    chooseRule: (id: string, rule: string, body: NewRuleChoice | null): Promise<void> => {
      const params = { path: { id, rule } };
      return done(
        body
          ? http.PUT('/api/books/{id}/rules/{rule}', { params, body })
          : http.DELETE('/api/books/{id}/rules/{rule}', { params }),
      );
    },
    setAside: async (book: string, entries: NewSetAside[]): Promise<string[]> =>
      (await answer(http.POST('/api/books/{id}/set-aside', { ...of(book), body: { entries } }))).ids,
    showAgain: (book: string, ids: string[]): Promise<void> =>
      done(http.POST('/api/books/{id}/set-aside/show-again', { ...of(book), body: { ids } })),
    say: (book: string, body: NewSaying): Promise<void> =>
      done(http.POST('/api/books/{id}/sayings', { ...of(book), body })),
    unsay: (id: string, href: string): Promise<void> =>
      done(http.DELETE('/api/books/{id}/sayings', { params: { path: { id }, query: { href } } })),
    schedule: async (book: string): Promise<CheckSchedule | null> =>
      (await answer(http.GET('/api/books/{id}/schedule', of(book)))).schedule,
    setSchedule: (book: string, body: CheckSchedule | null): Promise<void> =>
      done(
        body
          ? http.PUT('/api/books/{id}/schedule', { ...of(book), body })
          : http.DELETE('/api/books/{id}/schedule', of(book)),
      ),
    checkSettings: (): Promise<CheckSettings> => answer(http.GET('/api/settings/checks')),
    setCheckSettings: (body: CheckSettings): Promise<CheckSettings> =>
      answer(http.PUT('/api/settings/checks', { body })),
    title: (href: string, signal?: AbortSignal): Promise<PageTitle> =>
      answer(http.GET('/api/titles', { params: { query: { href } }, signal })),

    files: (book: string): Promise<ShelfFile[]> => answer(http.GET('/api/books/{id}/enclosures', of(book))),
    removedFiles: (id: string): Promise<ShelfFile[]> =>
      answer(
        http.GET('/api/books/{id}/enclosures', { params: { path: { id }, query: { removed: 'true' } } }),
      ),
    takeFromAddress: (book: string, address: string): Promise<ShelfTaken> =>
      answer(http.POST('/api/books/{id}/enclosures/from-address', { ...of(book), body: { address } })),
    takeFile: (id: string, file: Blob, name: string, as: 'file' | 'picture' = 'file'): Promise<ShelfTaken> =>
      answer(
        http.POST('/api/books/{id}/enclosures', {
          params: { path: { id }, query: { as } },
          ...formWith(file, name),
        }),
      ),
    changeFile: (file: string, body: ShelfChanges): Promise<ShelfFile> =>
      answer(http.PATCH('/api/enclosures/{id}', { ...of(file), body })),
    goBackFile: (file: string): Promise<ShelfFile> =>
      answer(http.POST('/api/enclosures/{id}/go-back', of(file))),
    removeFile: (file: string) => done(http.DELETE('/api/enclosures/{id}', of(file))),
    putFileBack: (file: string) => done(http.POST('/api/enclosures/{id}/put-back', of(file))),

    forms: (book: string): Promise<FormPreview[]> => answer(http.GET('/api/books/{id}/forms', of(book))),
    pages: (book: string): Promise<[string, string][]> =>
      pairsKept<[string, string][]>(answer(http.GET('/api/books/{id}/pages', of(book)))),
    /** Asks for addresses that are in no book; at most `MOST_ASKED` in one go. */
    askAddresses: (addresses: string[], signal: AbortSignal): Promise<AddressVerdict[]> =>
      answer(http.POST('/api/addresses-asked', { body: { addresses }, signal })),
    bookFonts: (book: string): Promise<BookFonts> => answer(http.GET('/api/books/{id}/fonts', of(book))),
    shapelessSigns: (book: string): Promise<ShapelessSign[]> =>
      answer(http.GET('/api/books/{id}/shapeless-signs', of(book))),
    startExport: (book: string, format: Format, choices: ExportChoices = {}): Promise<Started> =>
      answer(http.POST('/api/books/{id}/exports', { ...of(book), body: { format, choices } })),
    removeExport: (job: string) => done(http.DELETE('/api/exports/{id}', of(job))),
    reading: (job: string): Promise<Reading> => answer(http.GET('/api/exports/{id}/reading', of(job))),
    keepTally: (job: string, tried: string[]) =>
      done(http.PUT('/api/exports/{id}/reading/tally', { ...of(job), body: { tried } })),
    /** A row for each link of the book with what was found of it in the made file. */
    proofRows: (job: string): Promise<ProofRow[]> => answer(http.GET('/api/exports/{id}/proof', of(job))),
    bundlePlan: (book: string, forms: readonly Format[]): Promise<BundlePlan> =>
      answer(
        http.GET('/api/books/{id}/bundle/plan', {
          params: { path: { id: book }, query: { forms: forms.join(',') } },
        }),
      ),
    makeAgain: (job: string): Promise<Started> => answer(http.POST('/api/exports/{id}/again', of(job))),
    exports: (book: string): Promise<ExportJob[]> => answer(http.GET('/api/books/{id}/exports', of(book))),
    export: (id: string): Promise<ExportJob> => answer(http.GET('/api/exports/{id}', of(id))),
    stopExport: (id: string): Promise<ExportJob> => answer(http.POST('/api/exports/{id}/stop', of(id))),

    job: (id: string): Promise<JobStatus> => answer(http.GET('/api/jobs/{id}', of(id))),
    stopJob: (id: string): Promise<JobStatus> => answer(http.POST('/api/jobs/{id}/stop', of(id))),
  };
}

/** Addresses that a browser opens by itself: files, and streams of events. */
/** A page of a made file, with the script that tells what is pressed; it belongs into a sandbox. */
export const readingPage = (id: string, path: string) =>
  `/api/exports/${id}/reading/page?path=${encodeURIComponent(path)}`;
export const exportFile = (id: string) => `/api/exports/${id}/file`;
/** The made file together with those that belong next to it. */
/** Where an archive of several forms is had. */
export const formsBundle = (book: string, forms: readonly Format[]) =>
  `/api/books/${book}/bundle?forms=${forms.join(',')}`;
export const exportBundle = (id: string) => `/api/exports/${id}/bundle`;
/** The forms of a report on a survey. */
export const REPORT_FORMS = ['html', 'pdf', 'csv', 'destinations', 'json', 'earl'] as const;
export const reportFile = (book: string, as: (typeof REPORT_FORMS)[number]) =>
  `/api/books/${book}/report?as=${as}`;
/** Where the finished file of a book of pages is. */
export const groundFile = (book: string) => `/api/books/${book}/ground/file`;
export const enclosureFile = (id: string) => `/api/enclosures/${id}`;
export const jobEvents = (id: string) => `/api/jobs/${id}/events`;
/** Where a book tells how its chapters stand. */
export const bookEvents = (book: string) => `/api/books/${book}/events`;
export const checkEvents = (id: string) => `/api/checks/${id}/events`;

/** The answer itself; what went wrong has been thrown. */
async function answer<Data>(asked: Promise<{ data?: Data }>): Promise<Exclude<Data, undefined>> {
  return (await asked).data as Exclude<Data, undefined>;
}

/** openapi-fetch takes pairs for lists of any length; `contract.ts` holds that they are pairs. */
const pairsKept = <Shape>(asked: Promise<unknown>) => asked as Promise<Shape>;

async function done(asked: Promise<unknown>): Promise<void> {
  await asked;
}

/** A form with a file, which the description knows as words only. */
function formWith(file: Blob, name: string, password = '') {
  const form = new FormData();
  if (password !== '') form.append('password', password);
  form.append('file', file, name);
  return { body: { file: '' }, bodySerializer: () => form };
}
