import type { IncomingMessage, ServerResponse } from 'node:http';

type Body = string | Uint8Array;

/** What a page of the stand-in world answers. */
export type PageAnswer =
  | { kind: 'page'; title: string; ids: string[]; words: string[] }
  | { kind: 'redirect'; status: 301 | 302 | 303 | 307 | 308; location: string }
  | { kind: 'status'; status: number; title: string; retryAfter?: string }
  /** Any answer: its status, its headers (several of one name too) and its bytes. */
  | { kind: 'made'; status: number; headers: [string, string][]; body: Body | (() => Body) }
  /** The very bytes of an answer, whatever they are; then the line is broken off, ended or held. */
  | { kind: 'raw'; bytes: string | Uint8Array; then: 'end' | 'reset' | 'hold' }
  /** What has to be done over time, or depends on what is asked. */
  | { kind: 'does'; does(request: IncomingMessage, response: ServerResponse): void }
  /** Says nothing and keeps the line open. */
  | { kind: 'silent' }
  /** Breaks the line off. */
  | { kind: 'breaks' };

/** A page, and how it is reached. */
export interface Page {
  answer: PageAnswer;
  /** Time before the answer, in ms. */
  delay?: number;
  /** What HEAD gets, where it gets something else than GET. */
  headStatus?: number;
}

/** What is not in order with the TLS of a site. */
export type TlsState =
  | 'expired'
  | 'not-yet-valid'
  | 'other-name'
  | 'self-signed'
  | 'unknown-issuer'
  | 'old-version'
  | 'plain-http';

/** A made-up web site: pages by path and query. A path that is not there is answered with `missing`, or 404. */
export interface Site {
  name: string;
  about: string;
  pages: Record<string, Page>;
  /** What a path gets that is not there. */
  missing?: Page | ((path: string) => Page | null);
  /** Connections to the site are refused. */
  refuses?: true;
  tls?: TlsState;
  /** What its name resolves to; an address of its own without. */
  addresses?: readonly string[];
  /** The servers that take its mail; a null MX (RFC 7505) has an empty `exchange`. */
  mail?: readonly { priority: number; exchange: string }[];
  /** How its name servers fail: for every question, or for those about mail. */
  names?: 'servfail' | 'nodata' | 'silent' | 'mail-servfail';
}

/** Answers for any path of any host that no site has: for tests and benchmarks. */
export type Fallback = (hostname: string, path: string) => Page | null;

export const page = (title: string, ids: string[] = [], ...words: string[]): Page => ({
  answer: { kind: 'page', title, ids, words },
});
export const redirect = (status: 301 | 302 | 303 | 307 | 308, location: string): Page => ({
  answer: { kind: 'redirect', status, location },
});
export const status = (code: number, title: string, retryAfter?: string): Page => ({
  answer: { kind: 'status', status: code, title, ...(retryAfter ? { retryAfter } : {}) },
});
/** An answer with these very bytes as its body; a large one is made only when it is asked for. */
export const made = (
  code: number,
  headers: Record<string, string | string[]>,
  body: Body | (() => Body) = '',
): Page => ({
  answer: {
    kind: 'made',
    status: code,
    headers: Object.entries(headers).flatMap(([name, value]) =>
      [value].flat().map((one): [string, string] => [name, one]),
    ),
    body,
  },
});
/** A page of HTML as it is written. */
export const html = (
  body: string | (() => string),
  code = 200,
  headers: Record<string, string | string[]> = {},
): Page => made(code, { 'content-type': 'text/html; charset=utf-8', ...headers }, body);
export const raw = (bytes: string | Uint8Array, then: 'end' | 'reset' | 'hold' = 'end'): Page => ({
  answer: { kind: 'raw', bytes, then },
});
export const does = (work: (request: IncomingMessage, response: ServerResponse) => void): Page => ({
  answer: { kind: 'does', does: work },
});
