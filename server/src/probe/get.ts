import { Readable } from 'node:stream';
import type { Dispatcher } from 'undici';
import { Headers } from './headers.js';

/** An answer whose body has not been read. Whoever gets it reads it or destroys it. */
export interface Reply {
  status: number;
  headers: Headers;
  body: Readable;
}

export interface GetOptions {
  dispatcher: Dispatcher;
  /** Longest time until the headers are there, and between two pieces of the body, in ms. */
  timeout: number;
  headers: Record<string, string>;
  signal: AbortSignal;
}

/** Asks once, with GET, and follows nothing. Headers come byte by byte, as they were sent. @throws what undici throws */
export function get(href: string, { dispatcher, timeout, headers, signal }: GetOptions): Promise<Reply> {
  const url = new URL(href);
  return new Promise((resolve, reject) => {
    let body: Readable | null = null;
    let abort: (reason?: Error) => void = () => {};
    const giveUp = () => {
      const reason = signal.reason as Error;
      abort(reason);
      body?.destroy(reason);
      reject(reason);
    };
    if (signal.aborted) return giveUp();
    signal.addEventListener('abort', giveUp, { once: true });
    const done = () => signal.removeEventListener('abort', giveUp);
    dispatcher.dispatch(
      {
        origin: url.origin,
        path: url.pathname + url.search,
        method: 'GET',
        headers,
        headersTimeout: timeout,
        bodyTimeout: timeout,
        reset: false,
      },
      {
        onConnect(give) {
          abort = give;
          if (signal.aborted) give(signal.reason as Error);
        },
        onHeaders(status, raw, resume) {
          if (status < 200) return true;
          body = new Readable({
            read: resume,
            destroy(error, callback) {
              done();
              if (!this.readableEnded) abort(error ?? undefined);
              callback(error);
            },
          });
          body.on('error', () => {}); // what breaks off is met by who reads it
          resolve({ status, headers: new Headers(pairsOf(raw)), body });
          return true;
        },
        onData(chunk) {
          return body?.push(chunk) ?? true;
        },
        onComplete() {
          done();
          body?.push(null);
        },
        onError(error) {
          done();
          if (body) body.destroy(error);
          else reject(error);
        },
      },
    );
  });
}

function* pairsOf(raw: Buffer[]): Iterable<[string, string]> {
  for (let at = 0; at + 1 < raw.length; at += 2)
    yield [raw[at]!.toString('latin1'), raw[at + 1]!.toString('latin1')];
}
