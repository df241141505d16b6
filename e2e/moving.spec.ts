import {
  press,
  caretAfter,
  expect,
  frame,
  marks,
  openChapter,
  outline,
  saved,
  selectWords,
  slip,
  test,
  text,
  turnTo,
  openForm,
} from './vennet.js';
import type { Page } from '@playwright/test';

test.beforeAll(({ vennet }) => vennet.startAnew());

test.describe('moving', () => {
  const headings = (page: Page) => text(page).getByRole('heading', { level: 2 }).allTextContents();

  test('a section goes up and down by key and by dragging, with what is in it, and is undone', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    expect(await headings(page)).toEqual(['The way', 'The light', 'Coming back']);
    const entry = (name: string) =>
      outline(page).getByRole('button', { name: new RegExp(`^4\\.\\d\\s*${name}`) });
    await entry('The light').focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(() => headings(page)).toEqual(['The light', 'The way', 'Coming back']);
    await expect(marks(page)).toHaveText(['1', '2']);
    await entry('Coming back').dragTo(entry('The light'), { targetPosition: { x: 20, y: 3 } });
    await expect.poll(() => headings(page)).toEqual(['Coming back', 'The light', 'The way']);
    await text(page).press('Control+z');
    await text(page).press('Control+z');
    await expect.poll(() => headings(page)).toEqual(['The way', 'The light', 'Coming back']);
  });

  test('a section goes into another chapter, what leads to it still does, and it is taken back', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Six keepers');
    await outline(page)
      .getByRole('button', { name: /Ada Farrow’s boat/ })
      .first()
      .dragTo(outline(page).getByRole('link', { name: /A round of five days/ }));
    await expect(page.getByText('The section was moved.')).toBeVisible();
    await expect(text(page).getByRole('heading', { name: 'Ada Farrow’s boat' })).toHaveCount(0);
    await turnTo(page, 'A round of five days');
    await expect(text(page).getByRole('heading', { name: 'Ada Farrow’s boat' })).toBeVisible();
    const broken = async () =>
      (await vennet.api.links(book)).filter(({ kind, verdict }) => kind === 'place' && verdict === 'broken')
        .length;
    expect(await broken()).toBe(1);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(text(page).getByRole('heading', { name: 'Ada Farrow’s boat' })).toHaveCount(0);
  });

  test('chapters are moved by key and by dragging, over the edge of the text too', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    const chapters = async () =>
      (await vennet.book('Small Lights')).chapters.map(({ title, matter }) => `${matter} ${title}`);
    const before = await chapters();
    const link = (name: string) => outline(page).getByRole('link', { name });
    await link('Gannel Point').focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect
      .poll(async () => (await chapters()).slice(0, 3))
      .toEqual(['front Before you set out', 'main Gannel Point', 'main Skerrow Head']);
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveAttribute('data-number', '1');
    await link('Gannel Point').focus();
    await page.keyboard.press('Alt+ArrowUp');
    await expect.poll(async () => (await chapters())[1]).toBe('front Gannel Point');
    await link('Gannel Point').dragTo(link('Skerrow Head'), { targetPosition: { x: 40, y: 26 } });
    await expect.poll(chapters).toEqual(before);
  });

  test('cut and pasted over chapters, ids stay; copied, the copy leads within itself', async ({
    page,
    vennet,
    context,
  }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    const book = await openChapter(page, vennet, 'Tides and addresses');
    const ids = async () => (await vennet.api.links(book)).map(({ id }) => id).sort();
    const before = await ids();
    await press(text(page).getByText('The hours in which the sands'));
    await selectWords(page, 'Do not set out on them without the ');
    await press(text(page).getByText('The hours in which the sands'), { clickCount: 3 });
    await page.keyboard.press('Control+x');
    await saved(page);
    await turnTo(page, 'Gannel Point');
    const notes = await marks(page).count();
    await caretAfter(page, 'or not at all.');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+v');
    await expect(text(page).getByText('The hours in which the sands')).toBeVisible();
    await expect(marks(page)).toHaveCount(notes + 1);
    await saved(page);
    await expect.poll(ids).toEqual(before);
    await press(text(page).getByText('The hours in which the sands'), { clickCount: 3 });
    await page.keyboard.press('Control+c');
    await page.keyboard.press('ArrowRight');
    await frame(page);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+v');
    await expect(marks(page)).toHaveCount(notes + 2);
    await saved(page);
    await expect.poll(async () => (await ids()).length).toBeGreaterThan(before.length);
    const after = await ids();
    expect(new Set(after).size).toBe(after.length);
  });
});

test.describe('what is wrong inside', () => {
  test('shows in slip, outline and Register, each with its repair', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Six keepers');
    await expect(outline(page).getByRole('link', { name: /Six keepers/ })).toContainText(/Broken.*1/);
    await press(text(page).getByRole('link', { name: 'How glims were measured' }));
    await expect(slip(page)).toContainText('The place that this led to is not in the book.');
    await page.getByRole('link', { name: 'Register' }).click();
    const table = page.getByRole('region', { name: 'Places, notes and lists' });
    const row = table.getByRole('listitem').filter({ hasText: 'The brothers who did not speak' });
    await expect(row).toContainText('Nothing in the book leads to the bookmark');
    await row.getByRole('link', { name: 'The Three Brothers' }).click();
    await expect(page.getByRole('form', { name: 'Slip of the bookmark' })).toContainText(
      'Nothing leads here yet.',
    );
    await page.getByRole('link', { name: 'Register' }).click();
    await row.getByRole('button', { name: 'Remove the bookmark' }).click();
    await expect(row).toHaveCount(0);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(row).toBeVisible();
  });

  test('is a link into a chapter that a form leaves out; the form says so before it is made', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    const panel = await openForm(page, 'E-book');
    await panel.getByRole('button', { name: 'All 10 chapters go in' }).click();
    await panel.getByLabel('Before you set out').uncheck();
    await expect(panel).toContainText(/\d+ links into chapters that are left out/);
    await page.getByRole('link', { name: 'Write' }).click();
    await turnTo(page, 'Gannel Point');
    await press(text(page).getByRole('link', { name: 'what is said about the tides' }).first());
    await expect(slip(page)).toContainText('a chapter that is left out of the e-book');
    await page.getByRole('link', { name: 'Publish' }).click();
    await panel.getByRole('button', { name: '9 of 10 chapters go in' }).click();
    await panel.getByLabel('Before you set out').check();
    await expect(panel.getByRole('button', { name: 'All 10 chapters go in' })).toBeVisible();
  });
});
