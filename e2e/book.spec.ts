import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { epubFiles, PIXEL, zip } from '@vennet/core/testing';
import { addressesInPdf, epubFaults, run } from '@vennet/server/testing/readers';
import { press, expect, margin, test, text, openForm } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

/** A book as another maker would make it: hundreds of pages, a thousand links of all kinds. */
function bigBook(): Uint8Array {
  const sentence = 'The lamp was lit at five and the wind stood in the north until the seal had gone. ';
  const chapters = Array.from({ length: 25 }, (_, chapter) => {
    const sections = Array.from({ length: 10 }, (_, section) => {
      const links = Array.from({ length: 4 }, (_, link) => {
        const number = chapter * 40 + section * 4 + link;
        if (number % 10 === 8) return `<a href="c${(chapter + 1) % 25}.xhtml#s${section}">part ${number}</a>`;
        if (number % 10 === 9) return `<a href="mailto:keeper${number}@lamp.example">keeper ${number}</a>`;
        return `<a href="https://h${number % 60}.example/page/${number}">page ${number}</a>`;
      });
      return `<h2 id="s${section}">Section ${section}</h2>${links.map((link) => `<p>${sentence.repeat(4)} See ${link} first. ${sentence.repeat(2)}</p>`).join('')}`;
    });
    return [
      `c${chapter}.xhtml`,
      `<body><h1 id="top">Chapter ${chapter}</h1>${sections.join('')}<p><img src="p.png" alt="A dot"/></p></body>`,
    ] as const;
  });
  return zip(epubFiles(Object.fromEntries(chapters), { 'OEBPS/p.png': PIXEL }));
}

async function bringIn(page: Page, name: string, bytes: Uint8Array | string): Promise<void> {
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  await page
    .getByLabel(/choose it/)
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(bytes) });
}

/** The id of the book that is open. */
const bookIn = (page: Page): string => /books\/([^/]+)/.exec(page.url())?.[1] ?? '';

async function download(page: Page, form: 'E-book' | 'PDF', folder: string): Promise<string> {
  const panel = await openForm(page, form);
  const opened = page.waitForEvent('download');
  await panel.getByRole('link', { name: 'Download' }).click();
  const file = await opened;
  const path = join(folder, file.suggestedFilename());
  await file.saveAs(path);
  return path;
}

/** Makes a file; so many of its links are lost, since the book has faults that were left in. */
async function make(page: Page, form: 'E-book' | 'PDF', links: number, lost = 0): Promise<void> {
  const panel = await openForm(page, form);
  await panel.getByRole('button', { name: /^Make the/ }).click();
  await expect(panel.getByTestId('proof')).toContainText(
    `Expected${links}Found${links - lost}Lost${lost}Changed0`,
    {
      timeout: 90_000,
    },
  );
}

const outside = (hrefs: string[]) => new Set(hrefs.filter((href) => /^(?:https?|mailto):/.test(href)));

test('the demo book is published as e-book and PDF, and every link is in both', async ({
  page,
  vennet,
}, testInfo) => {
  test.setTimeout(180_000);
  await page.goto(vennet.address);
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  const book = bookIn(page);
  const hrefs = (await vennet.api.links(book)).map(({ href }) => href);
  // One link of the demo leads to a place that is not there.
  await make(page, 'E-book', hrefs.length, 1);
  await make(page, 'PDF', hrefs.length, 1);
  for (const form of ['E-book', 'PDF'])
    await expect((await openForm(page, form)).getByTestId('computed-proof')).toHaveText(
      /^(\d+) of \1 computed links/,
    );
  const folder = testInfo.outputDir;
  const epub = await download(page, 'E-book', folder);
  expect(await epubFaults(epub)).toEqual([]);
  const pdf = await download(page, 'PDF', folder);
  expect((await run('qpdf', ['--check', pdf])).stdout).toContain('No syntax or stream encoding errors');
  expect(outside(await addressesInPdf(pdf))).toEqual(outside(hrefs));
});

test('a big book of another maker comes in with everything, shows its links, and goes out again', async ({
  page,
  vennet,
}, testInfo) => {
  test.setTimeout(240_000);
  await page.goto(vennet.address);
  await bringIn(page, 'big.epub', bigBook());
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('heading', { name: 'How it is divided into chapters' })).toBeVisible({
    timeout: 30_000,
  });
  await dialog.getByRole('button', { name: 'One level down' }).click();
  await expect(dialog.getByRole('status')).toHaveText('275 chapters');
  await dialog.getByRole('button', { name: 'As it was' }).click();
  await expect(dialog.getByRole('status')).toHaveText('25 chapters');
  await dialog.getByRole('button', { name: 'Take these chapters' }).click();
  await expect(dialog.getByRole('heading', { name: 'The book is in your Library' })).toBeVisible();
  for (const line of [
    '800 web links',
    '100 links inside the book',
    '100 email links',
    '25 chapters',
    '25 pictures',
    '275 headings',
  ])
    await expect(dialog).toContainText(line);
  await expect(dialog).toContainText('ids: two files of the book used the same id');
  await dialog.getByRole('link', { name: 'Open the book' }).click();
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Chapter 0');
  await expect(margin(page).getByRole('button').first()).toHaveText(/h0\.example\/page\/0/);
  await press(text(page).getByRole('link', { name: 'part 8', exact: true }));
  await expect(page.getByRole('form', { name: 'Slip of the link' })).toContainText('in “Chapter 1”');
  await page.getByRole('link', { name: 'Register' }).click();
  await expect(page.getByText('1,000 links')).toBeVisible();
  await page.getByRole('searchbox').fill('keeper9@');
  await expect(page.getByRole('row').filter({ hasText: 'keeper9@lamp.example' })).toContainText('Email');

  const book = bookIn(page);
  const hrefs = (await vennet.api.links(book)).map(({ href }) => href);
  expect(hrefs).toHaveLength(1000);
  await make(page, 'E-book', 1000);
  await make(page, 'PDF', 1000);
  expect(await epubFaults(await download(page, 'E-book', testInfo.outputDir))).toEqual([]);
  expect(new Set(await addressesInPdf(await download(page, 'PDF', testInfo.outputDir)))).toEqual(
    outside(hrefs),
  );
});

test('a web page comes in by dropping it; what can’t be kept is said', async ({ page, vennet }, testInfo) => {
  await page.goto(vennet.address);
  const path = testInfo.outputPath('page.html');
  await writeFile(
    path,
    '<!doctype html><title>A page</title><h1>A page</h1><p><a href="https://lamp.example/">lamps</a> <a href="sms:+4930901820">text</a> <a href="tel:+49-30-901820">call</a></p><script>alert(1)</script>',
  );
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  await page.getByLabel(/choose it/).setInputFiles(path);
  await expect(page.getByRole('dialog')).toContainText(
    '1 link: “sms:+4930901820” can’t be published, so the words stay without it',
  );
  await page.getByRole('link', { name: 'Open the book' }).click();
  await expect(text(page)).toHaveText(/A page\s*lamps text call/);
  // A telephone number is a link like another, and known to be right without asking anybody.
  await press(text(page).getByRole('link', { name: 'call', exact: true }));
  const slip = page.getByRole('form', { name: 'Slip of the link' });
  await expect(slip.getByRole('combobox', { name: 'Leads to' })).toHaveValue('tel:+49-30-901820');
  await expect(slip).toContainText('Telephone number: tel:+49-30-901820');
  await expect(slip).toContainText('A telephone number, written in full.');
  await slip.getByRole('button', { name: 'Follow' }).click();
  await expect(page.getByTestId('follow-address')).toHaveText('tel:+49-30-901820');
  await page.getByRole('button', { name: 'Stay here' }).click();
});

test('the author sees how a book is divided before it is taken, and changes it then and later', async ({
  page,
  vennet,
}) => {
  await page.goto(vennet.address);
  await bringIn(
    page,
    'trees.html',
    `<!doctype html><html lang="en"><title>Trees</title><h1>Alder</h1><p>Of <a href="#bark">bark</a>.</p><h2>Leaves</h2><p>Green.</p><h1>Birch</h1><p>White.</p><h2 id="bark">Bark</h2><p>Thin.</p>`,
  );
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('status')).toHaveText('1 chapter');
  await dialog.getByRole('button', { name: 'One level down' }).click();
  await expect(dialog.getByRole('status')).toHaveText('2 chapters');
  await dialog.getByRole('button', { name: 'Begin a chapter here: Bark' }).focus();
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('button', { name: 'Join to the one before: Bark' })).toBeFocused();
  await dialog.getByRole('button', { name: 'Take these chapters' }).click();
  await dialog.getByRole('link', { name: 'Open the book' }).click();
  const chapters = page.getByRole('navigation', { name: 'Outline' }).getByRole('listitem');
  const titles = () =>
    vennet.api.manuscript(bookIn(page)).then((book) => book.chapters.map(({ title }) => title));
  await expect.poll(titles).toEqual(['Alder', 'Birch', 'Bark']);
  await expect(chapters.first()).toContainText('Alder');

  await page.getByRole('button', { name: 'Divide anew' }).click();
  await dialog.getByRole('button', { name: 'One level up' }).click();
  await expect(dialog.getByRole('status')).toHaveText('2 chapters');
  await dialog.getByRole('button', { name: 'Divide it so' }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(titles).toEqual(['Alder', 'Birch']);
  await text(page).focus();
  await page.keyboard.press('ControlOrMeta+z');
  await expect.poll(titles).toEqual(['Alder', 'Birch', 'Bark']);
  await press(text(page).getByRole('link', { name: 'bark' }));
  await expect(page.getByRole('form', { name: 'Slip of the link' })).toContainText('in “Bark”');
});

test('a book from right to left is written as it is read, with code and other words in it', async ({
  page,
  vennet,
}, testInfo) => {
  await page.goto(vennet.address);
  await bringIn(
    page,
    'he.html',
    '<!doctype html><html lang="he" dir="rtl"><title>אורות</title><h1>המנורה</h1><p>האור דולק, <a href="https://tides.example/">לוח הגאות</a>.</p><p>An English paragraph.</p><pre>lamp = on</pre>',
  );
  await page.getByRole('dialog').getByRole('link', { name: 'Open the book' }).click();
  await expect(text(page)).toHaveAttribute('dir', 'rtl');
  await expect(text(page)).toHaveAttribute('lang', 'he');
  const side = (words: string) =>
    text(page)
      .locator('p, pre')
      .filter({ hasText: words })
      .evaluate((block) => {
        const range = document.createRange();
        range.selectNodeContents(block);
        const [words, box] = [range.getBoundingClientRect(), block.getBoundingClientRect()];
        return words.left - box.left < box.right - words.right ? 'left' : 'right';
      });
  expect(await side('האור דולק')).toBe('right');
  expect(await side('An English paragraph')).toBe('left');
  expect(await side('lamp = on')).toBe('left');
  await make(page, 'E-book', 1);
  expect(await epubFaults(await download(page, 'E-book', testInfo.outputDir))).toEqual([]);
});

for (const [what, name, bytes, words] of [
  ['a file that is no book', 'list.txt', 'Milk, bread', 'none of the kinds that can be brought in'],
  [
    'a broken e-book',
    'broken.epub',
    zip(epubFiles({ 'a.xhtml': '<body><p>x</p></body>' })).slice(0, 300),
    'This file is damaged',
  ],
  ['a zip bomb', 'bomb.epub', zip({ a: new Uint8Array(80_000_000) }), 'far more than a book needs'],
] as const)
  test(`${what} is refused in clear words, and nothing is left of it`, async ({ page, vennet }) => {
    await page.goto(vennet.address);
    const entries = page.getByRole('list', { name: 'Books' }).getByRole('listitem');
    await expect(entries.first()).toBeVisible();
    const before = await entries.count();
    await bringIn(page, name, bytes);
    await expect(page.getByRole('alert')).toContainText(words);
    await expect(page.getByRole('alert')).toContainText('Your Library is as it was.');
    await page.keyboard.press('Escape');
    await page.reload();
    await expect(entries).toHaveCount(before);
  });
