import type { Page } from '@playwright/test';
import { expect, openChapter, press, slip, test, text } from './vennet.js';
import { dropFile, PDF } from './files.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const row = (page: Page, name: string) =>
  page
    .getByRole('table', { name: 'Files' })
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name, exact: true }) });

async function openShelf(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
}

test('has the demo’s files with type, size, rights and the way they travel', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await expect(row(page, 'tide-table.pdf')).toContainText('PDF 24 kB');
  await expect(row(page, 'measured-drawings.zip')).toContainText('Reviewers only');
  await expect(row(page, 'packing-list.txt')).toContainText('Only me');
  await expect(row(page, 'skerrow-path.gpx')).toContainText('At a public address');
  await expect(row(page, 'bell-of-middle.wav')).toContainText('Beside the book');
});

test('takes in files that are dropped or chosen, and tells one that is not what it claims', async ({
  page,
  vennet,
}) => {
  await openShelf(page, vennet.address);
  await dropFile(page.getByRole('main'), {
    name: 'walks.csv',
    type: 'text/csv',
    content: 'walk,hours\nGannel,3\n',
  });
  await expect(row(page, 'walks.csv')).toContainText('CSV table');
  await page.getByLabel('Files for the Shelf').setInputFiles([
    {
      name: 'not-a.pdf',
      mimeType: 'application/pdf',
      buffer: Buffer.from('PK\u0005\u0006' + '\0'.repeat(18), 'latin1'),
    },
    { name: 'plan.pdf', mimeType: 'application/pdf', buffer: PDF },
  ]);
  await expect(row(page, 'plan.pdf')).toContainText('PDF');
  await expect(page.getByText(/“not-a.pdf” is on the Shelf. Its name says that it is a PDF/)).toBeVisible();
  await page.getByRole('button', { name: 'not-a.pdf' }).click();
  await expect(page.getByText('by its content it is a ZIP archive')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('all.zip');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await expect(row(page, 'all.zip')).toContainText('ZIP archive');
  await expect(page.getByRole('table').getByText('by its content it is')).toHaveCount(0);
});

test('refuses an empty file with a clear word', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await page
    .getByLabel('Files for the Shelf')
    .setInputFiles({ name: 'empty.pdf', mimeType: 'application/pdf', buffer: Buffer.alloc(0) });
  await expect(page.getByText('“empty.pdf” is empty, so nothing was kept.')).toBeVisible();
  await expect(row(page, 'empty.pdf')).toHaveCount(0);
});

test('shows a file on its way, and lets it be stopped', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await page.route('**/enclosures', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 3_000));
    await route.continue().catch(() => {});
  });
  await page
    .getByLabel('Files for the Shelf')
    .setInputFiles({ name: 'slow.pdf', mimeType: 'application/pdf', buffer: PDF });
  const way = page.getByRole('list', { name: 'Files on their way' });
  await expect(way.getByRole('progressbar', { name: 'slow.pdf on its way' })).toBeVisible();
  await way.getByRole('button', { name: 'Stop sending slow.pdf' }).click();
  await expect(way).toHaveCount(0);
  await expect(row(page, 'slow.pdf')).toHaveCount(0);
});

test('puts a new version in a file’s place: links follow, and the old one can be gone back to', async ({
  page,
  vennet,
}) => {
  await openShelf(page, vennet.address);
  await page.getByRole('button', { name: 'tide-table.pdf' }).click();
  const checksum = page.getByText(/^[0-9a-f]{64}$/);
  const before = await checksum.textContent();
  await page
    .getByLabel('New version of tide-table.pdf')
    .setInputFiles({ name: 'new.pdf', mimeType: 'application/pdf', buffer: PDF });
  await expect(
    page.getByText(/“tide-table.pdf” is a new version now, PDF, \d+ bytes. Its use follows./),
  ).toBeVisible();
  await expect(checksum).not.toHaveText(before!);
  await page.getByRole('button', { name: 'Go back to the old one' }).click();
  await expect(checksum).toHaveText(before!);
});

test('renames a file without breaking its links', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await page.getByRole('button', { name: 'lantern-days.ics' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Lantern days 2027.ics');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await page.getByRole('link', { name: 'Show it in the text' }).click();
  await expect(slip(page).getByLabel('Leads to')).toHaveValue('Lantern days 2027.ics');
  await expect(slip(page)).toContainText('its readers can open it');
});

test('removes a file only after showing what will break, and puts it back', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await page.getByRole('button', { name: 'low-waters-in-may.csv' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  const dialog = page.getByRole('alertdialog');
  await expect(dialog).toContainText('One use breaks');
  await expect(dialog.locator('mark')).toHaveText('the low waters in May');
  await dialog.getByRole('button', { name: 'Take it off the Shelf' }).click();
  await expect(row(page, 'low-waters-in-may.csv')).toHaveCount(0);
  await openChapter(page, vennet, 'Tides and addresses');
  await press(text(page).getByRole('link', { name: 'the low waters in May' }));
  await expect(slip(page)).toContainText('not on the Shelf any more');
  await openShelf(page, vennet.address);
  await page.getByRole('button', { name: 'plan.pdf' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(dialog).toContainText('nothing breaks');
  await dialog.getByRole('button', { name: 'Take it off the Shelf' }).click();
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(row(page, 'plan.pdf')).toHaveCount(1);
});

test('says where a file is to be had, and refuses what is no address', async ({ page, vennet }) => {
  await openShelf(page, vennet.address);
  await page.getByRole('button', { name: 'skerrow-path.gpx' }).click();
  const address = page.getByRole('textbox', { name: 'Public address' });
  await address.fill('javascript:alert(1)');
  await address.press('Enter');
  await expect(page.getByText('begin with “javascript:”')).toBeVisible();
  await expect(address).toHaveValue('https://orrin-archive.example/files/skerrow-path.gpx');
});
