import type {
  BookSummary,
  ChapterSaved,
  CheckRun,
  DestinationVerdict,
  ExportJob,
  FormPreview,
  Manuscript,
  Problem,
  RepairDone,
  RepairRequest,
  ServerFacts,
  VersionedChapter,
} from '@vennet/core/wire';
import type { BringInReport } from '@vennet/core/bring-in';
import type { Format } from '@vennet/core/publish';

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
  } catch {
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
  startBook: (title: string, author: string) => call<{ id: string }>('POST', 'books', { title, author }),
  removeBook: (id: string) => call<void>('DELETE', `books/${id}`),
  putBookBack: (id: string) => call<void>('POST', `books/${id}/put-back`),
  manuscript: (id: string) => call<Manuscript>('GET', `books/${id}`),
  addChapter: (id: string, after?: string) =>
    call<VersionedChapter>('POST', `books/${id}/chapters`, { title: '', after }),
  saveChapter: (id: string, version: number, doc: unknown) =>
    call<ChapterSaved>('PUT', `chapters/${id}`, { version, doc }),
  verdicts: (id: string) => call<DestinationVerdict[]>('GET', `books/${id}/verdicts`),
  checks: (id: string) => call<CheckRun[]>('GET', `books/${id}/checks`),
  startCheck: (id: string, hrefs?: string[]) => call<{ id: string }>('POST', `books/${id}/checks`, { hrefs }),
  stopCheck: (id: string) => call<CheckRun>('POST', `checks/${id}/stop`),
  repair: (id: string, request: RepairRequest) => call<RepairDone>('POST', `books/${id}/repairs`, request),
  restore: (id: string, snapshot: string) =>
    call<RepairDone>('POST', `books/${id}/snapshots/${snapshot}/restore`),
  forms: (id: string) => call<FormPreview[]>('GET', `books/${id}/forms`),
  exports: (id: string) => call<ExportJob[]>('GET', `books/${id}/exports`),
  startExport: (id: string, format: Format) =>
    call<{ id: string }>('POST', `books/${id}/exports`, { format }),
  stopExport: (id: string) => call<ExportJob>('POST', `exports/${id}/stop`),
};

/** Where the made file of an export is. */
export const exportFile = (id: string) => `/api/exports/${id}/file`;

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

/** Uploads a book with progress (0 to 1 while the file travels, then `null` while it is read). */
export function bringIn(
  file: File,
  progress: (share: number | null) => void,
  signal: AbortSignal,
): Promise<{ id: string; report: BringInReport }> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', '/api/books/bring-in');
    request.upload.onprogress = ({ loaded, total }) => progress(loaded / total);
    request.upload.onload = () => progress(null);
    request.onload = () => {
      const type = request.getResponseHeader('content-type') ?? '';
      const answer = new Response(request.responseText, {
        status: request.status,
        headers: { 'content-type': type },
      });
      answerOf<{ id: string; report: BringInReport }>(answer).then(resolve, reject);
    };
    request.onerror = () => reject(new UnreachableError());
    request.onabort = () => reject(new DOMException('stopped', 'AbortError'));
    signal.addEventListener('abort', () => request.abort());
    const form = new FormData();
    form.append('file', file);
    request.send(form);
  });
}
