import { expect, openChapter, test, text } from './vennet.js';
import type { Locator, Page } from '@playwright/test';

test.describe.configure({ mode: 'serial' });
test.beforeAll(({ vennet }) => vennet.startAnew());

async function openRegister(page: Page, vennet: { address: string }): Promise<void> {
  await page.goto(vennet.address);
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  await page.getByRole('link', { name: 'Register' }).click();
  await expect(page.getByRole('heading', { name: 'Register' })).toBeVisible();
}

const entry = (page: Page, address: string): Locator =>
  page.getByRole('row').filter({ has: page.getByRole('button', { name: address }) });
const checkDone = (page: Page) =>
  expect(page.getByRole('button', { name: 'Check all links' })).toBeVisible({ timeout: 40_000 });

test('all links are checked with counts, and the run can be stopped', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await expect(entry(page, 'lamp-trust.example/old-tides')).toContainText('Unchecked');
  await page.getByRole('button', { name: 'Check all links' }).click();
  const progress = page.getByTestId('check-progress');
  await expect(progress).toContainText(/Checking \d+ of 6\d/);
  await progress.getByRole('button', { name: 'Stop' }).click();
  await checkDone(page);
  await expect(page.getByText(/Stopped after \d+ of 6\d/)).toBeVisible();

  await page.getByRole('button', { name: 'Check all links' }).click();
  await expect(progress).toBeVisible();
  await checkDone(page);
  await expect(page.getByText(/Last checked/).first()).toBeVisible();
  for (const [address, verdict] of [
    ['orrin-ferries.example/timetable/winter', 'Broken'],
    ['orrin-archive.example/photographs', 'Broken'],
    ['old-signal.example/causeway', 'Broken'],
    ['harbour-office.example/webcam', 'Unreachable'],
    ['radio-orrin.example/programmes/bells', 'Unreachable'],
    ['lamp-trust.example/old-tides', 'Moved'],
    ['lamp-trust.example/members/drawings', 'Guarded'],
    ['weather-sound.example/gale-warnings', 'Sound'],
    ['harbour-office.example/notices/today', 'Sound'],
  ])
    await expect(entry(page, address!)).toContainText(verdict!);
});

test('a broken address is corrected once for all its uses, checked again, and sound; it can be taken back', async ({
  page,
  vennet,
}) => {
  await openRegister(page, vennet);
  const broken = 'orrin-ferries.example/timetable/winter';
  await page.getByRole('button', { name: broken }).click();
  await expect(page.getByText('The site has no such page. (404)')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Uses' })).toContainText(
    'In winter there is the winter timetable, which is shorter',
  );
  const form = page.getByRole('form', { name: 'Correct the address' });
  await form.getByLabel('Leads to').fill('orrin-ferries.example/timetable/winter-sailings');
  await form.getByRole('button', { name: 'Correct it for its one use' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  const mended = page.getByRole('button', { name: 'orrin-ferries.example/timetable/winter-sailings' });
  await expect(entry(page, 'winter-sailings')).toContainText('Unchecked');
  await mended.click();
  await page.getByRole('button', { name: 'Check it again' }).click();
  await expect(entry(page, 'winter-sailings')).toContainText('Sound', { timeout: 15_000 });
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('It is taken back. What was written since is still there.')).toBeVisible();
  await expect(entry(page, broken)).toContainText('Broken');
});

test('a moved address is replaced in one step', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('button', { name: 'lamp-trust.example/old-tides' }).click();
  await page.getByRole('button', { name: 'Lead to https://lamp-trust.example/tides' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'lamp-trust.example/old-tides' })).toHaveCount(0);
});

test('findings are listed, explained and repaired; uses are shown in the text', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  const chip = page.getByRole('button', { name: /^With findings \d+/ });
  const count = async () => Number(/\d+/.exec(await chip.innerText())?.[0]);
  const before = await count();
  await chip.click();
  await expect(page.getByRole('row')).toHaveCount(before + 1);
  await page.getByRole('button', { name: 'orrin-permits.example/apply' }).click();
  await expect(page.getByText(/Readers take this for a trick/)).toBeVisible();
  await page.getByRole('button', { name: 'Lead to https://www.harbour-office.example/' }).click();
  await expect(page.getByText('One link was changed.')).toBeVisible();
  // It stands as a raw address now, which is another finding.
  await expect.poll(count).toBe(before);
  await page.getByRole('button', { name: 'walkers-of-orrin.example/buses' }).click();
  await page.getByRole('link', { name: 'Show it in the text' }).click();
  await expect(text(page).locator('.is-open')).toHaveText('click here');
  await expect(text(page).locator('.is-open')).toBeInViewport();
});

test('is searched by address and by words, and filtered by verdict', async ({ page, vennet }) => {
  await openRegister(page, vennet);
  await page.getByRole('searchbox').fill('tern colony');
  await expect(page.getByRole('row')).toHaveCount(2);
  await expect(entry(page, 'bird-watch.example/terns')).toBeVisible();
  await page.getByRole('searchbox').fill('nothing like this');
  await expect(page.getByText('No destination fits.')).toBeVisible();
  await page.getByRole('searchbox').fill('');
  await page.getByRole('button', { name: /^Guarded/ }).click();
  await expect(page.getByRole('row')).toHaveCount(4);
});

test('verdicts stand in the margin and the outline too', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Gannel Point');
  await expect(
    page.getByRole('button', { name: /Broken.*orrin-archive\.example\/photographs/ }),
  ).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Outline' }).getByRole('link', { name: /Gannel Point.*Broken/ }),
  ).toBeVisible();
});
