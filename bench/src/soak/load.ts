import { setTimeout as wait } from 'node:timers/promises';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { ApiError, vennet, type Vennet } from '@vennet/client';
import { end, memoryOf, serve } from './served.js';

export interface LoadResult {
  requests: number;
  /** What was answered with 5xx, by its words. */
  faults: Map<string, number>;
  /** The most that the server held, in MB, and what it held at the end. */
  most: number;
  last: number;
  /** How long health took to answer, in ms: at the 99th percentile, and at the most. */
  health: { p99: number; most: number };
}

const page = (parts: number) =>
  `<!doctype html><html lang="en"><title>Load</title><body>${Array.from({ length: parts }, (_, index) => `<h2 id="p${index}">Part ${index}</h2><p>Words of part ${index} with <a href="https://h${index % 9}.example/">a lamp</a> and <a href="#p${(index * 7) % parts}">another part</a>.</p>`).join('')}`;

/** Everything at once, for so many minutes: reading, typing, repairing, taking back, bringing in and publishing. */
export async function mixedLoad(directory: string, minutes: number): Promise<LoadResult> {
  const served = await serve(directory);
  const api = vennet(served.address);
  const until = Date.now() + minutes * 60_000;
  const books = await Promise.all([20, 60, 400].map((parts) => bringIn(served.address, page(parts))));
  const result: LoadResult = {
    requests: 0,
    faults: new Map(),
    most: 0,
    last: 0,
    health: { p99: 0, most: 0 },
  };
  const times: number[] = [];
  const watching = (async () => {
    while (Date.now() < until) {
      const start = performance.now();
      await fetch(`${served.address}/api/health`);
      times.push(performance.now() - start);
      result.last = memoryOf(served.child.pid ?? 0);
      result.most = Math.max(result.most, result.last);
      await wait(250);
    }
  })();
  const works = [read, read, read, type, type, type, repair, publish, bring].map(async (work) => {
    while (Date.now() < until) {
      const book = books[Math.floor(Math.random() * books.length)]!;
      result.requests++;
      await work(api, book, served.address).catch((error: unknown) => {
        const known = error instanceof ApiError && error.problem.status < 500;
        const words = error instanceof Error ? error.message : String(error);
        if (!known) result.faults.set(words, (result.faults.get(words) ?? 0) + 1);
      });
    }
  });
  await Promise.all([watching, ...works]);
  await end(served);
  times.sort((one, other) => one - other);
  result.health = { p99: times[Math.ceil(times.length * 0.99) - 1] ?? 0, most: times.at(-1) ?? 0 };
  return result;
}

async function bringIn(address: string, html: string): Promise<string> {
  const body = new FormData();
  body.append('file', new Blob([html]), 'load.html');
  const answer = await fetch(`${address}/api/books/bring-in`, { method: 'POST', body });
  if (answer.status !== 201) throw new Error(`bringing in: ${answer.status}`);
  return ((await answer.json()) as { id: string }).id;
}

async function read(api: Vennet, book: string): Promise<void> {
  await Promise.all([api.links(book), api.findings(book), api.manuscript(book)]);
}

async function type(api: Vennet, book: string): Promise<void> {
  const { chapters } = await api.manuscript(book);
  const chapter = chapters[Math.floor(Math.random() * chapters.length)]!;
  for (let version = chapter.version, count = 0; count < 10; count++) {
    const answer = await api.sendSteps(chapter.id, {
      batch: crypto.randomUUID(),
      window: 'load',
      version,
      schema: SCHEMA_VERSION,
      steps: [{ stepType: 'replace', from: 1, to: 1, slice: { content: [{ type: 'text', text: 'w ' }] } }],
    });
    version = answer.version;
    await wait(50);
  }
  // What was typed goes again, so that the book stays as large as it is.
  const [fresh] = (await api.manuscript(book)).chapters.filter(({ id }) => id === chapter.id);
  const doc = JSON.parse(JSON.stringify(fresh!.doc).replace(/(?:w ){2,}/g, 'w ')) as object;
  await api.saveChapter(chapter.id, { version: fresh!.version, doc });
}

async function repair(api: Vennet, book: string): Promise<void> {
  const href = `https://h${Math.floor(Math.random() * 9)}.example/`;
  const { change } = await api.repair(book, {
    target: { href },
    repair: { type: 'text', text: `lamp ${Math.random()}` },
  });
  await wait(200);
  if (change) await api.takeBack(book, change);
}

async function publish(api: Vennet, book: string): Promise<void> {
  const formats = ['epub', 'pdf', 'web'] as const;
  const { id } = await api.startExport(book, formats[Math.floor(Math.random() * 3)]!);
  for (;;) {
    const { state } = await api.export(id);
    if (state !== 'waiting' && state !== 'running') return;
    await wait(200);
  }
}

async function bring(api: Vennet, _book: string, address: string): Promise<void> {
  await api.removeBook(await bringIn(address, page(50)));
  await wait(2_000);
}
