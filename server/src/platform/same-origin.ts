import type { NextFunction, Request, Response } from 'express';
import type { Problem } from '@vennet/core/wire';

const LOOPBACK = /^(?:localhost|127\.\d+\.\d+\.\d+|\[::1\])(?::\d+)?$/i;

/**
 * Until there are accounts, whoever reaches the server is its author. So it answers only to loopback names (another name
 * that leads here is an attack by DNS rebinding), and takes changes only from its own pages.
 */
export function sameOrigin(request: Request, response: Response, next: NextFunction): void {
  const { host = '', origin } = request.headers;
  const foreign =
    origin !== undefined &&
    origin !== 'null' &&
    new URL(origin).host !== host &&
    !LOOPBACK.test(new URL(origin).host);
  if (LOOPBACK.test(host) && !foreign && origin !== 'null') return next();
  const problem: Problem = {
    type: 'about:blank',
    title: 'Forbidden',
    status: 403,
    detail: 'Vennet answers only to its own pages on this computer.',
  };
  response.status(403).type('application/problem+json').send(JSON.stringify(problem));
}
