import { axe } from './axe.js';
import { expect, press, saved, startBook, test, text } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

/** A PDF with one page that is green all over; offsets are left for the reader to find (ISO 32000-1, C.2). */
const PAGE = Buffer.from(
  [
    '%PDF-1.4',
    '1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj',
    '2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj',
    '3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 100 140]/Contents 4 0 R>>endobj',
    '4 0 obj<</Length 27>>stream',
    '0 0.5 0 rg 0 0 100 140 re f',
    'endstream endobj',
    'trailer<</Root 1 0 R>>',
  ].join('\n'),
);

test('labels all over the text lead to the files of their names at once, and are taken back at once', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Claim');
  await page.keyboard.type('Facts\nThe letter is C1, the map C2; see C1 again, and C7.\n');
  await page.keyboard.type('More in Appendix 3.');
  await saved(page);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('button', { name: 'Link labels to files' })).toHaveCount(0);
  await page.getByLabel('Files for the Shelf').setInputFiles(
    ['C1 letter.pdf', 'C2 map.pdf', 'C2 photograph.pdf', 'appendix-3.pdf', 'tides.pdf'].map((name, at) => ({
      name,
      mimeType: 'application/pdf',
      // No two files are the same.
      buffer: Buffer.concat([PAGE, Buffer.from(`\n%${at}`)]),
    })),
  );
  await expect(page.getByText('tides.pdf')).toBeVisible();
  await page.getByRole('button', { name: 'Link labels to files' }).click();
  const dialog = page.getByRole('dialog');
  const label = (words: string) =>
    dialog.getByRole('list', { name: 'Labels with a file' }).getByRole('listitem').filter({ hasText: words });
  await expect(label('C1').first()).toContainText('2 times in the text');
  await expect(label('C1').first()).toContainText('leads to C1 letter.pdf');
  // The first page is drawn: the middle of it is green.
  const canvas = label('C1').first().locator('canvas');
  await expect
    .poll(() =>
      canvas.evaluate((drawn: HTMLCanvasElement) => [
        ...drawn.getContext('2d')!.getImageData(drawn.width / 2, drawn.height / 2, 1, 1).data,
      ]),
    )
    .toEqual([0, 128, 0, 255]);
  await expect(dialog.getByRole('region', { name: 'Labels without a file' })).toContainText('C7');
  await expect(dialog.getByRole('region', { name: 'Files that nothing leads to' })).toContainText(
    'tides.pdf',
  );
  // Two files are called C2: it waits for a choice.
  await expect(dialog.getByRole('button', { name: 'Link 3 labels' })).toBeVisible();
  await label('C2').getByRole('combobox').selectOption('C2 photograph.pdf');
  await label('C1').first().getByText('Where it stands').click();
  await label('C1').first().getByRole('checkbox').last().press('Space');
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Link 3 labels' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('link', { name: 'Write' }).click();
  await expect(text(page).getByRole('link')).toHaveText(['C1', 'C2', 'Appendix 3']);
  await press(text(page).getByRole('link', { name: 'C2' }));
  await expect(page.getByRole('combobox', { name: 'Leads to' })).toHaveValue('C2 photograph.pdf');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(text(page).getByRole('link')).toHaveCount(0);
});
