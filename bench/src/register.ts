import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { vennet } from '@vennet/client';
import { start } from '@vennet/server/run';
import { PROJECT } from '@vennet/server/platform/settings';
import { line } from './floor.js';

const LINKS = 20_000;
const ROUNDS = 5;
/** A task longer than this holds up what an author does, in ms. */
const LONG = 50;

/** The Register of a book of 20,000 links: its first paint against that of a book without any, and the longest task while it is used. */
export async function benchRegister(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-bench-'));
  const server = await start({
    port: 0,
    dataDirectory: directory,
    databaseUrl: null,
    webDirectory: join(PROJECT, 'web/dist'),
    logLevel: 'error',
  });
  const browser = await chromium.launch({
    executablePath: process.env.VENNET_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const api = vennet(server.address);
    const [many, none] = [await bookWith(api, LINKS), await bookWith(api, 0)];
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const times: [Paint, Paint][] = [];
    for (let round = 0; round < ROUNDS; round++)
      times.push([
        await firstPaint(page, server.address, many),
        await firstPaint(page, server.address, none),
      ]);
    const least = (at: 0 | 1, what: keyof Paint) => Math.min(...times.map((pair) => pair[at][what]));
    line(
      'The Register of 20,000 links, first paint',
      least(0, 'room'),
      'that of an empty one',
      least(1, 'room'),
      1.5,
    );
    line('The same, until its lines are there', least(0, 'lines'), 'an empty one', least(1, 'lines'), null);
    await firstPaint(page, server.address, many);
    for (const [what, longest] of await longestTasks(page))
      console.log(
        `The Register of 20,000 links, ${what}: longest task ${longest.toFixed(0)} ms  (bar ${LONG}: ${longest <= LONG ? 'kept' : 'MISSED'})`,
      );
  } finally {
    await browser.close();
    await server.stop();
    await rm(directory, { recursive: true, force: true });
  }
}

async function bookWith(api: ReturnType<typeof vennet>, links: number): Promise<string> {
  const chapters = Array.from({ length: 20 }, (_chapter, chapter) => {
    const paragraphs = Array.from({ length: links / 20 / 4 }, (_paragraph, at) => {
      const number = chapter * 1_000 + at * 4;
      const made = [0, 1, 2, 3].map((more) => {
        const one = number + more;
        return `the keepers of light ${one} wrote of <a href="https://h${one % 300}.example/page/${one}">the lamp of tower ${one}</a>, and then`;
      });
      return `<p>${made.join(' ')} no more.</p>`;
    });
    return `<h1>Chapter ${chapter + 1}</h1><p>${'It was written down. '.repeat(30)}</p>${paragraphs.join('')}`;
  });
  const html = `<!doctype html><html lang="en"><title>Many links</title><body>${chapters.join('')}</body></html>`;
  const { id } = await api.bringIn(new Blob([html], { type: 'text/html' }), 'many.html');
  return id;
}

/** From pressing the room to the room on the screen, and to its lines, in ms. */
interface Paint {
  room: number;
  lines: number;
}

/** The book is open in Write before. */
async function firstPaint(page: Page, address: string, book: string): Promise<Paint> {
  await page.goto(`${address}/books/${book}/write`);
  await page.getByRole('textbox').first().waitFor({ timeout: 120_000 });
  // What is computed from the text has come.
  await page.waitForTimeout(8_000);
  return page.evaluate(
    () =>
      new Promise<{ room: number; lines: number }>((resolve) => {
        const began = performance.now();
        let room = 0;
        const look = () => {
          if (room === 0 && document.querySelector('main h1')?.textContent === 'Register')
            setTimeout(() => (room = performance.now() - began));
          const hasLines = document.querySelector('[data-line], main p.text-center') !== null;
          if (room > 0 && hasLines) setTimeout(() => resolve({ room, lines: performance.now() - began }));
          else requestAnimationFrame(look);
        };
        requestAnimationFrame(look);
        [...document.querySelectorAll('a')].find((one) => one.textContent === 'Register')?.click();
      }),
  );
}

/** The longest task of the page while it is searched, sorted and scrolled, in ms. */
async function longestTasks(page: Page): Promise<[string, number][]> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(window, { tasks });
    new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map(({ duration }) => duration)),
    ).observe({ type: 'longtask' });
  });
  const longest = async (work: () => Promise<unknown>): Promise<number> => {
    await page.waitForTimeout(3_000);
    await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks.splice(0));
    await work();
    await page.waitForTimeout(1_500);
    return page.evaluate(() => Math.max(0, ...(window as unknown as { tasks: number[] }).tasks));
  };
  return [
    [
      'searching',
      await longest(() => page.getByRole('searchbox').pressSequentially('tower 77', { delay: 90 })),
    ],
    ['searching no more', await longest(() => page.getByRole('searchbox').fill(''))],
    [
      'sorting',
      await longest(() => page.getByRole('columnheader').getByRole('button', { name: 'Leads to' }).click()),
    ],
    [
      'scrolling',
      await longest(async () => {
        for (let at = 1; at <= 40; at++) {
          await page
            .locator('main')
            .evaluate((main, share) => main.scrollTo(0, main.scrollHeight * share), at / 40);
          await page.waitForTimeout(40);
        }
      }),
    ],
  ];
}
