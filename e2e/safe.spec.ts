import type { Page } from '@playwright/test';
import { caretAfter, expect, openChapter, saved, startBook, test, text, turnTo, press } from './vennet.js';

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

test('two windows that write in one chapter both have all of it, and undo what is their own', async ({
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
  await caretAfter(other, 'There are two great');
  await other.keyboard.type(' (two)');
  for (const window of [page, other]) {
    await expect(text(window).getByRole('heading', { level: 1 })).toHaveText('Before you set out, one');
    await expect(text(window)).toContainText('There are two great (two) lighthouses');
    await saved(window);
  }
  await page.keyboard.press('Control+z');
  for (const window of [page, other]) {
    await expect(text(window).getByRole('heading', { level: 1 })).toHaveText('Before you set out');
    await expect(text(window)).toContainText('There are two great (two) lighthouses');
  }
});

test('words are kept while the connection is lost, and come together with those of another window', async ({
  page,
  vennet,
  context,
}) => {
  await openChapter(page, vennet, 'Tides and addresses');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(text(other)).toBeVisible();
  await page.route('**/api/chapters/**', (route) => route.abort());
  await typeAtEnd(page, ' From the cut off window.');
  await expect(page.getByTestId('save-state')).toHaveText('Kept in this browser');
  await press(text(other).getByRole('heading', { level: 1 }));
  await other.keyboard.press('End');
  await other.keyboard.type(' and more');
  await saved(other);
  await page.unroute('**/api/chapters/**');
  for (const window of [page, other]) {
    await expect(text(window)).toContainText('From the cut off window.', { timeout: 15_000 });
    await expect(text(window).getByRole('heading', { level: 1 })).toHaveText('Tides and addresses and more');
  }
});

test('what a closed window could not send is gone on with in the next one, once', async ({
  page,
  vennet,
  context,
}) => {
  await openChapter(page, vennet, 'Skerrow Head');
  const url = page.url();
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.route('**/api/chapters/**', (route) => route.abort());
  await page.keyboard.press('End');
  await page.keyboard.type(' (unsent)');
  await expect(page.getByTestId('save-state')).toHaveText('Kept in this browser');
  await page.close({ runBeforeUnload: true });
  for (let time = 0; time < 2; time++) {
    const again = await context.newPage();
    await again.goto(url);
    await expect(text(again).getByRole('heading', { level: 1 })).toHaveText('Skerrow Head (unsent)');
    await saved(again);
    await again.close();
  }
});

test('a change all over the book is taken back without the words written since', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The harbour lamp');
  await page.getByRole('link', { name: 'Register' }).click();
  await page.getByRole('searchbox').fill('orrin-ferries.example/timetable/winter');
  await page.getByRole('button', { name: 'orrin-ferries.example/timetable/winter' }).click();
  await page.getByLabel('Leads to').fill('https://orrin-ferries.example/timetable');
  await page.getByRole('button', { name: 'Correct it for its one use' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Write' }).click();
  await turnTo(page, 'Before you set out');
  await caretAfter(page, 'In winter there is');
  await page.keyboard.type(' Written since.');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('It is taken back. What was written since is still there.')).toBeVisible();
  await expect(text(page)).toContainText('Written since.');
  await saved(page);
  await page.reload();
  await expect(text(page)).toContainText('Written since.');
});

test('undo goes back in the order of what was done, whatever chapter it was in, and shows it', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Lantern Rock');
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('End');
  // In one go: two pauses apart would be two things to undo.
  await page.keyboard.insertText(' first');
  await turnTo(page, 'Six keepers');
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('End');
  await page.keyboard.insertText(' second');
  await turnTo(page, 'Lantern Rock first');
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(/Six keepers$/);
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(/Lantern Rock$/);
  await text(page).focus();
  await page.keyboard.press('Control+y');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(/Lantern Rock first$/);
  await page.keyboard.press('Control+y');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText(/Six keepers second$/);
});

test('a book that was removed is put back', async ({ page, vennet }) => {
  await startBook(page, vennet.address, 'To be removed');
  await page.getByRole('link', { name: 'Vennet, to the Library' }).click();
  const entry = page
    .getByRole('list', { name: 'Books' })
    .getByRole('link', { name: 'To be removed', exact: true });
  await page.getByRole('button', { name: 'Remove To be removed' }).click();
  await expect(entry).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(entry).toHaveCount(1);
});
