import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { DEFAULT_STRUCTURE } from '@vennet/core/manuscript';
import { isUnderWay } from '@vennet/core/wire';
import type { Node } from 'prosemirror-model';
import { vennet, type Vennet } from '@vennet/client';
import { start } from '@vennet/server/run';
import { PROJECT } from '@vennet/server/platform/settings';
import { build, type Rolldown } from 'vite';
import type {} from './bare-editor.js';
import { fullBook, fullChapter } from './chapter.js';

const KEYS = 150; // a round
const ROUNDS = 3;

/** A text that is typed in, and how. */
interface Case {
  what: string;
  /** The chapters of the book; the one in the middle is written in. */
  chapters: Node[];
  /** ms between two keys. */
  pause: number;
  /** ms at the 95th percentile over the floor. */
  bar: number;
  /** PDFs of another book are made all the while. */
  busy?: true;
}

/**
 * From key to paint while typing in the middle of a chapter of 20,000 words with 400 links, 60 notes and 100 references,
 * and in a book of 200,000 words, at a pace at which the whole book is audited after each key; against the bare editor
 * with the same chapter. The two take turns, so that both meet the machine in the same state.
 */
export async function benchTyping(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-bench-'));
  const webDirectory = join(PROJECT, 'web/dist');
  const server = await start({
    port: 0,
    dataDirectory: directory,
    databaseUrl: null,
    webDirectory,
    logLevel: 'error',
  });
  const browser = await chromium.launch({
    executablePath: process.env.VENNET_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const cases: Case[] = [
    { what: '20,000 words, fast', chapters: [fullChapter()], pause: 70, bar: 16 },
    {
      what: '20,000 words, fast, while PDFs of a book of 100,000 words are made',
      chapters: [fullChapter()],
      pause: 70,
      bar: 16,
      busy: true,
    },
    { what: '200,000 words, slowly', chapters: fullBook(), pause: 150, bar: 33 },
  ];
  try {
    const other = await bookWith(server.address, fullBook().slice(0, 20));
    for (const { what, chapters, pause, bar, busy } of cases) {
      const write = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await write.goto(await addressOfBook(server.address, chapters));
      const bare = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await showBare(bare, server.address, middleOf(chapters).toJSON(), webDirectory);
      const times: { write: number[]; bare: number[] } = { write: [], bare: [] };
      for (const page of [write, bare]) await prepare(page);
      for (let round = 0; round < ROUNDS; round++) {
        times.bare.push(...(await typed(bare, pause)));
        const making = busy && new Making(server.address, other);
        times.write.push(...(await typed(write, pause)));
        await making?.end();
      }
      const [whole, floor] = [p95(times.write), p95(times.bare)];
      const over = whole - floor;
      console.log(
        `Typing in ${what}, key to paint, p95: ${over.toFixed(1)} ms over the bare editor  (bar ${bar}: ${over <= bar ? 'kept' : 'MISSED'})   [${whole.toFixed(1)} ms / ${floor.toFixed(1)} ms]`,
      );
      await Promise.all([write.close(), bare.close()]);
    }
  } finally {
    await browser.close();
    await server.stop();
    await rm(directory, { recursive: true, force: true });
  }
}

const middleOf = <Item>(items: Item[]): Item => items[Math.floor(items.length / 2)]!;

/** Makes PDFs of a book, one after the other, until it is ended. */
class Making {
  #isOver = false;
  readonly #done: Promise<void>;

  constructor(address: string, book: string) {
    this.#done = this.#make(vennet(address), book);
  }

  async #make(api: Vennet, book: string): Promise<void> {
    while (!this.#isOver) {
      const { id } = await api.startExport(book, 'pdf');
      let job = await api.export(id);
      while (isUnderWay(job) && !this.#isOver) {
        await setTimeout(100);
        job = await api.export(id);
      }
      if (job.state === 'failed') throw new Error(job.message);
      if (isUnderWay(job)) await api.stopExport(id);
    }
  }

  end(): Promise<void> {
    this.#isOver = true;
    return this.#done;
  }
}

/** Makes a book of these chapters; its id. */
async function bookWith(address: string, docs: Node[]): Promise<string> {
  const api = vennet(address);
  const { id } = await api.startBook({ title: 'Long', author: 'Bench' });
  await api.changeBook(id, { structure: { ...DEFAULT_STRUCTURE, numbering: 'decimal' } });
  const { chapters } = await api.manuscript(id);
  while (chapters.length < docs.length)
    chapters.push(await api.addChapter(id, { title: 'Next', after: chapters.at(-1)?.id }));
  for (const [index, doc] of docs.entries()) {
    const { id: chapter, version } = chapters[index]!;
    await api.saveChapter(chapter, { version, doc: doc.toJSON() as object });
  }
  return id;
}

/** Where the chapter in the middle of such a book is written. */
async function addressOfBook(address: string, docs: Node[]): Promise<string> {
  const id = await bookWith(address, docs);
  const { chapters } = await vennet(address).manuscript(id);
  return `${address}/books/${id}/write/${middleOf(chapters).id}`;
}

/** A page with the bare editor, in the same measure and style. */
async function showBare(page: Page, address: string, doc: unknown, webDirectory: string): Promise<void> {
  const entry = fileURLToPath(new URL('./bare-editor.js', import.meta.url));
  const built = (await build({
    configFile: false,
    logLevel: 'silent',
    build: { write: false, lib: { entry, formats: ['es'], fileName: 'bare' } },
  })) as Rolldown.RolldownOutput[];
  const { code } = built[0]!.output[0];
  const head = /<link rel="stylesheet"[^>]*>/.exec(
    await readFile(join(webDirectory, 'index.html'), 'utf8'),
  )?.[0];
  await page.route('**/bare', (route) =>
    route.fulfill({
      contentType: 'text/html',
      body: `<!doctype html><html lang="en"><head>${head}</head><body>
        <main style="height: 100vh; overflow-y: auto"><div id="text" style="width: 34rem; margin: 0 auto"></div></main>
        <script type="module">${code}</script></body></html>`,
    }),
  );
  await page.goto(`${address}/bare`);
  await page.evaluate((text) => window.showBare(document.getElementById('text')!, text), doc);
}

/** Puts the caret into a paragraph in the middle, and begins to take times from key to paint. */
async function prepare(page: Page): Promise<void> {
  const paragraphs = page.locator('.ProseMirror > p');
  await paragraphs.first().waitFor();
  await paragraphs.nth(Math.floor((await paragraphs.count()) / 2)).click({ position: { x: 200, y: 12 } });
  await page.evaluate(() => {
    const times: number[] = [];
    Object.assign(window, { times });
    addEventListener(
      'keydown',
      ({ timeStamp }) =>
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          // A task after the frame: what was drawn is on its way to the screen.
          port1.onmessage = () => times.push(performance.now() - timeStamp);
          port2.postMessage(null);
        }),
      { capture: true },
    );
  });
  await page.waitForTimeout(1500);
}

/** Types a round; ms from each key to its paint. */
async function typed(page: Page, pause: number): Promise<number[]> {
  await page.bringToFront();
  await page.keyboard.type('the lamp was lit '.repeat(KEYS).slice(0, KEYS), { delay: pause });
  await page.waitForTimeout(300);
  return page.evaluate(() => (window as unknown as { times: number[] }).times.splice(0));
}

const p95 = (times: number[]): number =>
  [...times].sort((one, other) => one - other)[Math.floor(times.length * 0.95)]!;
