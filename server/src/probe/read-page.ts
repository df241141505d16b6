import { decodeText } from '@vennet/core/page';
import { urlFrom } from '@vennet/core/destination';
import { request, type Dispatcher } from 'undici';
import { withinTime } from './time-limit.js';

/** How much of a page is read to find its title, in bytes; one that does not name itself within this has none. */
const LARGEST_HEAD = 256 * 1024;
const REDIRECTS = 5;

/** The beginning of a page, and the address that gave it. */
export interface PageHead {
  href: string;
  html: string;
}

/** Why a page has no title to offer. */
export class PageError extends Error {}

/** Reads the head of a page through the same guard as every check. @throws PageError, or what the network threw */
export const readPage = (href: string, options: ReadOptions): Promise<PageHead> =>
  withinTime(options.timeout, null, (signal) => readWithin(href, options, signal));

interface ReadOptions {
  dispatcher: Dispatcher;
  /** Longest time for all of it, in ms. */
  timeout: number;
  userAgent: string;
}

async function readWithin(
  href: string,
  { dispatcher, timeout, userAgent }: ReadOptions,
  signal: AbortSignal,
): Promise<PageHead> {
  let at = href;
  for (let hops = 0; hops <= REDIRECTS; hops++) {
    const { statusCode, headers, body } = await request(at, {
      method: 'GET',
      dispatcher,
      signal,
      headersTimeout: timeout,
      bodyTimeout: timeout,
      headers: { 'user-agent': userAgent, accept: 'text/html,application/xhtml+xml' },
    });
    body.on('error', () => {}); // a body that is left unread may break off
    const { location, 'content-type': type = '' } = headers;
    const next = typeof location === 'string' ? urlFrom(location, at) : null;
    if (statusCode >= 300 && statusCode < 400 && next) {
      body.destroy();
      at = next.href;
      if (!/^https?:/.test(at)) break;
      continue;
    }
    if (statusCode < 200 || statusCode > 299) {
      body.destroy();
      throw new PageError(`the site answers ${statusCode}`);
    }
    if (!/html/i.test(String(type))) {
      body.destroy();
      throw new PageError('there is no web page but a file');
    }
    const chunks: Uint8Array[] = [];
    let size = 0;
    for await (const chunk of body as AsyncIterable<Uint8Array>) {
      chunks.push(chunk);
      size += chunk.length;
      if (size >= LARGEST_HEAD) break;
    }
    const charset = /charset\s*=\s*["']?([\w-]+)/i.exec(String(type))?.[1];
    return { href: at, html: decodeText(Buffer.concat(chunks), META, charset) };
  }
  throw new PageError('it redirects too often');
}

const META = /<meta[^>]+charset\s*=\s*["']?([\w-]+)/i;
