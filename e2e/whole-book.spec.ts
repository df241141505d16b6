import { readFileSync } from 'node:fs';
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import type { Page } from '@playwright/test';
import { axe } from './axe.js';
import { expect, openChapter, press, slip, test, text } from './vennet.js';

test.describe.configure({ mode: 'serial' });
test.beforeAll(({ vennet }) => vennet.startAnew());

const run = promisify(execFile);

async function openRegister(page: Page, vennet: { address: string }): Promise<void> {
  await page.goto(vennet.address);
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  await page.getByRole('link', { name: 'Register' }).click();
  await expect(page.getByRole('heading', { name: 'Register' })).toBeVisible();
}

const rows = (page: Page) => page.getByRole('row').filter({ has: page.locator('[data-opener]') });
const dialog = (page: Page) => page.getByRole('dialog');
async function checkAll(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Check all links' }).click();
  await expect(page.getByTestId('check-progress')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Check all links' })).toBeVisible({ timeout: 60_000 });
}

const now = (page: Page) => page.getByRole('region', { name: 'What now?' });

test('the book is checked, and the Register says what to do next', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await checkAll(page);
  await expect(now(page)).toContainText('2 pages have moved for good: take the new addresses');
  await expect(now(page)).toContainText(/destinations are broken/);
  expect(await axe(page)).toEqual([]);
});

test('what has moved gets its new address at once: previewed, made, undone by key', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await now(page)
    .getByRole('button', { name: /have moved for good/ })
    .click();
  const changes = dialog(page).getByRole('list', { name: 'What would change' });
  await expect(changes.getByRole('listitem')).toHaveCount(2);
  await expect(changes).toContainText('https://lamp-trust.example/tides');
  await dialog(page)
    .getByRole('button', { name: /Check .* first/ })
    .click();
  await expect(dialog(page).getByText('All new addresses were checked.')).toBeVisible({ timeout: 30_000 });
  expect(await axe(page)).toEqual([]);
  await changes.getByRole('checkbox').first().uncheck();
  await dialog(page).getByRole('button', { name: 'Change 1 link' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  await now(page)
    .getByRole('button', { name: /^Show \d+ more/ })
    .click();
  await expect(now(page)).toContainText('One page has moved for good');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(now(page)).toContainText('2 pages have moved for good');
});

test('the list is seen by links, rules, chapters and sites, sorted, and kept as a view', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  const by = page.getByRole('group', { name: 'List by' });
  await by.getByRole('button', { name: 'Rules' }).click();
  const group = page.getByRole('table').getByRole('button', { name: /Words that show another address/ });
  await expect(group).toBeVisible();
  await group.click();
  await expect(group).toHaveAttribute('aria-expanded', 'false');
  await by.getByRole('button', { name: 'Sites' }).click();
  await expect(page.getByRole('button', { name: 'lamp-trust.example', exact: true })).toBeVisible();
  await by.getByRole('button', { name: 'Chapters' }).click();
  await expect(page.getByRole('button', { name: 'Six keepers', exact: true })).toBeVisible();
  await by.getByRole('button', { name: 'Links' }).click();
  await page.getByRole('button', { name: 'Words', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Words' })).toHaveAttribute('aria-sort', 'ascending');
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Title of the page' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'Title of the page' })).toBeVisible();
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByLabel('Name of this view').fill('By words');
  await page.keyboard.press('Enter');
  await by.getByRole('button', { name: 'Destinations' }).click();
  await page.getByRole('button', { name: 'Views' }).click();
  await page.getByRole('menuitem', { name: 'By words', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Title of the page' })).toBeVisible();
  await expect(by.getByRole('button', { name: 'Links' })).toHaveAttribute('aria-pressed', 'true');
});

test('the way through the list needs no mouse', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await rows(page).first().locator('[data-opener]').focus();
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowDown');
  await expect(rows(page).nth(3).locator('[data-opener]')).toBeFocused();
  await page.keyboard.press('Enter');
  const opened = page.getByRole('region', { name: 'Opened' });
  await expect(opened).toBeVisible();
  await expect(opened.getByRole('list', { name: 'Uses' })).toBeVisible();
  expect(await axe(page)).toEqual([]);
  await opened.getByRole('button', { name: 'Close' }).press('Escape');
  await expect(opened).toHaveCount(0);
  await expect(rows(page).nth(3).locator('[data-opener]')).toBeFocused();
  await page.keyboard.press('End');
  await expect(page.locator('[data-opener]:focus')).toBeVisible();
});

test('words are picked one by one at the pace of a key', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('group', { name: 'List by' }).getByRole('button', { name: 'Links' }).click();
  await page.getByRole('searchbox').fill('click here');
  await expect(rows(page)).toHaveCount(1);
  await rows(page).first().getByRole('checkbox').check();
  await page.getByRole('searchbox').fill('harbour-office.example/webcam');
  // One row is there before the list is searched anew, too.
  await expect(rows(page).first()).toContainText('webcam');
  await rows(page).first().getByRole('checkbox').check();
  const bar = page.getByRole('group', { name: 'What is ticked' });
  await expect(bar).toContainText('2 links are ticked');
  await bar.getByRole('button', { name: 'Pick words one by one' }).click();
  await expect(dialog(page).getByLabel('Words instead')).toBeFocused();
  expect(await axe(page)).toEqual([]);
  await page.keyboard.press('Alt+ArrowRight');
  await expect(dialog(page)).toContainText('2 of 2. 0 links have new words.');
  await page.keyboard.press('Alt+ArrowLeft');
  await page.keyboard.press('Alt+2');
  await dialog(page).getByLabel('Words instead').fill('the camera over the harbour');
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toContainText('All looked at. 2 links have new words.');
  await dialog(page).getByRole('button', { name: 'Change 2 links' }).click();
  await expect(page.getByText('2 links were changed.')).toBeVisible();
  await page.getByRole('searchbox').fill('the camera over the harbour');
  await expect(rows(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(rows(page)).toHaveCount(0);
});

test('words that a rule has ready stand first when its links are looked at one by one', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  const more = now(page).getByRole('button', { name: /^Show \d+ more/ });
  if (await more.isVisible()) await more.click();
  await now(page)
    .getByRole('button', { name: /to files without their type and size: words are ready/ })
    .click();
  const words = dialog(page).getByLabel('Words instead');
  await expect(words).toBeFocused();
  await expect(words).toHaveValue(/^\S.* \(.*, [\d.,]+ (bytes|KB|MB)\)$/);
  const ready = await words.inputValue();
  await page.keyboard.press('Enter');
  await expect(dialog(page)).toContainText('1 link has new words');
  await page.keyboard.press('Escape');
  await expect(dialog(page)).toBeHidden();
  await page.getByRole('searchbox').fill(ready);
  await expect(rows(page)).toHaveCount(0);
});

test('a site is changed everywhere, and what would be no address is shown and left', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await page.getByRole('button', { name: 'Change a site everywhere' }).click();
  await dialog(page).getByLabel('Addresses that begin with').fill('no address');
  await dialog(page).getByLabel('begin with this instead').fill('https://weather-sound.example/new/');
  await expect(dialog(page).getByText('Type the beginning of an address')).toBeVisible();
  await dialog(page).getByLabel('Addresses that begin with').fill('weather-sound.example');
  await expect(dialog(page).getByText(/links have it/)).toBeVisible();
  await page.keyboard.press('Enter');
  const changes = dialog(page).getByRole('list', { name: 'What would change' });
  await expect(changes).toContainText('https://weather-sound.example/new/forecast');
  await dialog(page)
    .getByRole('button', { name: /^Change \d+ links$/ })
    .click();
  await expect(page.getByText(/links were changed/)).toBeVisible();
  await page.getByRole('searchbox').fill('weather-sound.example/new');
  await expect(rows(page).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(rows(page)).toHaveCount(0);
});

test('a finding is set aside with a reason, and shows again when its words change', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  await page.getByRole('searchbox').fill('forecast for the sound');
  await rows(page).first().locator('[data-opener]').click();
  const opened = page.getByRole('region', { name: 'Opened' });
  await expect(opened).toContainText('The hover note says the link text again.');
  await opened.getByRole('button', { name: 'Set aside …' }).click();
  await expect(dialog(page).getByRole('button', { name: 'Set it aside' })).toBeDisabled();
  await dialog(page).getByLabel('Why it stays as it is').fill('The note is for our print edition.');
  await dialog(page).getByRole('button', { name: 'Set it aside' }).click();
  await expect(page.getByText('One is set aside.')).toBeVisible();
  await expect(opened.getByText('“The note is for our print edition.”')).toBeVisible();
  await opened
    .getByRole('listitem')
    .filter({ hasText: 'The note is for our print edition.' })
    .getByRole('link', { name: 'Show it in the text' })
    .click();
  await expect(slip(page)).not.toContainText('The hover note says the link text again.');
  await slip(page).getByLabel('Link text').fill('Forecast for the Sound today');
  await slip(page).getByLabel('Hover note').fill('Forecast for the Sound today');
  await page.keyboard.press('Enter');
  await page.getByRole('link', { name: 'Register' }).click();
  await page.getByRole('button', { name: /^Set aside 1/ }).click();
  await expect(dialog(page)).toContainText('it has changed since, and shows again');
  expect(await axe(page)).toEqual([]);
  await dialog(page).getByRole('button', { name: 'Show it again' }).click();
  await expect(dialog(page)).toContainText('Nothing is set aside.');
});

test('a rule is switched off for the book, with a reason that stays', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('group', { name: 'List by' }).getByRole('button', { name: 'Rules' }).click();
  const group = page.getByRole('table').getByRole('button', { name: /Words that show another address/ });
  await expect(group).toBeVisible();
  await page.getByRole('button', { name: 'Rules …' }).click();
  const entry = dialog(page).getByRole('listitem').filter({ hasText: 'Words that show another address' });
  await entry.getByRole('combobox').selectOption('off');
  await entry.getByLabel(/^Why/).fill('Our readers know both names.');
  await entry.getByRole('button', { name: 'Take it so' }).click();
  await expect(entry).toContainText('“Our readers know both names.”');
  expect(await axe(page)).toEqual([]);
  await dialog(page).getByRole('button', { name: 'Done' }).click();
  await expect(group).toHaveCount(0);
  await page.getByRole('button', { name: 'Rules …' }).click();
  await entry.getByRole('button', { name: 'As it is by itself' }).click();
  await dialog(page).getByRole('button', { name: 'Done' }).click();
  await expect(group).toBeVisible();
});

test('the report is handed on as a page, a PDF, tables and data', async ({ page, vennet }, testInfo) => {
  await openRegister(page, vennet);
  const take = async (name: RegExp): Promise<string> => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Report' }).click();
    await page.getByRole('menuitem', { name }).click();
    const download = await coming;
    const path = testInfo.outputPath(download.suggestedFilename());
    await download.saveAs(path);
    return path;
  };
  const csv = readFileSync(await take(/Findings as a table/), 'utf8');
  expect(csv).toContain('severity,rule,criterion');
  expect(csv).toContain('misleading-text');
  const earl = JSON.parse(readFileSync(await take(/EARL/), 'utf8')) as {
    '@graph': { '@type': string | string[] }[];
  };
  expect(earl['@graph'].filter((one) => one['@type'] === 'earl:Assertion').length).toBeGreaterThan(10);
  const pdf = await take(/PDF/);
  const { stdout } = await run('pdfinfo', [pdf]);
  expect(stdout).toMatch(/Tagged:\s+yes/);
  await run('qpdf', ['--check', pdf]);
  const html = readFileSync(await take(/Web page/), 'utf8');
  expect(html).toContain('Accessibility of the links');
  await page.setContent(html);
  expect(await axe(page)).toEqual([]);
});

test('findings come and go as words are typed, and the slip tells more of a link', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'The Three Brothers');
  await press(text(page).getByRole('link', { name: 'how to pass a tern colony' }));
  await slip(page).getByLabel('Link text').fill('click here');
  await expect(slip(page)).toContainText('“click here”');
  await slip(page).getByLabel('Link text').fill('how to pass a tern colony');
  await expect(slip(page)).not.toContainText('“click here” says');
  await slip(page).getByText('More about this link').click();
  await slip(page).getByLabel('Heard instead of the words').fill('How to pass a tern colony in June');
  await expect(slip(page).getByTestId('heard-as')).toContainText('How to pass a tern colony in June');
  await slip(page).getByLabel('Language of the page').fill('de');
  await expect(slip(page)).toContainText('The page is in another language (German)');
  await slip(page).getByLabel('Opens a new window').check();
  await expect(slip(page)).toContainText('On a web page this opens a new window');
  expect(await axe(page)).toEqual([]);
});

test('how the verdicts went is seen over the runs, each with what it changed', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await checkAll(page);
  await page.getByRole('button', { name: /^Not sound, over 2 runs/ }).click();
  await expect(dialog(page).getByRole('button', { pressed: true })).toHaveCount(1);
  await expect(dialog(page)).toContainText(/otherwise than before/);
  expect(await axe(page)).toEqual([]);
  await dialog(page).getByRole('button', { name: 'Done' }).click();
  await page.goto(vennet.address);
  await expect(page.getByRole('listitem').filter({ hasText: 'Small Lights' }).first()).toContainText(
    /must fix/i,
  );
});
