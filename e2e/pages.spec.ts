import { execFileSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { saidBy, writtenPages } from '@vennet/core/testing';
import { axe } from './axe.js';
import { expect, made, margin, saved, slip, test, type Vennet } from './vennet.js';

const SECOND_EDITION = fileURLToPath(new URL('../demo/leaflet/across-the-sound-2027.pdf', import.meta.url));

test.beforeAll(({ vennet }) => vennet.startAnew());

const sheet = (page: Page, number: number) => page.locator(`.ground-page[data-page="${number}"]`);
const areas = (page: Page, number: number) => sheet(page, number).getByRole('button', { name: /^Link area/ });

/** Into the leaflet of the demo, whose first page is drawn. */
async function openLeaflet(page: Page, vennet: Vennet): Promise<string> {
  const book = await vennet.book('Across the Sound');
  await page.goto(`${vennet.address}/books/${book.id}/write`);
  await expect(sheet(page, 1)).toHaveAttribute('data-drawn', '');
  await expect(sheet(page, 1).locator('.ground-words span').first()).toBeAttached();
  return book.id;
}

/** Draws the mouse over words of a page, as a person selects them. */
async function selectOnPage(page: Page, number: number, line: string, from: string, to: string) {
  const row = sheet(page, number).locator('.ground-words > div').filter({ hasText: line }).first();
  await row.scrollIntoViewIfNeeded();
  const piece = (words: string) => row.locator('span').filter({ hasText: words }).first();
  const [first, last] = [(await piece(from).boundingBox())!, (await piece(to).boundingBox())!];
  await page.mouse.move(first.x + 1, first.y + first.height / 2);
  await page.mouse.down();
  await page.mouse.move(last.x + last.width - 1, last.y + last.height / 2, { steps: 4 });
  await page.mouse.up();
}

/** How many of the pixels of a canvas are darker than paper. */
const inkOf = (canvas: HTMLCanvasElement): number => {
  const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
  let dark = 0;
  for (let at = 0; at < data.length; at += 4) if (data[at]! < 200 && data[at + 3]! > 200) dark++;
  return dark;
};

/** What poppler says of the links of a file, which is sound. */
function linksOf(bytes: Buffer): string {
  expect(saidBy('qpdf', ['--check'], bytes)).toContain('No syntax or stream encoding errors');
  return saidBy('pdfinfo', ['-url'], bytes);
}

test('words of a page are linked by key, an area is drawn, moved and undone, and the file has them', async ({
  page,
  vennet,
}) => {
  await openLeaflet(page, vennet);
  const before = await areas(page, 1).count();
  await selectOnPage(page, 1, 'low waters', 'low', 'waters');
  await page.keyboard.press('Control+k');
  await expect(slip(page)).toContainText('On the words “low waters”');
  await page.keyboard.type('tides.example/low');
  await page.keyboard.press('Enter');
  await expect(areas(page, 1)).toHaveCount(before + 1);
  await expect(slip(page).getByLabel('Leads to')).toHaveValue('https://tides.example/low');

  // The button that is drawn becomes one: the edges of the area come onto those of its words.
  const button = (await sheet(page, 1)
    .locator('.ground-words span')
    .filter({ hasText: /^Book/ })
    .first()
    .boundingBox())!;
  await page.mouse.move(button.x - 12, button.y - 8);
  await page.mouse.down();
  await page.mouse.move(button.x + 60, button.y + 20, { steps: 5 });
  await page.mouse.up();
  await expect(slip(page)).toHaveAccessibleName('Slip of a new link area');
  await page.keyboard.type('https://ferry.example/book');
  await slip(page)
    .getByLabel(/Name, for those|Heard as/)
    .fill('Book a place on the boat');
  await page.keyboard.press('Enter');
  await expect(areas(page, 1)).toHaveCount(before + 2);
  const area = sheet(page, 1).getByRole('button', { name: 'Link area: Book a place on the boat' });
  await area.focus();
  const left = slip(page).getByLabel('From the left');
  const was = Number(await left.inputValue());
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => Number(await left.inputValue())).toBeGreaterThan(was);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => Number(await left.inputValue())).toBe(was);

  // The link that was there is put right.
  await margin(page).getByText('ferry.example/tmies').click();
  await slip(page).getByLabel('Leads to').fill('https://ferry.example/times');
  await page.keyboard.press('Enter');
  await saved(page);
  const urls = linksOf(await made(page, 'PDF', 'Make the PDF'));
  for (const address of [
    'https://tides.example/low',
    'https://ferry.example/book',
    'https://ferry.example/times',
  ])
    expect(urls).toContain(address);
  expect(urls).not.toContain('tmies');
  await expect(page.getByTestId('proof')).toContainText('Expected5Found5Lost0Changed0');
});

test('what ought to be links is shown with ticks, linked in one go and taken back in one go', async ({
  page,
  vennet,
}) => {
  await openLeaflet(page, vennet);
  const before = await areas(page, 1).count();
  await page.getByRole('button', { name: 'What ought to be links' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('crew@ferry.example').first()).toBeVisible();
  await expect(dialog.getByRole('heading', { name: /Lines of the contents/ })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: /^Link all/ }).click();
  await expect.poll(() => areas(page, 1).count()).toBeGreaterThan(before + 2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(areas(page, 1)).toHaveCount(before);
});

test('a link leads to an exact spot of another page that is pointed at', async ({ page, vennet }) => {
  const book = await openLeaflet(page, vennet);
  await selectOnPage(page, 1, 'what to bring', 'what', 'bring');
  await page.keyboard.press('Control+k');
  await page.getByRole('button', { name: 'Point at it in the text' }).click();
  await page.getByRole('navigation', { name: 'Pages' }).getByRole('button').nth(1).click();
  await sheet(page, 2)
    .locator('.ground-words > div')
    .filter({ hasText: 'What to bring' })
    .locator('span')
    .first()
    .click();
  await expect(slip(page).getByLabel('Leads to')).toHaveValue(/What to bring/);
  await slip(page).getByLabel('Leads to').press('Enter');
  await saved(page);
  const { chapters } = await vennet.api.manuscript(book);
  const json = JSON.stringify(chapters[0]!.doc);
  expect(json).toMatch(/"name":"What to bring"/);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect(JSON.stringify((await vennet.api.manuscript(book)).chapters[0]!.doc)).not.toMatch(
    /"name":"What to bring"/,
  );
});

test('the outline is changed, words are found, pages are gone to, and nothing is wrong for axe', async ({
  page,
  vennet,
}) => {
  await openLeaflet(page, vennet);
  await page.getByRole('tab', { name: 'Find' }).click();
  await page.getByLabel('Words of the pages').fill('LEAD');
  await page.getByRole('button', { name: /Dogs are welcome/ }).click();
  await expect(page.getByRole('toolbar').getByLabel(/^Page/)).toHaveValue('2');
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('button', { name: 'An entry for this page' }).click();
  await page.keyboard.type('The back');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('navigation', { name: 'Outline' })).toContainText('The back');
  await page.getByRole('button', { name: 'What can be done with “The back”' }).click();
  await page.getByRole('menuitem', { name: 'Remove it' }).click();
  await expect(page.getByRole('navigation', { name: 'Outline' })).not.toContainText('The back');
  expect(await axe(page)).toEqual([]);
});

test('unseen words over a picture become a true area with a name, and notes lead to and fro', async ({
  page,
  vennet,
}) => {
  const bytes = writtenPages([
    {
      content: [
        'q 200 0 0 60 100 500 cm BI /W 2 /H 1 /CS /G /BPC 8 ID \x40\x80 EI Q',
        'BT /F1 12 Tf 3 Tr 110 520 Td (https://lamp.example/oil) Tj 0 Tr ET',
        'BT /F1 12 Tf 72 700 Td (The lamp of the harbour) Tj 5 Ts /F1 7 Tf (1) Tj 0 Ts /F1 12 Tf ( burns all night long) Tj ET',
      ].join('\n'),
      lines: [{ x: 72, y: 90, size: 9, text: '1 So says the log.' }],
    },
  ]);
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  const file = { name: 'button.pdf', mimeType: 'application/pdf', buffer: Buffer.from(bytes) };
  await page.getByRole('dialog').locator('input[type=file]').setInputFiles(file);
  await page.getByRole('dialog').getByRole('link', { name: 'Open the book' }).click();
  await expect(sheet(page, 1)).toHaveAttribute('data-drawn', '');
  await page.getByRole('button', { name: 'What ought to be links' }).click();
  const dialog = page.getByRole('dialog');
  const link = dialog.getByRole('button', { name: /^Link/ });
  await expect(dialog.getByRole('heading', { name: 'Unseen words over pictures' })).toBeVisible();
  await expect(dialog.getByText('One that is ticked still needs a name')).toBeVisible();
  await expect(link).toBeDisabled();
  await dialog.getByLabel('Its name, for those who do not see it').fill('Buy oil');
  await link.click();
  await expect(page.getByText('3 links were made. Undo takes them back.')).toBeVisible();
  await expect(sheet(page, 1).getByRole('button', { name: 'Link area: Buy oil' })).toBeAttached();
  await saved(page);
  const urls = linksOf(await made(page, 'PDF', 'Make the PDF'));
  expect(urls).toContain('https://lamp.example/oil');
  await expect(page.getByTestId('proof')).toContainText('Expected3Found3Lost0Changed0');
  await page.getByRole('link', { name: 'Write' }).click();
  await expect(areas(page, 1)).toHaveCount(3);
  await page.getByRole('button', { name: 'What ought to be links' }).click();
  await expect(dialog.getByText(/Nothing was found/)).toBeVisible();
});

test('a PDF is brought in by its password, and what is wrong with one is said', async ({ page, vennet }) => {
  const folder = await mkdtemp(join(tmpdir(), 'vennet-pages-'));
  const [open, locked] = [join(folder, 'open.pdf'), join(folder, 'locked.pdf')];
  await writeFile(open, writtenPages([{ lines: [{ x: 72, y: 700, text: 'Lamps' }] }]));
  execFileSync('qpdf', ['--encrypt', 'lamp', 'keeper', '256', '--', open, locked]);
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  await page.getByRole('dialog').locator('input[type=file]').setInputFiles(locked);
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Password').fill('wick');
  await dialog.getByRole('button', { name: 'Open it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('does not open the file');
  await dialog.getByLabel('Password').fill('lamp');
  await dialog.getByRole('button', { name: 'Open it' }).click();
  await expect(dialog.getByRole('heading', { name: 'The book is in your Library' })).toBeVisible();
  await dialog.getByRole('link', { name: 'Open the book' }).click();
  await expect(sheet(page, 1)).toHaveAttribute('data-drawn', '');
  await rm(folder, { recursive: true });
});

test('a new edition is offered the links of the older one, and has them where their words are', async ({
  page,
  vennet,
}) => {
  await vennet.startAnew();
  await openLeaflet(page, vennet);
  await selectOnPage(page, 1, 'low waters', 'low', 'waters');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('tides.example/low');
  await page.keyboard.press('Enter');
  // An area between two lines of words has none of its own: it is to be looked at.
  const row = (await sheet(page, 1)
    .locator('.ground-words span')
    .filter({ hasText: /^Lantern/ })
    .first()
    .boundingBox())!;
  await page.mouse.move(row.x + 40, row.y - 90);
  await page.mouse.down();
  await page.mouse.move(row.x + 120, row.y - 50, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.type('https://ferry.example/map');
  await page.keyboard.press('Enter');
  await saved(page);
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.locator('input[type=file]').setInputFiles(SECOND_EDITION);
  await dialog.getByRole('button', { name: 'See what can be carried over' }).click();
  await dialog.getByText('Sure', { exact: true }).click();
  await expect(dialog.getByText('low waters').first()).toBeVisible();
  await expect(dialog.getByText(/There already/)).toBeVisible();
  // The old page and the new one, side by side, with the spot outlined.
  await expect(dialog.locator('canvas')).toHaveCount(2);
  await expect.poll(() => dialog.locator('canvas').last().evaluate(inkOf)).toBeGreaterThan(20);
  await dialog.getByRole('button', { name: /^Carry over \d/ }).click();
  await expect(page.getByText(/carried over\./)).toBeVisible();
  const { chapters } = await vennet.book('Across the Sound, 2027');
  expect(JSON.stringify(chapters[0]!.doc)).toContain('https://tides.example/low');
});
