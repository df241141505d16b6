import { expect, openChapter, press, saved, selectWords, test, text } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

test('every mention is looked through, linked at once, and taken back with one undo', async ({
  page,
  vennet,
}) => {
  const book = await openChapter(page, vennet, 'The harbour lamp');
  await selectWords(page, 'piano tuner');
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('lamp-trust.example');
  await page.keyboard.press('Enter');
  await saved(page);
  const linked = async () =>
    (await vennet.api.links(book)).filter((link) => /^piano tuner$/i.test(link.text)).length;
  expect(await linked()).toBe(1);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Control+Alt+m');
  const dialog = page.getByRole('dialog');
  const status = dialog.getByRole('status');
  await expect(status).toHaveText(/^(\d+) of \1 ticked$/);
  const found = Number(/^\d+/.exec((await status.textContent()) ?? '')?.[0]);
  expect(found).toBeGreaterThan(1);
  await expect(dialog.getByRole('list', { name: 'Mentions' }).locator('mark').first()).toHaveText(
    /piano tuner/i,
  );
  await dialog.getByLabel('The whole book').uncheck();
  await expect(status).not.toHaveText(`${found} of ${found} ticked`);
  await dialog.getByLabel('The whole book').check();
  await expect(status).toHaveText(`${found} of ${found} ticked`);
  await dialog
    .getByRole('checkbox', { name: /piano tuner/i })
    .first()
    .uncheck();
  await expect(status).toHaveText(`${found - 1} of ${found} ticked`);
  await dialog.getByRole('button', { name: `Link ${found - 1} mention` }).click();
  await expect(
    page.getByText(found === 2 ? 'One link was made.' : `${found - 1} links were made.`),
  ).toBeVisible();
  expect(await linked()).toBe(found);
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('It is taken back. What was written since is still there.')).toBeVisible();
  expect(await linked()).toBe(1);
});

test('only the first mention in each chapter, by letter case, when that is wanted', async ({
  page,
  vennet,
}) => {
  const book = await openChapter(page, vennet, 'Lantern Rock');
  await selectWords(page, 'the Trust');
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('lamp-trust.example/tides');
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Control+Alt+m');
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Only the first in each chapter').check();
  await dialog.getByLabel('Letter case as in the link').check();
  await expect(dialog.getByRole('status')).toHaveText(/^(\d+) of \1 ticked$/);
  const wanted = Number(/^\d+/.exec((await dialog.getByRole('status').textContent()) ?? '')?.[0]);
  await dialog.getByRole('button', { name: new RegExp(`^Link ${wanted} mention`) }).click();
  await expect(dialog).toHaveCount(0);
  const made = (await vennet.api.links(book)).filter((link) => link.text === 'the Trust');
  expect(made).toHaveLength(wanted + 1);
  const chapters = made.map(({ chapter }) => chapter);
  expect(chapters.filter((chapter, index) => chapters.indexOf(chapter) !== index).length).toBeLessThanOrEqual(
    1,
  );
});

test('every mention is unlinked at once, from right click', async ({ page, vennet }) => {
  const book = await openChapter(page, vennet, 'Lantern Rock');
  await press(text(page).getByRole('link', { name: 'the Trust', exact: true }).first(), { button: 'right' });
  await page.getByRole('menuitem', { name: 'Link or unlink every mention' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Unlink them' }).click();
  await dialog.getByRole('button', { name: /^Unlink \d+ links/ }).click();
  await expect(dialog).toHaveCount(0);
  expect((await vennet.api.links(book)).filter((link) => link.text === 'the Trust')).toEqual([]);
  await expect(text(page)).toContainText('the Trust');
});
