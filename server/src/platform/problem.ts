import {
  Catch,
  HttpException,
  Logger,
  PayloadTooLargeException,
  type ArgumentsHost,
  type ExceptionFilter,
} from '@nestjs/common';
import type { Problem } from '@vennet/core/wire';
import type { ValidationError } from 'class-validator';
import type { Response } from 'express';

/** An error that becomes a problem document: `detail` says what happened, what was kept and what to do. */
export class ProblemError extends HttpException {
  constructor(
    status: number,
    readonly title: string,
    readonly detail: string,
    readonly more: Partial<Problem> = {},
  ) {
    super(detail, status);
  }
}

/** A body that is refused before it is read. The parser of bodies gives whatever is thrown then a status of its own. */
export class BodyRefusal extends Error {
  constructor(
    readonly title: string,
    readonly detail: string,
  ) {
    super(detail);
  }
}

/** What is told of a request whose shape is not as the HTTP interface describes it. `path` names the first fault. */
export function refusalOf(errors: readonly ValidationError[]): ProblemError {
  const faults = errors.flatMap((error) => faultsIn(error, ''));
  const path = faults[0]?.path ?? '';
  const isInside = /[.[]/.test(path);
  return new ProblemError(
    isInside ? 422 : 400,
    'Not as it should be',
    `${faults.map(({ words }) => words).join('; ')}. Nothing was changed.`,
    { path },
  );
}

function faultsIn(
  { property, constraints, children }: ValidationError,
  above: string,
): { path: string; words: string }[] {
  const path = /^\d+$/.test(property)
    ? `${above}[${property}]`
    : above === ''
      ? property
      : `${above}.${property}`;
  const own = Object.values(constraints ?? {}).map((words) => ({ path, words: words.replace(/\.$/, '') }));
  return [...own, ...(children ?? []).flatMap((child) => faultsIn(child, path))];
}

export const notFound = (what: string) =>
  new ProblemError(
    404,
    'Not found',
    `There is no such ${what}. It may have been removed; go back and open it from the Library.`,
  );

/** Every error leaves the server as a problem document (RFC 9457). */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  readonly #log = new Logger('Problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    // Who asked has gone: nobody waits for an answer.
    if (response.closed) return;
    const problem = problemOf(error);
    if (problem.status >= 500)
      this.#log.error(error instanceof Error ? (error.stack ?? error.message) : error);
    if (response.headersSent) return void response.end();
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  }
}

export const problemTooLarge: Problem = {
  type: 'about:blank',
  title: 'Too large',
  status: 413,
  detail:
    'This is larger than Vennet takes: 200 MB for a book or a file, 32 MB for the text of a chapter. Nothing was stored. A file this large can lie at a public address, and a link can lead there.',
};

/** How connections to the database fail that is not there (mysql2, Node). */
const DATABASE_AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_LOCK_WAIT_TIMEOUT',
]);

/** How writing fails when the disk is full (Linux; MariaDB). */
const DISK_FULL = new Set(['ENOSPC', 'EDQUOT', 'ER_DISK_FULL', 'ER_RECORD_FILE_FULL']);

const codeOf = (error: unknown) => (error as { code?: string } | null)?.code ?? '';

function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) {
    const { title, detail, more } = error;
    return { type: 'about:blank', title, status: error.getStatus(), detail, ...more };
  }
  if (error instanceof BodyRefusal) {
    const { title, detail } = error;
    return { type: 'about:blank', title, status: 400, detail };
  }
  if (error instanceof PayloadTooLargeException) return problemTooLarge;
  if (error instanceof HttpException) {
    const status = error.getStatus();
    return {
      type: 'about:blank',
      title: error.name.replace(/Exception$/, ''),
      status,
      detail: wordsOf(error),
    };
  }
  // RFC 4918, 11.5: insufficient storage.
  if (DISK_FULL.has(codeOf(error)))
    return {
      type: 'about:blank',
      title: 'The disk is full',
      status: 507,
      detail:
        'The disk that Vennet keeps its books on is full, so this was not stored, and nothing of it was left behind. Free some space on it and try again.',
    };
  if (DATABASE_AWAY.has(codeOf(error)))
    return {
      type: 'about:blank',
      title: 'The database does not answer',
      status: 503,
      detail:
        'Vennet’s database does not answer at the moment. What you type is kept in your browser, and sent again by itself.',
    };
  // What express and its parsers throw carries a status of its own.
  const status = (error as { status?: unknown } | null)?.status;
  if (typeof status === 'number' && status >= 400 && status < 500)
    return { type: 'about:blank', title: 'Bad request', status, detail: (error as Error).message };
  return {
    type: 'about:blank',
    title: 'Fault in Vennet',
    status: 500,
    detail:
      'Vennet has met a fault of its own. Nothing that was saved is lost. Try again; if it stays, start Vennet anew.',
  };
}

function wordsOf(error: HttpException): string {
  const response = error.getResponse() as { message?: string | string[] } | string;
  const message = typeof response === 'string' ? response : response.message;
  return Array.isArray(message) ? message.join('; ') : (message ?? error.message);
}
