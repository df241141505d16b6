import type { Locator, Page } from '@playwright/test';
import { axe } from './axe.js';
import { expect, openChapter, slip, test, text } from './vennet.js';

test.describe.configure({ mode: 'serial' });
test.beforeAll(({ vennet }) => vennet.startAnew());

const entry = (page: Page, address: string): Locator =>
  page.getByRole('row').filter({ has: page.getByRole('button', { name: address }) });
const checkDone = (page: Page) =>
  expect(page.getByRole('button', { name: 'Check all links' })).toBeVisible({ timeout: 60_000 });

async function openRegister(page: Page, vennet: { address: string }): Promise<void> {
  await page.goto(vennet.address);
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  await page.getByRole('link', { name: 'Register' }).click();
  await expect(page.getByRole('heading', { name: 'Register' })).toBeVisible();
}

const more = (page: Page) => page.getByRole('button', { name: 'More about checking' });

test('a run that was stopped goes on with the rest, at a pace that is told', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('button', { name: 'Check all links' }).click();
  const progress = page.getByTestId('check-progress');
  await expect(progress).toContainText(/Checking [1-9]\d? of 63/);
  await progress.getByRole('button', { name: 'Stop' }).click();
  await page.getByRole('button', { name: /Go on with the other \d+/ }).click();
  await expect(progress).toContainText(/a second, .* left/, { timeout: 20_000 });
  await checkDone(page);
  await expect(page.getByText(/^Last checked /)).toBeVisible();
});

test('a verdict opens into every request that was made for it', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('button', { name: 'harbour-office.example/webcam' }).click();
  await page.getByText('All 3 requests').click();
  const requests = page
    .getByRole('listitem')
    .filter({ hasText: 'GET https://harbour-office.example/webcam' });
  await expect(requests).toHaveCount(3);
  await expect(requests.first()).toContainText('500');
  await expect(requests.nth(1)).toContainText(/after a rest of .* · took \d+/);
  await expect(requests.first()).toContainText('content-type: text/html');
  expect(await axe(page)).toEqual([]);
});

test('a page that says it is not there is doubtful, with its own words', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await expect(entry(page, 'walkers-of-orrin.example/stiles')).toContainText('Doubtful');
  await page.getByRole('button', { name: 'walkers-of-orrin.example/stiles' }).click();
  await expect(page.getByText('Found: “Page not found”')).toBeVisible();
});

test('only failures are checked again, by keyboard, and the checks of a destination stand in a line', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await more(page).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'What was broken, unreachable or doubtful' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('check-progress')).toContainText(/of 1\d/);
  await checkDone(page);
  await page.getByRole('button', { name: 'orrin-ferries.example/timetable/winter' }).click();
  const line = page.getByRole('list', { name: 'Earlier checks, the oldest first' });
  await expect(line).toContainText('2 checks');
  await more(page).click();
  await page.getByRole('menuitem', { name: 'What is new or was corrected' }).click();
  await expect(
    page.getByText('Every destination has been checked since it came into the book.'),
  ).toBeVisible();
});

test('what the author saw behind a door is kept, in the slip too, and is taken back', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  const drawings = 'lamp-trust.example/members/drawings';
  await page.getByRole('button', { name: drawings }).click();
  await expect(page.getByRole('link', { name: 'Open it yourself' })).toHaveAttribute('href', /localhost/);
  await page.getByRole('button', { name: 'Say what you saw' }).click();
  const form = page.getByRole('form', { name: 'What you saw' });
  await form.getByLabel('Members, or who signs in').check();
  await form.getByLabel('Note for yourself').fill('Seen with my card.');
  await form.getByLabel('Note for yourself').press('Enter');
  await expect(page.getByText(/Members can open it and other readers can’t/)).toBeVisible();
  await expect(page.getByText('“Seen with my card.”')).toBeVisible();
  await expect(entry(page, drawings)).toContainText('Guarded');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await page.getByRole('button', { name: 'Say what you saw' }).click();
  await form.getByRole('button', { name: 'Keep what I saw' }).click();
  await expect(entry(page, drawings)).toContainText('Sound');
  await page.getByRole('link', { name: 'Show it in the text' }).click();
  await expect(slip(page)).toContainText(/You opened it on .*, and everyone can\. Checked/);
});

test('a lost page is led to its copy in the archive, or gets it behind the link; it is taken back', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await page.getByRole('button', { name: 'orrin-archive.example/photographs' }).click();
  await expect(page.getByRole('button', { name: /Lead to the copy of August 3, 2026/ })).toBeVisible();
  await page.getByRole('button', { name: 'Put the copy behind the link' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Show it in the text' }).click();
  await expect(text(page)).toContainText('photographs of the wreck (archived copy of August 3, 2026)');
  await expect(text(page).getByRole('link', { name: 'archived copy of August 3, 2026' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(text(page)).not.toContainText('archived copy');
});

test('an archive’s copy is put by the slip, and undone', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Gannel Point');
  await text(page).getByRole('link', { name: 'photographs of the wreck' }).click();
  await page.keyboard.press('Escape');
  await slip(page)
    .getByRole('button', { name: /Lead to the copy of/ })
    .click();
  await expect(text(page).getByRole('link', { name: 'photographs of the wreck' })).toHaveAttribute(
    'href',
    /orrin-memory\.example/,
  );
  await page.keyboard.press('Control+z');
  await expect(text(page).getByRole('link', { name: 'photographs of the wreck' })).toHaveAttribute(
    'href',
    'https://orrin-archive.example/photographs',
  );
});

test('links are checked by themselves at a time, and as politely as the author wants', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await more(page).click();
  await page.getByRole('menuitem', { name: 'When and how links are checked' }).click();
  const dialog = page.getByRole('dialog');
  expect(await axe(page)).toEqual([]);
  await dialog.getByLabel('Every week').check();
  await dialog.getByLabel('On', { exact: true }).selectOption('Thursday');
  await dialog.getByLabel('At', { exact: true }).fill('05:45');
  await dialog.getByLabel('Requests begun in a second, at most').fill('20');
  await dialog.getByLabel(/Where you can be reached/).fill('desk@small-lights.example');
  await dialog.getByRole('button', { name: 'Check this way' }).click();
  await expect(page.getByText('Links are checked as you chose.')).toBeVisible();
  await more(page).click();
  await page.getByRole('menuitem', { name: 'When and how links are checked' }).click();
  await expect(dialog.getByLabel('Every week')).toBeChecked();
  await expect(dialog.getByLabel('On', { exact: true })).toHaveValue('4');
  await expect(dialog.getByLabel('At', { exact: true })).toHaveValue('05:45');
  await expect(dialog.getByLabel('Requests begun in a second, at most')).toHaveValue('20');
  await dialog.getByLabel('Where copies of lost pages are looked for').fill('memory');
  await dialog.getByRole('button', { name: 'Check this way' }).click();
  await expect(page.getByText('must begin with http:// or https://')).toBeVisible();
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Not now' }).click();
  await page.goto(vennet.address);
  await expect(page.getByText(/Checked .*: \d+ broken, (?:nothing|\d+) changed since before/)).toBeVisible();
});
