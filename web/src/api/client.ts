import type {
  BookSummary,
  ChapterSaved,
  ChapterPlace,
  CheckRun,
  InsideRepairRequest,
  DestinationVerdict,
  ExportJob,
  FormPreview,
  Manuscript,
  MentionsRequest,
  PageTitle,
  Problem,
  RepairDone,
  RepairRequest,
  ServerFacts,
  ShelfTaken,
  VersionedChapter,
} from '@vennet/core/wire';
import type { BringInReport } from '@vennet/core/bring-in';
import type { SectionMove } from '@vennet/core/edits';
import type { Format, Place } from '@vennet/core/manuscript';
import type { ShelfFile } from '@vennet/core/shelf';

/** The server answered with a problem document. Its `detail` is written for the author. */
export class ApiError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** No answer came: the server is down or out of reach. */
export class UnreachableError extends Error {
  constructor() {
    super('Vennet does not answer. What you write is kept in this browser; it is saved when Vennet is back.');
  }
}

async function call<Result>(
  method: string,
  path: string,
  body?: unknown,
  more: RequestInit = {},
): Promise<Result> {
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      ...more,
    });
  } catch (error) {
    if (more.signal?.aborted) throw error;
    throw new UnreachableError();
  }
  return answerOf<Result>(response);
}

async function answerOf<Result>(response: Response): Promise<Result> {
  const text = await response.text();
  if (response.ok) return (text === '' ? undefined : JSON.parse(text)) as Result;
  // What is not a problem document comes from something in between, such as a development server without its server.
  if (!response.headers.get('content-type')?.includes('problem+json')) throw new UnreachableError();
  throw new ApiError(JSON.parse(text) as Problem);
}

/** The one client of the HTTP interface. Every call throws `ApiError` or `UnreachableError`. */
export const api = {
  facts: () => call<ServerFacts>('GET', 'facts'),
  books: () => call<BookSummary[]>('GET', 'books'),
  startBook: (title: string, author: string, language?: string) =>
    call<{ id: string }>('POST', 'books', { title, author, language }),
  changeBook: (id: string, changes: Partial<Pick<Manuscript, 'look' | 'structure'> & { address: string }>) =>
    call<void>('PATCH', `books/${id}`, changes),
  places: (id: string) => call<Place[]>('GET', `books/${id}/places`),
  title: (href: string, signal: AbortSignal) =>
    call<PageTitle>('GET', `titles?href=${encodeURIComponent(href)}`, undefined, { signal }),
  linkMentions: (id: string, request: MentionsRequest) =>
    call<RepairDone>('POST', `books/${id}/mentions`, request),
  removedFiles: (id: string) => call<ShelfFile[]>('GET', `books/${id}/enclosures?removed=true`),
  changeFile: (id: string, changes: ShelfChanges) => call<ShelfFile>('PATCH', `enclosures/${id}`, changes),
  goBackFile: (id: string) => call<ShelfFile>('POST', `enclosures/${id}/go-back`),
  removeFile: (id: string) => call<void>('DELETE', `enclosures/${id}`),
  putFileBack: (id: string) => call<void>('POST', `enclosures/${id}/put-back`),
  removeBook: (id: string) => call<void>('DELETE', `books/${id}`),
  putBookBack: (id: string) => call<void>('POST', `books/${id}/put-back`),
  manuscript: (id: string) => call<Manuscript>('GET', `books/${id}`),
  addChapter: (id: string, after?: string) =>
    call<VersionedChapter>('POST', `books/${id}/chapters`, { title: '', after }),
  saveChapter: (id: string, version: number, doc: object) =>
    call<ChapterSaved>('PUT', `chapters/${id}`, { version, doc }),
  verdicts: (id: string) => call<DestinationVerdict[]>('GET', `books/${id}/verdicts`),
  checks: (id: string) => call<CheckRun[]>('GET', `books/${id}/checks`),
  startCheck: (id: string, hrefs?: string[]) => call<{ id: string }>('POST', `books/${id}/checks`, { hrefs }),
  stopCheck: (id: string) => call<CheckRun>('POST', `checks/${id}/stop`),
  repair: (id: string, request: RepairRequest) => call<RepairDone>('POST', `books/${id}/repairs`, request),
  repairInside: (id: string, request: InsideRepairRequest) =>
    call<RepairDone>('POST', `books/${id}/inside-repairs`, request),
  arrange: (id: string, chapters: ChapterPlace[]) => call<void>('PUT', `books/${id}/outline`, { chapters }),
  leaveOut: (chapter: string, leftOutOf: Format[]) =>
    call<void>('PATCH', `chapters/${chapter}`, { leftOutOf }),
  moveSection: (id: string, move: SectionMove) => call<RepairDone>('POST', `books/${id}/sections/move`, move),
  pages: (id: string) => call<[string, string][]>('GET', `books/${id}/pages`),
  restore: (id: string, snapshot: string) =>
    call<RepairDone>('POST', `books/${id}/snapshots/${snapshot}/restore`),
  forms: (id: string) => call<FormPreview[]>('GET', `books/${id}/forms`),
  exports: (id: string) => call<ExportJob[]>('GET', `books/${id}/exports`),
  startExport: (id: string, format: Format) =>
    call<{ id: string }>('POST', `books/${id}/exports`, { format }),
  stopExport: (id: string) => call<ExportJob>('POST', `exports/${id}/stop`),
};

/** What can be changed of a file on the Shelf. */
export type ShelfChanges = Partial<Pick<ShelfFile, 'name' | 'description' | 'opensFor' | 'travels'>> & {
  address?: string;
};

/** Where the made file of an export is. */
export const exportFile = (id: string) => `/api/exports/${id}/file`;
/** Where the made file is together with those that belong next to it. */
export const exportBundle = (id: string) => `/api/exports/${id}/bundle`;
export const enclosureFile = (id: string) => `/api/enclosures/${id}`;

/** Follows a check run until it ends. The function that comes back stops listening. */
export function followCheck(id: string, changed: (run: CheckRun) => void, lost: () => void): () => void {
  const source = new EventSource(`/api/checks/${id}/events`);
  source.onmessage = (event: MessageEvent<string>) => {
    const run = JSON.parse(event.data) as CheckRun;
    if (run.state !== 'running' && run.state !== 'waiting') source.close();
    changed(run);
  };
  source.onerror = lost;
  return () => source.close();
}

/** Sends a file with progress (0 to 1 while it travels, then `null` while it is read). */
function send<Result>(
  path: string,
  file: File,
  progress: (share: number | null) => void,
  signal: AbortSignal,
): Promise<Result> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', `/api/${path}`);
    request.upload.onprogress = ({ loaded, total }) => progress(loaded / total);
    request.upload.onload = () => progress(null);
    request.onload = () => {
      const type = request.getResponseHeader('content-type') ?? '';
      const answer = new Response(request.responseText, {
        status: request.status,
        headers: { 'content-type': type },
      });
      answerOf<Result>(answer).then(resolve, reject);
    };
    request.onerror = () => reject(new UnreachableError());
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort());
    const form = new FormData();
    form.append('file', file);
    request.send(form);
  });
}

/** Uploads a book. */
export const bringIn = (file: File, progress: (share: number | null) => void, signal: AbortSignal) =>
  send<{ id: string; report: BringInReport }>('books/bring-in', file, progress, signal);

/** Uploads a file to a place that answers with the file as it is kept. */
export const sendFile = (
  path: string,
  file: File,
  progress: (share: number | null) => void,
  signal: AbortSignal,
) => send<ShelfTaken>(path, file, progress, signal);
