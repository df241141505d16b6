import type { Problem } from '@vennet/core/wire';

/** The server answered with a problem document. Its `detail` is written for the author. */
export class ApiError extends Error {
  override name = 'ApiError';

  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** No answer came: the server is down or out of reach. */
export class UnreachableError extends Error {
  override name = 'UnreachableError';

  constructor() {
    super('Vennet does not answer. What you write is kept in this browser; it is saved when Vennet is back.');
  }
}

/** What went wrong, by an answer that says so. */
export async function faultIn(response: Response): Promise<ApiError | UnreachableError> {
  // What is not a problem document comes from something in between, such as a development server without its server.
  if (!response.headers.get('content-type')?.includes('problem+json')) return new UnreachableError();
  return new ApiError((await response.json()) as Problem);
}
