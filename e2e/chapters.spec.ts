import type { Page } from '@playwright/test';
import { caretAfter, expect, openChapter, outline, saved, startBook, test, text, turnTo } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const more = async (page: Page, chapter: string, item: string) => {
  await outline(page)
    .getByRole('button', { name: `More about “${chapter}”` })
    .click();
  await page.getByRole('menuitem', { name: item }).click();
};
const entry = (page: Page, chapter: string) => outline(page).getByRole('link', { name: chapter });

test('a chapter is removed after what leads into it was shown, and undo puts it back', async ({
  page,
  vennet,
}) => {
  const book = await openChapter(page, vennet, 'Before you set out');
  await more(page, 'Tides and addresses', 'Remove');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/\d+ links lead here/);
  await dialog.getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByText('“Tides and addresses” was removed.')).toBeVisible();
  await expect(entry(page, 'Tides and addresses')).toHaveCount(0);
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(entry(page, 'Tides and addresses')).toBeVisible();
  await page.keyboard.press('Control+y');
  await expect(entry(page, 'Tides and addresses')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(entry(page, 'Tides and addresses')).toBeVisible();
  const { chapters } = await vennet.api.manuscript(book);
  expect(JSON.stringify(chapters.at(-1)!.doc)).toContain('For the weather');
});

test('a chapter is renamed in the outline, and its heading with it', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Six keepers');
  await more(page, 'Six keepers', 'Rename');
  const title = page.getByRole('dialog').getByLabel('Title');
  await expect(title).toHaveValue('Six keepers');
  await title.fill('Seven keepers');
  await page.keyboard.press('Enter');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Seven keepers');
  await expect(entry(page, 'Seven keepers')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Six keepers');
});

test('a chapter is split at the caret and joined again, and words that were written since stay', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'The harbour lamp');
  const second = text(page).getByRole('heading', { level: 2 }).first();
  const words = (await second.textContent()) ?? '';
  await caretAfter(page, words);
  await page.getByRole('button', { name: 'Put in' }).click();
  await page.getByRole('menuitem', { name: /A new chapter from here on/ }).click();
  await expect(text(page).getByRole('heading').first()).toHaveText(words);
  await caretAfter(page, words);
  await page.keyboard.type(' (new)');
  await expect(text(page).getByRole('heading').first()).toHaveText(`${words} (new)`);
  await saved(page);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await turnTo(page, 'The harbour lamp');
  await expect(text(page)).toContainText(`${words} (new)`);
  await more(page, 'The harbour lamp', 'Join to the chapter before');
  await expect(page.getByText('“The harbour lamp” was joined to the chapter before it.')).toBeVisible();
  await expect(text(page)).toContainText(`${words} (new)`);
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(entry(page, 'The harbour lamp')).toBeVisible();
});

test('the only chapter of a book can’t be removed, and that is said', async ({ page, vennet }) => {
  await startBook(page, vennet.address, 'Alone');
  await more(page, 'Chapter 1', 'Remove');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove it' }).click();
  await expect(page.getByText(/A book has at least one chapter/)).toBeVisible();
});
