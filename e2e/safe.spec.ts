import type { Page } from '@playwright/test';
import { expect, openChapter, saved, test, text, press } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const typeAtEnd = async (page: Page, words: string) => {
  await press(text(page).getByText('For the weather: look up'));
  await page.keyboard.press('End');
  await page.keyboard.type(words);
};

test('text survives a server that dies: it is kept, and saved when the server is back', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Tides and addresses');
  await vennet.stop('SIGKILL');
  await typeAtEnd(page, ' Typed in the dark.');
  await expect(page.getByTestId('save-state')).toHaveText('Kept in this browser');
  await vennet.start();
  await expect(page.getByTestId('save-state')).toHaveText('Saved', { timeout: 15_000 });
  await page.reload();
  await expect(text(page)).toContainText('Typed in the dark.');
});

test('text survives a tab that is closed while the server is dead', async ({ page, vennet, context }) => {
  await openChapter(page, vennet, 'Tides and addresses');
  const url = page.url();
  await vennet.stop('SIGKILL');
  await typeAtEnd(page, ' Closed too early.');
  await page.close({ runBeforeUnload: true });
  await vennet.start();
  const again = await context.newPage();
  await again.goto(url);
  await expect(text(again)).toContainText('Closed too early.');
  await again.getByRole('link', { name: 'Register' }).click();
  await again.getByRole('link', { name: 'Write' }).click();
  await expect(text(again)).toBeVisible();
});

test('text survives a reload at once after typing', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Tides and addresses');
  await typeAtEnd(page, ' Reloaded at once.');
  await page.reload();
  await expect(text(page)).toContainText('Reloaded at once.');
});

test('a save that comes too late shows both texts, and the author chooses', async ({
  page,
  vennet,
  context,
}) => {
  await openChapter(page, vennet, 'Before you set out');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(text(other)).toBeVisible();
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('End');
  await page.keyboard.type(', one');
  await saved(page);
  await press(text(other).getByRole('heading', { level: 1 }));
  await other.keyboard.press('End');
  await other.keyboard.type(', two');
  await expect(other.getByRole('heading', { name: 'This chapter was changed in two windows' })).toBeVisible();
  await expect(other.getByTestId('save-state')).toHaveText('Two texts to choose from');
  await expect(other.locator('section', { hasText: 'Written in this window' })).toContainText(
    'Before you set out, two',
  );
  const theirs = other.locator('section', { hasText: 'Saved from another window' });
  await expect(theirs).toContainText('Before you set out, one');
  await theirs.getByRole('button', { name: 'Go on with this' }).click();
  await expect(text(other).getByRole('heading', { level: 1 })).toHaveText('Before you set out, one');
  await other.getByRole('button', { name: 'Take the other one after all' }).click();
  await expect(text(other).getByRole('heading', { level: 1 })).toHaveText('Before you set out, two');
});

test('a book that was removed is put back', async ({ page, vennet }) => {
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Start a book' }).click();
  await page.getByLabel('Title').fill('To be removed');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(text(page)).toBeVisible();
  await page.getByRole('link', { name: 'Vennet, to the Library' }).click();
  const entry = page
    .getByRole('list', { name: 'Books' })
    .getByRole('link', { name: 'To be removed', exact: true });
  await page.getByRole('button', { name: 'Remove To be removed' }).click();
  await expect(entry).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(entry).toHaveCount(1);
});
