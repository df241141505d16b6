import type { Dispatcher } from 'undici';
import { get } from './get.js';
import { locationOf } from './location.js';

export interface FetchedFile {
  /** The address at which it was, after redirects. */
  href: string;
  bytes: Buffer;
}

/** Why a file did not come, in words for the author. */
export class NotFetched extends Error {}

const NO_ADDRESS = 'it is no web address';

export interface FetchOptions {
  dispatcher: Dispatcher;
  /** Longest time for all of it, in ms. */
  timeout: number;
  redirects: number;
  /** The most that is taken, in bytes. */
  most: number;
  headers: Record<string, string>;
}

/** A file from the web, over the guarded way that every check takes. @throws NotFetched */
export async function fetchedFile(
  address: string,
  { dispatcher, timeout, redirects, most, headers }: FetchOptions,
): Promise<FetchedFile> {
  const signal = AbortSignal.timeout(timeout);
  let href = address;
  for (let step = 0; step <= redirects; step++) {
    const protocol = URL.canParse(href) ? new URL(href).protocol : '';
    if (protocol !== 'http:' && protocol !== 'https:') throw new NotFetched(NO_ADDRESS);
    const reply = await get(href, { dispatcher, timeout, headers, signal }).catch(() => {
      throw new NotFetched('the site does not answer, or may not be asked');
    });
    const { status, body } = reply;
    const next = status >= 300 && status < 400 ? locationOf(reply.headers.all('location'), href) : null;
    if (next !== null) {
      body.destroy();
      if (next === undefined) throw new NotFetched(NO_ADDRESS);
      href = next;
      continue;
    }
    if (status !== 200) {
      body.destroy();
      throw new NotFetched(`the site answers with ${status}`);
    }
    const pieces: Buffer[] = [];
    let size = 0;
    try {
      for await (const piece of body as AsyncIterable<Buffer>) {
        size += piece.length;
        if (size > most) throw new NotFetched(`it is larger than ${Math.round(most / 2 ** 20)} MB`);
        pieces.push(piece);
      }
    } catch (error) {
      if (error instanceof NotFetched) throw error;
      throw new NotFetched('it broke off');
    } finally {
      body.destroy();
    }
    return { href, bytes: Buffer.concat(pieces) };
  }
  throw new NotFetched('it is redirected without end');
}
