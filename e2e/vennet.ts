import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { vennet, type Vennet as Client } from '@vennet/client';
import type { Manuscript } from '@vennet/core/wire';
import { freePort } from '@vennet/server/database/free-port';

const DEMO = fileURLToPath(new URL('../server/dist/demo.js', import.meta.url));

/** The demo as a newcomer starts it, with data of its own. It can be killed and started again. */
export class Vennet {
  address = '';
  #child: ChildProcess | null = null;

  constructor(
    readonly directory: string,
    readonly port: number,
  ) {}

  async start(): Promise<void> {
    const child = fork(DEMO, {
      env: {
        ...process.env,
        NODE_OPTIONS: '',
        VENNET_DATA: this.directory,
        VENNET_PORT: String(this.port),
        VENNET_REQUEST_TIMEOUT: '2',
      },
      silent: true,
    });
    this.#child = child;
    let output = '';
    child.stderr?.on('data', (chunk: Buffer) => (output += chunk.toString()));
    this.address = await new Promise((resolve, reject) => {
      child.stdout?.on('data', (chunk: Buffer) => {
        output += chunk.toString();
        const ready = /Vennet runs at (\S+)/.exec(output);
        if (ready) resolve(ready[1]!);
      });
      child.once('exit', (code) => reject(new Error(`Vennet ended with ${code}: ${output}`)));
    });
  }

  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null) return;
    const ended = once(child, 'exit');
    child.kill(signal);
    await ended;
  }

  /** Begins anew, with nothing but the demo book: on a copy of the data that the demo has just begun with. */
  async startAnew(): Promise<void> {
    await this.stop();
    await rm(this.directory, { recursive: true, force: true });
    await cp(process.env.VENNET_FRESH_DATA ?? '', this.directory, { recursive: true });
    await this.start();
  }

  /** A book of the Library by its title, as the server has it. */
  async book(title: string): Promise<Manuscript> {
    const books = await this.api.books();
    return this.api.manuscript(books.find((book) => book.title === title)?.id ?? '');
  }

  /** The typed client, to look at what the server has. */
  get api(): Client {
    return vennet(this.address);
  }
}

/** Every worker has a Vennet of its own, and every test file begins it anew: it calls `startAnew` before its tests. */
export const test = base.extend<object, { vennet: Vennet }>({
  vennet: [
    async ({ browserName: _browserName }, use) => {
      const directory = await mkdtemp(join(tmpdir(), 'vennet-e2e-'));
      const vennet = new Vennet(directory, await freePort());
      await use(vennet);
      await vennet.stop();
      await rm(directory, { recursive: true, force: true });
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  // Whatever a test is about, no page may meet an error that nobody catches.
  page: async ({ page }, use) => {
    const errors: Error[] = [];
    page.on('pageerror', (error) => errors.push(error));
    await use(page);
    expect(errors).toEqual([]);
  },
});

export { expect };

/** The text of the open chapter. */
export const text = (page: Page): Locator => page.getByRole('textbox', { name: 'Text of the chapter' });
export const slip = (page: Page): Locator => page.getByRole('form', { name: /^Slip of/ });
export const margin = (page: Page): Locator => page.getByRole('list', { name: 'Links of the visible text' });

/** Into a chapter of the demo book, by its address. */
export async function openChapter(page: Page, vennet: Vennet, chapter: string): Promise<string> {
  const { id, chapters } = await vennet.book('Small Lights');
  await page.goto(
    `${vennet.address}/books/${id}/write/${chapters.find(({ title }) => title === chapter)?.id}`,
  );
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(chapter);
  return id;
}

/** A book of the author's own, without a line yet; the caret waits in its text. */
export async function startBook(page: Page, address: string, title: string): Promise<void> {
  await page.goto(address);
  await page.getByRole('button', { name: 'Start a book' }).click();
  await page.getByRole('dialog').getByLabel('Title').fill(title);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(text(page)).toBeFocused();
}

export const outline = (page: Page): Locator => page.getByRole('navigation', { name: 'Outline' });

/** From one chapter to another by the outline. */
export async function turnTo(page: Page, chapter: string): Promise<void> {
  await outline(page).getByRole('link', { name: chapter }).click();
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(chapter);
}

/** Selects words in the text as a person does: presses at their start, and with Shift at their end. */
export async function selectWords(page: Page, words: string): Promise<void> {
  const box = await page.evaluate(async (wanted) => {
    // A person presses on words that stand still.
    await document.fonts.ready;
    await Promise.all([...document.images].map((picture) => picture.decode().catch(() => undefined)));
    const root = document.querySelector('.ProseMirror');
    if (!root) throw new Error('no text is open');
    const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.textContent?.indexOf(wanted) ?? -1;
      if (at < 0) continue;
      node.parentElement?.scrollIntoView({ block: 'center' });
      const range = document.createRange();
      range.setStart(node, at);
      range.setEnd(node, at + wanted.length);
      const rectangles = [...range.getClientRects()];
      const [first, last] = [rectangles[0], rectangles[rectangles.length - 1]];
      return {
        x: first!.left,
        y: first!.top + first!.height / 2,
        toX: last!.right,
        toY: last!.top + last!.height / 2,
      };
    }
    throw new Error(`“${wanted}” is not in the text`);
  }, words);
  await page.mouse.click(box.x + 1, box.y, { delay: HELD });
  await page.keyboard.down('Shift');
  await page.mouse.click(box.toX - 0.5, box.toY, { delay: HELD });
  await page.keyboard.up('Shift');
  await frame(page);
}

/** Milliseconds for which a person holds a mouse button down. */
const HELD = 50;

/**
 * Lets the page draw once, and the text take the selection over, which it does 20 ms after it has got the focus: a person is
 * never faster.
 */
export async function frame(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise((resolve) =>
        requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(resolve, 25))),
      ),
  );
}

/** Presses something in the text, and the caret is there. */
export async function press(target: Locator, options?: Parameters<Locator['click']>[0]): Promise<void> {
  await target.click({ delay: HELD, ...options });
  await frame(target.page());
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
}

/** Puts the caret after words in the text. */
export async function caretAfter(page: Page, phrase: string): Promise<void> {
  await selectWords(page, phrase);
  await page.keyboard.press('ArrowRight');
  await frame(page);
}

/** The marks of notes in the text. */
export const marks = (page: Page): Locator => text(page).locator('.note-mark');
export const structure = (page: Page) => page.getByRole('dialog', { name: 'The structure of the book' });
export async function openStructure(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Structure' }).click();
  await expect(structure(page)).toBeVisible();
}
export async function useStructure(page: Page): Promise<void> {
  await structure(page).getByRole('button', { name: 'Use this structure' }).click();
  await expect(structure(page)).toBeHidden();
}

/** Into the room where files are made, to one of its forms. */
export async function openForm(page: Page, form: string): Promise<Locator> {
  await page.getByRole('link', { name: 'Publish' }).click();
  await page
    .getByRole('navigation', { name: 'Forms' })
    .getByRole('link', { name: new RegExp(`^${form}`) })
    .click();
  return page.getByRole('region', { name: form, exact: true });
}

/** A file of the open book, made and downloaded in Publish. */
export async function made(page: Page, form: string, button: string): Promise<Buffer> {
  const panel = await openForm(page, form);
  await panel.getByRole('button', { name: button }).click();
  await expect(panel.getByRole('link', { name: 'Download' })).toBeVisible({ timeout: 30_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    panel.getByRole('link', { name: /Download/ }).click(),
  ]);
  return readFile(await download.path());
}

/** Pastes a piece of a page into the text. */
export async function pasteHtml(page: Page, html: string): Promise<void> {
  await text(page).evaluate((element, pasted) => {
    const data = new DataTransfer();
    data.setData('text/html', pasted);
    element.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, html);
}
