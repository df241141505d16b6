import { saidBy } from '@vennet/core/testing';
import { axe } from './axe.js';
import { expect, made, openForm, test } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

test('how the pages of a PDF are set is chosen, seen, kept with the book, and is in the file', async ({
  page,
  vennet,
}) => {
  const { id } = await vennet.book('Small Lights');
  await page.goto(`${vennet.address}/books/${id}`);
  const panel = await openForm(page, 'PDF');
  const sheet = panel.getByRole('img', { name: /as it would be set/ });
  await expect(sheet).toHaveAttribute('data-page', '3', { timeout: 30_000 });
  const proportion = () =>
    sheet.evaluate((canvas: HTMLCanvasElement) => Math.round((100 * canvas.height) / canvas.width));
  // A5: the sides of ISO 216 are as 1 to the root of 2.
  await expect.poll(proportion).toBe(142);

  await panel.getByRole('button', { name: 'New set' }).click();
  await page.keyboard.type('For print');
  await page.keyboard.press('Enter');
  await panel.getByLabel('Size', { exact: true }).selectOption({ label: 'Letter' });
  await expect.poll(proportion, { timeout: 30_000 }).toBe(129);
  await panel.getByLabel('Face').selectOption('Sans');
  await panel.getByLabel('Addresses are printed').selectOption('At the foot of the page');
  await panel.getByLabel('A way back to the contents at the foot of each page').check();
  // What leaves no room is told at once, with what to do.
  await panel.getByLabel('Bottom').fill('5');
  await expect(panel.getByRole('alert')).toContainText('needs a lower margin of 10 mm');
  await panel.getByLabel('Bottom').fill('20');
  await expect(panel.getByRole('alert')).toBeHidden();
  expect(await axe(page)).toEqual([]);

  const bytes = await made(page, 'PDF', 'Make the PDF');
  await expect(page.getByTestId('printed-proof')).toHaveText(/^(\d+) of \1 addresses are printed in full/);
  await expect(page.getByTestId('computed-proof')).toHaveText(/^(\d+) of \1 computed links/);
  expect(saidBy('pdfinfo', [], bytes)).toMatch(/612 x 792 pts \(letter\)/);
  expect(saidBy('pdffonts', [], bytes)).toContain('SourceSans3');
  expect(saidBy('qpdf', ['--check'], bytes)).toContain('No syntax or stream encoding errors');

  await page.reload();
  await expect(panel.getByLabel('Set of choices')).toHaveValue(/.+/);
  await expect(panel.getByLabel('Set of choices').locator('option:checked')).toHaveText('For print');
  await expect(panel.getByLabel('Size', { exact: true })).toHaveValue('letter');
  await panel.getByLabel('Set of choices').selectOption('As usual');
  await expect(panel.getByLabel('Size', { exact: true })).toHaveValue('a5');
  await expect.poll(proportion, { timeout: 30_000 }).toBe(142);
  await expect(
    page.getByRole('navigation', { name: 'Forms' }).getByRole('link', { name: /^PDF/ }),
  ).toHaveAttribute('aria-current', 'true');
});
