import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { BooksService } from '../books/books.service.js';
import { sizeOf } from '../books/book-source.js';
import { inProcess, ProcessDeath } from '../jobs/in-process.js';
import { ProblemError } from '../platform/problem.js';
import { NOT_SURVEYED, reportOf, type ReportInput, type ReportKind, type Surveyed } from './report.js';
import { Revisions, type Revision } from './revisions.js';

/** A report as it is sent. */
interface Kept {
  json: Buffer;
  zipped: Buffer;
  etag: string;
}

/** Books with more text than this, in signs, are computed in a process of their own: the rest takes less than a tenth of a second. */
const SMALL = 400_000;
/** How much of what was computed is kept, in bytes. */
const KEPT = 128 * 2 ** 20;
const LIMITS = { memory: 2 ** 30, time: 120_000 };

type Asked = () => Promise<Surveyed>;
const NOTHING: Asked = () => Promise.resolve(NOT_SURVEYED);

/** What is computed of whole books: once for each revision, and never so that others have to wait for it. */
@Injectable()
export class Reports {
  /** By kind, book and revision; what was used last stands at the end. `bytes` is what it takes, 0 while it is made. */
  readonly #kept = new Map<string, { report: Promise<Kept>; bytes: number }>();

  constructor(
    private readonly books: BooksService,
    private readonly revisions: Revisions,
  ) {}

  /** Sends a report as JSON. */
  async send(
    request: Request,
    response: Response,
    book: string,
    kind: ReportKind,
    surveyed: Asked = NOTHING,
  ): Promise<void> {
    answer(request, response, await this.#of(book, kind, surveyed));
  }

  /**
   * Answers with a report that is known and current; whatever else goes on to its route. It stands before the routes, since readers of one book
   * ask for the same again and again, and what the routes do for a request takes longer than the answer.
   */
  readonly known = (request: Request, response: Response, next: NextFunction): void => {
    const [, book = '', kind = ''] = (request.method === 'GET' && REPORT_PATH.exec(request.path)) || [];
    if (kind === '') return next();
    this.revisions
      .of(book)
      .then((revision) => this.#kept.get(keyOf(book, kind as ReportKind, revision))?.report)
      .then(
        (report) => {
          if (report) answer(request, response, report);
          else next();
        },
        () => next(),
      );
  };

  /** A report as data. */
  async read<Report>(book: string, kind: ReportKind, surveyed = NOTHING): Promise<Report> {
    return JSON.parse((await this.#of(book, kind, surveyed)).json.toString()) as Report;
  }

  async #of(book: string, kind: ReportKind, surveyed: Asked): Promise<Kept> {
    const key = keyOf(book, kind, await this.revisions.of(book));
    const known = this.#kept.get(key);
    if (known) {
      this.#kept.delete(key);
      this.#kept.set(key, known);
      return known.report;
    }
    const made = { report: this.#make(book, kind, surveyed), bytes: 0 };
    this.#kept.set(key, made);
    try {
      const { json, zipped } = await made.report;
      made.bytes = json.length + zipped.length;
      this.#forgetOld(`${kind} ${book} `, key);
    } catch (error) {
      this.#kept.delete(key);
      throw error;
    }
    return made.report;
  }

  async #make(book: string, kind: ReportKind, surveyed: Asked): Promise<Kept> {
    const input: ReportInput = { kind, source: await this.books.source(book), surveyed: await surveyed() };
    const json = Buffer.from(
      sizeOf(input.source) > SMALL ? await computed(input) : JSON.stringify(reportOf(input)),
    );
    const etag = `"${createHash('sha256').update(json).digest('base64url')}"`;
    return { json, zipped: await promisify(gzip)(json), etag };
  }

  /** Forgets older revisions of a report, and what was not used for longest. */
  #forgetOld(prefix: string, current: string): void {
    for (const key of this.#kept.keys())
      if (key.startsWith(prefix) && key !== current) this.#kept.delete(key);
    let size = [...this.#kept.values()].reduce((sum, { bytes }) => sum + bytes, 0);
    for (const [key, { bytes }] of this.#kept) {
      if (size <= KEPT) return;
      size -= bytes;
      if (key !== current) this.#kept.delete(key);
    }
  }
}

/** The addresses of reports that many ask for. */
const REPORT_PATH = /^\/api\/books\/([0-9a-f-]{36})\/(links|findings|forms|places)$/;

const keyOf = (book: string, kind: ReportKind, { text, verdicts }: Revision): string =>
  `${kind} ${book} ${text} ${SURVEYED.has(kind) ? `${verdicts} ${new Date().toISOString().slice(0, 10)}` : ''}`;

/** What depends on what checks have found, and on what is set aside until a day. */
const SURVEYED: ReadonlySet<ReportKind> = new Set(['links', 'findings', 'counts', 'survey']);

function answer(request: Request, response: Response, { json, zipped, etag }: Kept): void {
  const packed = /\bgzip\b/.test(request.headers['accept-encoding'] ?? '');
  const headers = { etag, 'cache-control': 'no-cache', vary: 'accept-encoding' };
  response.setHeader('etag', etag);
  if (request.fresh) return void response.writeHead(304, headers).end();
  const bytes = packed ? zipped : json;
  response.writeHead(200, {
    ...headers,
    'content-type': 'application/json; charset=utf-8',
    'content-length': bytes.length,
    ...(packed ? { 'content-encoding': 'gzip' } : {}),
  });
  response.end(bytes);
}

async function computed(input: ReportInput): Promise<string> {
  const file = new URL('./report.process.js', import.meta.url);
  return inProcess<never, string>(file, input, { limits: LIMITS }).catch((error: unknown) => {
    if (!(error instanceof ProcessDeath)) throw error;
    throw new ProblemError(
      503,
      'The book is too large for this',
      'This book takes more than two minutes or 1 GB of memory to look through. Divide it into several books. Nothing was changed.',
    );
  });
}
