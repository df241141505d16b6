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
  /** Is told when the answer has come to its end: nothing is under way any more, whoever still reads what came. */
  ended?(): void;
}

/** Asks once, with GET, and follows nothing. Headers come byte by byte, as they were sent. @throws what undici throws */
export function get(
  href: string,
  { dispatcher, timeout, headers, signal, ended }: GetOptions,
): Promise<Reply> {
  const url = new URL(href);
  return new Promise((resolve, reject) => {
    let body: Readable | null = null;
    let exchange: Dispatcher.DispatchController | null = null;
    const giveUp = () => {
      const reason = signal.reason as Error;
      exchange?.abort(reason);
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
        onRequestStart(controller) {
          exchange = controller;
          if (signal.aborted) controller.abort(signal.reason as Error);
        },
        onResponseStart(controller, status) {
          if (status < 200) return;
          body = new Readable({
            read: () => controller.resume(),
            destroy(error, callback) {
              done();
              if (!this.readableEnded) controller.abort(error ?? new Error('the rest is not needed'));
              callback(error);
            },
          });
          body.on('error', () => {}); // what breaks off is met by who reads it
          resolve({ status, headers: new Headers(pairsOf(controller.rawHeaders as Buffer[])), body });
        },
        onResponseData(controller, chunk) {
          if (body?.push(chunk) === false) controller.pause();
        },
        onResponseEnd() {
          done();
          ended?.();
          body?.push(null);
        },
        onResponseError(_controller, error) {
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
