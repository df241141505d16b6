import { request, type Dispatcher } from 'undici';
import { withinTime } from './time-limit.js';

/** One answer of one host: nothing of it is followed yet. */
export interface Reply {
  status: number;
  location: string | null;
  /** In ms from now; RFC 9110, 10.2.3: seconds or a date. */
  retryAfter: number | null;
}

export interface AskOptions {
  dispatcher: Dispatcher;
  /** Longest time for one request and its answer, in ms. */
  timeout: number;
  /** How the prober names itself. */
  userAgent: string;
  signal: AbortSignal;
  now(): number;
}

/** Statuses to HEAD that are taken as they are; after any other, GET is asked, since many sites answer HEAD wrongly. */
const HEAD_IS_ENOUGH = (status: number) => status >= 200 && status < 400;

/** Asks for an address with HEAD, and with GET where that gives no clear answer (RFC 9110: 405 and 501 say so). */
export async function ask(href: string, options: AskOptions): Promise<Reply> {
  const head = await once(href, 'HEAD', options).catch((error: unknown) => {
    options.signal.throwIfAborted();
    // Some hosts break off at HEAD; a name that is unknown or refused stays so for GET.
    if (!isBrokenOff(error)) throw error;
    return null;
  });
  return head && HEAD_IS_ENOUGH(head.status) ? head : once(href, 'GET', options);
}

const isBrokenOff = (error: unknown) =>
  /ECONNRESET|UND_ERR_SOCKET|EPIPE|HPE_/.test((error as NodeJS.ErrnoException).code ?? '');

const once = (href: string, method: 'HEAD' | 'GET', options: AskOptions): Promise<Reply> =>
  withinTime(options.timeout, options.signal, (signal) => onceWithin(href, method, options, signal));

async function onceWithin(
  href: string,
  method: 'HEAD' | 'GET',
  { dispatcher, timeout, userAgent, now }: AskOptions,
  signal: AbortSignal,
): Promise<Reply> {
  const { statusCode, headers, body } = await request(href, {
    method,
    dispatcher,
    // The connection serves the next request too. A host that wrongly sends a body after HEAD is met there: what comes
    // unasked is no answer (HPE_…), and GET is asked on a connection of its own.
    reset: false,
    headersTimeout: timeout,
    bodyTimeout: timeout,
    signal,
    headers: { 'user-agent': userAgent, accept: 'text/html,application/xhtml+xml,*/*;q=0.8' },
  });
  body.on('error', () => {}); // what breaks off after the status does not change the answer
  if (method === 'HEAD') await body.dump();
  else body.destroy();
  const location = headers.location;
  return {
    status: statusCode,
    location: typeof location === 'string' ? location : null,
    retryAfter: retryAfter(headers['retry-after'], now()),
  };
}

function retryAfter(header: string | string[] | undefined, now: number): number | null {
  if (typeof header !== 'string') return null;
  if (/^\d+$/.test(header.trim())) return Number(header) * 1000;
  const date = Date.parse(header);
  return Number.isNaN(date) ? null : Math.max(0, date - now);
}
