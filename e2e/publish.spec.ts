import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { saidBy, writtenPages } from '@vennet/core/testing';
import { unzipSync } from 'fflate';
import { axe } from './axe.js';
import { expect, made, openForm, slip, test, type Vennet } from './vennet.js';

// Files of other tests would stand among those that were made before.
test.beforeEach(({ vennet }) => vennet.startAnew());

/** Makes a form of the demo book and opens it as its reader has it. */
async function tried(page: Page, vennet: Vennet, ...form: [name: string, make: string]): Promise<Locator> {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  await made(page, ...form);
  await page.getByRole('button', { name: 'Try it as a reader' }).click();
  return page.getByRole('dialog');
}

test('how the pages of a PDF are set is chosen, seen, kept with the book, and is in the file', async ({
  page,
  vennet,
}) => {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  const panel = await openForm(page, 'PDF');
  const sheet = panel.getByRole('img', { name: /as it would be set/ });
  await expect(sheet).toHaveAttribute('data-page', '3', { timeout: 30_000 });
  const proportion = () =>
    sheet.evaluate((canvas: HTMLCanvasElement) => Math.round((100 * canvas.height) / canvas.width));
  // A5: the sides of ISO 216 are as 1 to the root of 2.
  await expect.poll(proportion).toBe(142);

  await panel.getByRole('button', { name: 'New set' }).click();
  await page.keyboard.type('For print');
  await page.keyboard.press('Enter');
  await panel.getByLabel('Size', { exact: true }).selectOption({ label: 'Letter' });
  await expect.poll(proportion, { timeout: 30_000 }).toBe(129);
  await panel.getByLabel('Face').selectOption('Sans');
  await panel.getByLabel('Addresses are printed').selectOption('At the foot of the page');
  await panel.getByLabel('A way back to the contents at the foot of each page').check();
  await panel.getByLabel('Outer').fill('20');
  await panel.getByLabel('Addresses are printed').selectOption('As QR codes in the margin');
  await panel.getByLabel('Every link gets a code').uncheck();
  await expect(panel.getByLabel(/^Links in the look of the book/)).toBeChecked();
  await panel.getByLabel('Every link gets a code').check();
  await panel.getByLabel('Addresses are printed').selectOption('At the foot of the page');
  // What leaves no room is told at once, with what to do.
  await panel.getByLabel('Bottom').fill('5');
  await expect(panel.getByRole('alert')).toContainText('needs a lower margin of 10 mm');
  await panel.getByLabel('Bottom').fill('20');
  await expect(panel.getByRole('alert')).toBeHidden();
  expect(await axe(page)).toEqual([]);

  const bytes = await made(page, 'PDF', 'Make the PDF');
  await expect(page.getByTestId('printed-proof')).toHaveText(/^(\d+) of \1 addresses are printed in full/);
  await expect(page.getByTestId('computed-proof')).toHaveText(/^(\d+) of \1 computed links/);
  expect(saidBy('pdfinfo', [], bytes)).toMatch(/612 x 792 pts \(letter\)/);
  expect(saidBy('pdffonts', [], bytes)).toContain('SourceSans3');
  expect(saidBy('qpdf', ['--check'], bytes)).toContain('No syntax or stream encoding errors');

  await page.reload();
  await expect(panel.getByLabel('Set of choices')).toHaveValue(/.+/);
  await expect(panel.getByLabel('Set of choices').locator('option:checked')).toHaveText('For print');
  await expect(panel.getByLabel('Size', { exact: true })).toHaveValue('letter');
  await panel.getByLabel('Set of choices').selectOption('As usual');
  await expect(panel.getByLabel('Size', { exact: true })).toHaveValue('a5');
  await expect.poll(proportion, { timeout: 30_000 }).toBe(142);
  await expect(
    page.getByRole('navigation', { name: 'Forms' }).getByRole('link', { name: /^PDF/ }),
  ).toHaveAttribute('aria-current', 'true');
});

test('any file is proved: one that was made here and spoilt, and one of another maker', async ({
  page,
  vennet,
}) => {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  const web = (await made(page, 'Web page', 'Make the web page')).toString();
  await page
    .getByRole('navigation', { name: 'Forms' })
    .getByRole('link', { name: /^Any file/ })
    .click();
  const give = (name: string, bytes: string | Uint8Array) =>
    page.getByLabel('The file to be proved').setInputFiles({
      name,
      mimeType: 'application/octet-stream',
      buffer: Buffer.from(bytes),
    });
  await give('clean.html', web);
  // One link of the demo leads to a place that is not there.
  await expect(page.getByTestId('proof')).toContainText(/Lost1Changed0/, { timeout: 30_000 });
  const [address] = /https:\/\/[a-z-]+\.example\/[a-z/-]+/.exec(/<main[^]*/.exec(web)![0])!;
  await give('spoilt.html', web.replaceAll(`href="${address}"`, 'href="https://elsewhere.example/"'));
  await expect(page.getByText('spoilt.html', { exact: true })).toBeVisible({ timeout: 30_000 });
  const changed = page.getByRole('row', { name: /^Changed/ }).filter({ hasText: address });
  await expect(changed.first()).toContainText('leads to https://elsewhere.example/');
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  expect(await readFile(await (await csv).path(), 'utf8')).toContain('leads to https://elsewhere.example/');
  const html = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as HTML' }).click();
  expect(await readFile(await (await html).path(), 'utf8')).toContain('<th scope="col">Leads to</th>');
  expect(await axe(page)).toEqual([]);

  await give(
    'boats.pdf',
    writtenPages([
      {
        lines: [{ x: 72, y: 700, text: 'Look at https://ferry.example/plain first' }],
        annotations: [
          '<< /Type /Annot /Subtype /Link /Rect [70 697 110 712] /A << /S /URI /URI (https://ferry.example/times) >> >>',
        ],
      },
    ]),
  );
  await expect(page.getByText('It was not made of this book')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('row', { name: /^Only looks like a link/ })).toContainText(
    'ferry.example/plain',
  );
  // Its addresses are asked for as in a survey.
  await page.getByRole('button', { name: /^Ask for its/ }).click();
  await expect(page.getByRole('row', { name: /ferry.example\/times/ })).toContainText(
    /Broken|Unreachable|Sound/,
    {
      timeout: 30_000,
    },
  );
  await give('notes.txt', 'Only words.');
  await expect(page.getByRole('alert')).toContainText('is no PDF, e-book (EPUB) or web page (HTML)');
  // Dropped on a book in the Library, a file is proved against it.
  await page.getByRole('link', { name: 'Library' }).first().click();
  await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'Open Small Lights' }) })
    .evaluate((row, html) => {
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(new File([html], 'dropped.html', { type: 'text/html' }));
      for (const type of ['dragover', 'drop'])
        row.dispatchEvent(new DragEvent(type, { dataTransfer, bubbles: true, cancelable: true }));
    }, web);
  await expect(page.getByText('dropped.html', { exact: true })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByTestId('proof')).toBeVisible();
  // What is lost or changed leads to its slip.
  await give('spoilt.html', web.replaceAll(`href="${address}"`, 'href="https://elsewhere.example/"'));
  await changed.first().getByRole('link').click();
  await expect(slip(page).getByLabel('Leads to')).toHaveValue(address);
});

test('the e-book that was made is tried as a reader: links are pressed, spots are shown, and a tally is kept', async ({
  page,
  vennet,
}) => {
  const dialog = await tried(page, vennet, 'E-book', 'Make the e-book');
  const pages = dialog.getByLabel('Page of the file');
  await pages.selectOption('Gannel Point');
  const frame = dialog.frameLocator('iframe');
  const tally = dialog.getByTestId('tally');
  await expect(tally).toHaveText(/^0 of \d+ links tried/);
  // It has no origin of its own, and runs the one script that is admitted.
  await expect(dialog.locator('iframe')).toHaveAttribute('sandbox', 'allow-scripts');

  await frame.getByRole('link', { name: 'Gannel Point light' }).click();
  await expect(dialog.getByRole('status')).toContainText('leads out of the file');
  await expect(dialog.getByRole('link', { name: /^Open https:/ })).toBeVisible();
  await expect(tally).toHaveText(/^1 of/);

  await frame.getByRole('link', { name: 'what is said about the tides' }).click();
  await expect(dialog.getByRole('status')).toContainText('the spot that is outlined');
  await expect(pages.locator('option:checked')).toHaveText('Before you set out');
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(pages.locator('option:checked')).toHaveText('Gannel Point');
  await expect(tally).toHaveText(/^2 of/);
  await dialog.getByRole('button', { name: 'Next link' }).click();
  await expect(frame.getByRole('link', { name: 'what is said about the tides' })).toBeFocused();
  expect(await axe(page)).toEqual([]);
  // By keys, with the focus in the page and out of it.
  const first = frame.getByRole('link', { name: 'what is said about the tides' });
  await page.keyboard.press('Alt+PageDown');
  await expect(first).not.toBeFocused();
  await pages.focus();
  await page.keyboard.press('Alt+PageUp');
  await expect(first).toBeFocused();

  // The tally stays with the file.
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Try it as a reader' }).click();
  await pages.selectOption('Gannel Point');
  await expect(tally).toHaveText(/^2 of/);
  await dialog.getByLabel('Screen').selectOption('Phone');
  await expect.poll(async () => (await dialog.locator('iframe').boundingBox())?.width).toBe(360);
});

test('a web page is tried on paper as it is printed: in sheets, with its addresses, and nothing can be pressed', async ({
  page,
  vennet,
}) => {
  const dialog = await tried(page, vennet, 'Web page', 'Make the web page');
  const frame = dialog.frameLocator('iframe');
  const link = frame.getByRole('link', { name: 'Gannel Point light' });
  const after = () => link.evaluate((one) => getComputedStyle(one, '::after').content);
  await expect(dialog.getByTestId('leaf')).toBeHidden();
  expect(await after()).not.toContain('https://');
  await dialog.getByLabel('Screen').selectOption('Paper');
  await expect(dialog.getByTestId('leaf')).toHaveText(/^1 of \d{2}$/);
  expect(await after()).toContain('https://');
  await page.keyboard.press('PageDown');
  await expect(dialog.getByTestId('leaf')).toHaveText(/^2 of/);
  await dialog.locator('aside').getByRole('button', { name: 'Gannel Point light' }).click();
  await expect(dialog.getByRole('status')).toContainText('On paper nothing can be pressed');
  await dialog.getByLabel('Screen').selectOption('Tablet');
  await expect(dialog.getByTestId('leaf')).toBeHidden();
  expect(await after()).not.toContain('https://');
  await link.click();
  await expect(dialog.getByRole('status')).toContainText('leads out of the file');
});

test('the PDF that was made is tried as a reader, on a screen and on paper, and its proof shows each link on its page', async ({
  page,
  vennet,
}) => {
  const dialog = await tried(page, vennet, 'PDF', 'Make the PDF');
  const pages = dialog.getByLabel('Page of the file');
  await pages.selectOption('6');
  const link = dialog.getByRole('button', { name: 'the key to the charts', exact: true });
  await link.first().click();
  await expect(dialog.getByRole('status')).toContainText('the spot that is outlined');
  await expect(dialog.getByTestId('landed')).toBeVisible();
  await expect(pages).not.toHaveValue('6');
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(pages).toHaveValue('6');
  await expect(dialog.getByTestId('tally')).toHaveText(/^1 of \d+ links tried on this page/);
  await expect(dialog.getByText(/^1 of \d{2,} in the whole file$/)).toBeVisible({ timeout: 20_000 });
  // Its words can be selected as a reader selects them.
  await expect(dialog.locator('.pdf-words')).toContainText('The five small lights');
  await dialog.getByRole('button', { name: 'Next link' }).click();
  await expect(dialog.locator('.pdf-link:focus')).toHaveCount(1);
  await page.keyboard.press('PageDown');
  await expect(dialog.getByTestId('leaf')).toHaveText(/^7 of/);
  await dialog.getByLabel('Screen').selectOption('Paper');
  await expect(dialog.locator('.pdf-link')).toHaveCount(0);
  await dialog.locator('aside').getByRole('button', { name: 'count of the burrows' }).click();
  await expect(dialog.getByRole('status')).toContainText('On paper nothing can be pressed');
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('button', { name: 'See every link' }).click();
  await expect(dialog.getByRole('row').nth(1)).toContainText('Lost');
  await dialog
    .getByRole('row', { name: /the key to the charts/ })
    .getByRole('button', { name: 'page 6' })
    .click();
  await expect(dialog.getByTestId('outlined')).toHaveCount(1);
  await dialog.getByLabel('Show').selectOption('lost');
  await expect(dialog.getByRole('row')).toHaveCount(2);
  expect(await axe(page)).toEqual([]);
  const [saved] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  expect(await readFile(await saved.path(), 'utf8')).toMatch(/^\ufeffState,.*\nLost,/);
  await dialog.getByRole('link', { name: 'How glims were measured' }).click();
  await expect(slip(page)).toBeVisible();
});

test('files are compared link by link, and made again of the text of then', async ({ page, vennet }) => {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  const first = await made(page, 'E-book', 'Make the e-book');
  await page.getByRole('button', { name: 'See every link' }).click();
  const dialog = page.getByRole('dialog');
  const row = dialog.getByRole('row', { name: /rooms over the boathouse/ });
  await row.getByRole('button').click();
  const outlined = dialog.frameLocator('iframe').getByRole('link', { name: 'rooms over the boathouse' });
  await expect(outlined).toBeFocused();
  await row.getByRole('link').click();
  await slip(page).getByLabel('Leads to').fill('https://boathouse.example/rooms-of-2027');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await vennet.api.links(id)).some(({ href }) => href.endsWith('rooms-of-2027')))
    .toBe(true);

  const panel = await openForm(page, 'E-book');
  await expect(panel.getByText('The book has changed since.')).toBeVisible();
  await panel.getByRole('button', { name: 'Make the e-book' }).click();
  const before = panel.getByRole('region', { name: 'Made before' });
  await expect(before.getByRole('listitem')).toHaveCount(1, { timeout: 30_000 });
  await before.getByRole('button', { name: /^Compare/ }).click();
  await expect(dialog.getByRole('status')).toHaveText('0 gone, 0 new, 1 changed');
  await expect(dialog.getByRole('row').nth(1)).toContainText('rooms-of-2027');
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Close' }).click();

  await before.getByRole('button', { name: /again, of the text of then$/ }).click();
  await expect(before.getByRole('listitem')).toHaveCount(2, { timeout: 30_000 });
  await expect(panel.getByText('The book has changed since.')).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    panel.getByRole('link', { name: 'Download', exact: true }).click(),
  ]);
  // The same book gives the same bytes.
  expect((await readFile(await download.path())).equals(first)).toBe(true);
});

test('a web page can be one for each chapter, with its sources listed, as is chosen and kept with the book', async ({
  page,
  vennet,
}) => {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  const panel = await openForm(page, 'Web page');
  await panel.getByLabel('The book is').selectOption('A web page for each chapter');
  await panel.getByLabel('Paragraphs').selectOption('With their first lines moved in');
  await panel.getByLabel(/^A list of sources at the end/).check();
  const look = panel.frameLocator('iframe');
  await expect(look.getByRole('navigation').first()).toContainText('Next');
  await expect
    .poll(() =>
      look
        .locator('main p + p')
        .first()
        .evaluate((line) => getComputedStyle(line).textIndent),
    )
    .not.toBe('0px');
  expect(await axe(page)).toEqual([]);
  const bytes = await made(page, 'Web page', 'Make the web page');
  const files = unzipSync(bytes);
  expect(Object.keys(files)).toEqual(expect.arrayContaining(['index.html', 'chapter-001.html', 'book.css']));
  await expect(page.getByTestId('computed-proof')).toHaveText(/^(\d+) of \1 computed links/);
  await panel.getByRole('button', { name: 'Try it as a reader' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.frameLocator('iframe').getByRole('link', { name: 'Sources' }).click();
  await expect(dialog.getByLabel('Page of the file').locator('option:checked')).toHaveText(
    'Sources – Small Lights',
  );
  await expect(dialog.frameLocator('iframe').getByRole('listitem').first()).toContainText(
    'lamp-trust.example',
  );
  await dialog.getByRole('combobox', { name: /^Read/ }).selectOption('page by page');
  await expect(dialog.getByTestId('leaf')).toHaveText(/^1 of [2-9]/);
  await page.keyboard.press('PageDown');
  await expect(dialog.getByTestId('leaf')).toHaveText(/^2 of/);
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.reload();
  await expect(panel.getByLabel('The book is')).toHaveValue('chapters');
});
