import { execFileSync } from 'node:child_process';
import { writeFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { axe } from './axe.js';
import { DRAWING, dropFile } from './files.js';
import { expect, made, press, saved, selectWords, slip, startBook, test, text } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const put = async (page: Page, item: RegExp) => {
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await page
    .getByRole('menuitem', { name: item })
    .or(page.getByRole('menuitemcheckbox', { name: item }))
    .click();
};

test('pages begin, room is left to write, a picture has its credit, and links look as they should, in what is made', async ({
  page,
  vennet,
}, info) => {
  await startBook(page, vennet.address, 'Workbook');
  await page.keyboard.type('Lamps\nWrite down what you saw.\n## Night\nAsk the trust or the archive.');

  // By key, with the caret in the heading that begins the page; undone, and done again.
  await press(text(page).getByRole('heading', { name: 'Night' }));
  await put(page, /A new page from here on/);
  const night = text(page).getByRole('heading', { name: 'Night' });
  await expect(night).toHaveAttribute('data-new-page', '');
  await page.keyboard.press('Control+z');
  await expect(night).not.toHaveAttribute('data-new-page');
  await page.keyboard.press('Control+Shift+z');
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await expect(page.getByRole('menuitemcheckbox', { name: /A new page/ })).toBeChecked();
  await page.keyboard.press('Escape');

  await press(text(page).getByText('Write down'));
  await put(page, /Room to write/);
  const height = page.getByLabel('Height in mm');
  await expect(height).toBeFocused();
  await height.fill('64');
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(text(page).locator('[data-room="64"]')).toBeVisible();

  await dropFile(text(page).getByText('Ask the trust'), {
    name: 'lamp.svg',
    type: 'image/svg+xml',
    content: DRAWING,
  });
  await slip(page).getByLabel('Alternative text').fill('A lamp');
  await slip(page).getByRole('button', { name: 'Add a credit' }).click();
  await page.keyboard.type('Drawn by the company');
  await selectWords(page, 'the company');
  await page.keyboard.press('Control+k');
  await slip(page).getByLabel('Leads to').fill('https://company.example/');
  await slip(page).getByLabel('Leads to').press('Enter');

  await selectWords(page, 'the trust');
  await page.keyboard.press('Control+k');
  await slip(page).getByLabel('Leads to').fill('https://trust.example/');
  await slip(page).getByText('More about this link').click();
  await slip(page).getByLabel('Opens a new window').check();
  await expect(page.getByTestId('heard-as')).toContainText('link, the trust, opens a new window');
  await slip(page).getByLabel('Leads to').press('Enter');

  await press(text(page).getByRole('heading', { name: 'Lamps' }));
  await put(page, /A list of this section/);
  const list = page.getByRole('group', { name: 'Slip of the list' });
  await list.getByLabel('A look of its own').check();
  await list.getByLabel('On a light page, as').fill('#770000');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Look', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/Links that a reader has followed/).check();
  await dialog.getByLabel('Followed, on a light page, as').fill('#dddddd');
  await expect(dialog.getByRole('list', { name: /followed/ })).toContainText('fails');
  await dialog.getByLabel('Followed, on a light page, as').fill('saddlebrown');
  await expect(dialog.getByRole('list', { name: /followed/ })).not.toContainText('fails');
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Use this look' }).click();
  await saved(page);

  const parts = unzipSync(await made(page, 'E-book', 'Make the e-book'));
  const all = Object.keys(parts)
    .filter((path) => /\.(?:xhtml|css)$/.test(path))
    .map((path) => strFromU8(parts[path]!))
    .join('\n');
  for (const said of [
    /<h2[^>]* class="new-page"[^>]*>Night/,
    /<div[^>]* class="room ruled" style="height: 64mm" data-room="64">(?:<div><\/div>){8}<\/div>/,
    /<figcaption><div class="credit">Drawn by <a [^>]*href="https:\/\/company\.example\/"/,
    /<a href="[^"]*" class="look-770000-8fd3e0-solid-regular">Night<\/a>/,
    /a:visited \{ color: #8b4513; \}/,
  ])
    expect(all).toMatch(said);
  expect(all).not.toContain('_blank');

  const web = (await made(page, 'Web page', 'Make the web page')).toString();
  expect(web).toMatch(
    /target="_blank" rel="noopener">the trust<span class="told">, opens a new window<\/span>/,
  );

  const path = info.outputPath('workbook.pdf');
  await writeFile(path, await made(page, 'PDF', 'Make the PDF'));
  // Poppler is a reader that shares no code with Vennet. A form feed ends each page.
  const pages = execFileSync('pdftotext', [path, '-']).toString().split('\f');
  const has = (words: RegExp) => pages.findIndex((one) => words.test(one));
  expect(has(/Drawn by the company/)).toBe(has(/Write down/) + 1);
});
