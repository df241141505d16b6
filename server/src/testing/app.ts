import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { vennet, type Vennet } from '@vennet/client';
import { startWorld, type Fallback, type Site, type World } from '@vennet/world';
import { createApp } from '../app.js';
import type { ProberOptions } from '../probe/prober.js';
import { ownDatabase } from './own-database.js';

export interface TestApp {
  /** The typed client, for what is to go well. */
  api: Vennet;
  /** Sends any request, also a wrong one, and gives its status and its JSON. */
  call<Body = unknown>(
    method: string,
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<{ status: number; body: Body }>;
  /** Sends a file as the field `file`: a book to bring in, or whatever `path` takes. */
  upload<Body = { id: string; detail: string }>(
    name: string,
    bytes: Uint8Array | string,
    path?: string,
  ): Promise<{ status: number; body: Body }>;
  address: string;
  directory: string;
  databaseUrl: string;
  world: World;
  stop(): Promise<void>;
}

export interface TestAppOptions {
  sites?: Site[];
  fallback?: Fallback;
  prober?: ProberOptions;
  timeGate?: string;
  /** The database of another application; without it this one has its own. */
  databaseUrl?: string;
}

/** The whole server on a free port, with a world and a database of its own, in a real MariaDB. */
export async function startTestApp({
  sites = [],
  fallback,
  prober,
  timeGate,
  databaseUrl,
}: TestAppOptions = {}): Promise<TestApp> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-app-'));
  const world = await startWorld({ sites, fallback });
  const database = databaseUrl ? { url: databaseUrl, drop: async () => {} } : await ownDatabase();
  const app = await createApp({
    databaseUrl: database.url,
    dataDirectory: directory,
    webDirectory: null,
    logLevel: 'error',
    world,
    prober,
    timeGate,
  });
  await app.listen(0, '127.0.0.1');
  const { port } = app.getHttpServer().address() as { port: number };
  const address = `http://127.0.0.1:${port}`;
  return {
    address,
    directory,
    databaseUrl: database.url,
    world,
    api: vennet(address),
    async call(method, path, body, headers = {}) {
      const json: Record<string, string> = body === undefined ? {} : { 'content-type': 'application/json' };
      const response = await fetch(`${address}/api/${path}`, {
        method,
        headers: { ...json, ...headers },
        body: typeof body === 'string' ? body : JSON.stringify(body),
      });
      const text = await response.text();
      return { status: response.status, body: (text === '' ? null : JSON.parse(text)) as never };
    },
    async upload(name, bytes, path = 'books/bring-in') {
      const form = new FormData();
      form.append('file', new Blob([bytes as BlobPart]), name);
      const response = await fetch(`${address}/api/${path}`, { method: 'POST', body: form });
      return { status: response.status, body: (await response.json()) as never };
    },
    async stop() {
      await app.close();
      await database.drop();
      await world.stop();
      await rm(directory, { recursive: true, force: true });
    },
  };
}

/** Looks again and again until something is so; gives up after a while. */
export async function until<Value>(
  look: () => Promise<Value>,
  isSo: (value: Value) => boolean,
  limit = 60_000,
): Promise<Value> {
  const end = Date.now() + limit;
  for (;;) {
    const value = await look();
    if (isSo(value)) return value;
    if (Date.now() > end)
      throw new Error(`it did not come to be within ${limit} ms; last seen: ${JSON.stringify(value)}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** A page with one paragraph for each link: its words and its address. */
export function pageWithLinks(links: [string, string][], title = 'A book'): string {
  const paragraphs = links.map(([words, href]) => `<p>Read <a href="${href}">${words}</a> first.</p>`);
  return `<!doctype html><html lang="en"><title>${title}</title><body><h1>${title}</h1>${paragraphs.join('\n')}`;
}
