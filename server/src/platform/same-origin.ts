import type { NextFunction, Request, Response } from 'express';
import type { Problem } from '@vennet/core/wire';

const LOOPBACK = /^(?:localhost|127\.\d+\.\d+\.\d+|\[::1\])(?::\d+)?$/i;
/** What a form of a foreign page could send without being asked for: everything else needs a leave that Vennet never gives. */
const TAKEN = /^(?:application\/(?:[\w.+-]+\+)?json|multipart\/form-data)\b/i;
/** The names of this computer under which its own pages stand. */
const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Until there are accounts, whoever reaches the server is its author. So it answers only to loopback names (another name
 * that leads here is an attack by DNS rebinding), and only to its own pages and to programs: a page says where it comes from by
 * `Origin`, or by `Sec-Fetch-Site` (Fetch Metadata), and neither can be set by a page. `allowed` are further origins.
 */
export function sameOrigin(allowed: readonly string[] = []) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const why = refusal(request, allowed);
    if (why === null) return next();
    const [status, title, detail] = why;
    const problem: Problem = { type: 'about:blank', title, status, detail };
    response.status(status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

const FORBIDDEN: [number, string, string] = [
  403,
  'Forbidden',
  'Vennet answers only to its own pages on this computer.',
];

function refusal(request: Request, allowed: readonly string[]): [number, string, string] | null {
  const { headers, method } = request;
  const { host = '', origin, 'sec-fetch-site': site, 'content-type': type } = headers;
  if (!LOOPBACK.test(host)) return FORBIDDEN;
  if (origin !== undefined) {
    const port = /:(\d+)$/.exec(host)?.[1];
    const own = OWN_NAMES.map((name) => `http://${name}${port === undefined ? '' : `:${port}`}`);
    if (![...own, ...allowed].includes(origin.toLowerCase())) return FORBIDDEN;
  } else if (site !== undefined && site !== 'same-origin' && site !== 'none' && !isFollowed(request))
    return FORBIDDEN;
  const hasBody = Number(headers['content-length'] ?? 0) > 0 || headers['transfer-encoding'] !== undefined;
  if (hasBody && method !== 'GET' && method !== 'HEAD' && !TAKEN.test(type ?? ''))
    return [
      415,
      'Unsupported media type',
      'Vennet takes JSON and files (multipart/form-data). Nothing was changed.',
    ];
  return null;
}

/** A page of the interface that is followed to from elsewhere: it shows itself, and gives nothing to the page that led there. */
const isFollowed = ({ method, path, headers }: Request): boolean =>
  method === 'GET' && !path.startsWith('/api/') && headers['sec-fetch-dest'] === 'document';
