import { readFileSync } from 'node:fs';
import { axe } from './axe.js';
import { expect, frame, openChapter, slip, test, text, press, openForm } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

for (const colorScheme of ['light', 'dark'] as const)
  test.describe(`on a ${colorScheme} page`, () => {
    test.use({ colorScheme });

    test('axe finds nothing in the Library and its dialogs', async ({ page, vennet }) => {
      await page.goto(vennet.address);
      await expect(page.getByRole('heading', { name: 'Small Lights' })).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Bring in a book' }).click();
      expect(await axe(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await page.keyboard.press('?');
      await expect(page.getByRole('dialog', { name: 'Keys and guide' })).toBeVisible();
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing in Write, with a slip open and with a new one', async ({ page, vennet }) => {
      await openChapter(page, vennet, 'The Three Brothers');
      expect(await axe(page)).toEqual([]);
      await press(text(page).getByRole('link', { name: 'www.harbour-office.example' }));
      await expect(slip(page)).toContainText('Must fix');
      expect(await axe(page)).toEqual([]);
      await press(text(page).getByRole('heading', { name: 'The boat' }));
      await page.keyboard.press('Control+k');
      await page.keyboard.insertText('javascript:x');
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing at a picture, its link areas, an email, the mentions and the look of links', async ({
      page,
      vennet,
    }) => {
      await openChapter(page, vennet, 'The Three Brothers');
      await text(page)
        .locator('figure')
        .first()
        .getByRole('img')
        .click({ position: { x: 10, y: 10 } });
      await expect(slip(page).getByLabel('Alternative text')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Link area: Middle' }).click();
      await slip(page).getByLabel('Frame').selectOption('Framed, dotted');
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Look', exact: true }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.keyboard.press('Escape');
      await openChapter(page, vennet, 'Before you set out');
      await press(text(page).getByRole('link', { name: 'the warden and the harbour desk' }));
      await slip(page).getByLabel('A look of its own').check();
      expect(await axe(page)).toEqual([]);
      await slip(page).getByRole('button', { name: 'Mentions' }).click();
      await page.getByRole('dialog').getByRole('button', { name: 'Unlink them' }).click();
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing at notes, references, lists, bookmarks and the structure', async ({
      page,
      vennet,
    }) => {
      await openChapter(page, vennet, 'Questions at the quay');
      await press(text(page).locator('.note-mark').first());
      await expect(page.getByRole('group', { name: 'Slip of the note' })).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await press(text(page).locator('.reference').first());
      await expect(slip(page).getByText('Reads', { exact: true })).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await text(page)
        .locator('.contents-list')
        .click({ position: { x: 300, y: 6 } });
      await expect(page.getByRole('group', { name: 'Slip of the list' })).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await openChapter(page, vennet, 'Skerrow Head');
      await page.getByRole('tab', { name: 'Bookmarks' }).click();
      await press(text(page).getByText('a bench at the second well'));
      await page.getByRole('button', { name: 'Rename “The refuge at Gannel”' }).click();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Structure' }).click();
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing on the Shelf', async ({ page, vennet }) => {
      await openChapter(page, vennet, 'The Three Brothers');
      await page.getByRole('link', { name: 'Shelf' }).click();
      await page.getByRole('button', { name: 'skerrow-path.gpx' }).click();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Remove', exact: true }).click();
      await expect(page.getByRole('alertdialog')).toBeVisible();
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing in the menus and dialogs of writing, wide and narrow', async ({
      page,
      vennet,
    }) => {
      await openChapter(page, vennet, 'Tides and addresses');
      for (const width of [1280, 320]) {
        await page.setViewportSize({ width, height: 800 });
        await press(text(page).getByRole('cell', { name: 'April' }));
        if (width === 320) await page.getByRole('button', { name: 'More', exact: true }).click();
        for (const menu of ['Put in', 'Table', 'Words']) {
          await page.getByRole('button', { name: menu, exact: true }).click();
          await expect(page.getByRole('menu')).toBeVisible();
          expect(await axe(page)).toEqual([]);
          await page.keyboard.press('Escape');
        }
        for (const dialog of [/In another language/, /A special sign/]) {
          await page.getByRole('button', { name: 'Words', exact: true }).click();
          await page.getByRole('menuitem', { name: dialog }).click();
          await expect(page.getByRole('dialog')).toBeVisible();
          expect(await axe(page)).toEqual([]);
          await page.keyboard.press('Escape');
        }
        await expect(text(page)).toBeFocused();
        await page.keyboard.press('Control+Alt+t');
        await expect(page.getByRole('dialog', { name: 'A new table' })).toBeVisible();
        expect(await axe(page)).toEqual([]);
        await page.keyboard.press('Escape');
        await expect(text(page)).toBeFocused();
        await page.keyboard.press('Control+Alt+f');
        await page.getByRole('searchbox', { name: 'Find' }).fill('tide');
        await expect(page.getByTestId('hits')).toHaveText(/Found/);
        expect(await axe(page)).toEqual([]);
        await page.getByRole('tab', { name: 'Outline' }).click();
      }
      await page.getByRole('link', { name: /what is said of this book/ }).click();
      await expect(page.getByRole('heading', { name: 'The book' })).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('link', { name: /versions of this book/ }).click();
      await expect(page.getByRole('heading', { name: 'Versions', exact: true })).toBeVisible();
      expect(await axe(page)).toEqual([]);
    });

    test('axe finds nothing in the Register and in Publish', async ({ page, vennet }) => {
      await openChapter(page, vennet, 'The Three Brothers');
      await page.getByRole('link', { name: 'Register' }).click();
      await page.getByRole('button', { name: 'Check all links' }).click();
      await expect(page.getByRole('button', { name: 'Check all links' })).toBeVisible({ timeout: 40_000 });
      await page.getByRole('button', { name: 'orrin-permits.example/apply' }).click();
      expect(await axe(page)).toEqual([]);
      await openForm(page, 'PDF');
      await page.getByRole('button', { name: 'Make the PDF' }).click();
      await expect(page.getByTestId('proof').first()).toBeVisible({ timeout: 30_000 });
      expect(await axe(page)).toEqual([]);
    });
  });

test('axe finds nothing on the web page that is published', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The Three Brothers');
  await openForm(page, 'Web page');
  await page.getByRole('button', { name: 'Make the web page' }).click();
  const made = page.locator('a[download$=".html"]');
  await expect(made).toBeVisible({ timeout: 30_000 });
  const download = page.waitForEvent('download');
  await made.click();
  await page.setContent(readFileSync(await (await download).path(), 'utf8'));
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    expect(await axe(page)).toEqual([]);
  }
});

test('nothing is cut off at 400 % zoom, and a link can be made there', async ({ page, vennet }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await openChapter(page, vennet, 'The Three Brothers');
  const wide = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(await wide()).toBeLessThanOrEqual(0);
  await press(text(page).getByRole('link', { name: 'how to pass a tern colony' }));
  await expect(slip(page)).toBeInViewport();
  await slip(page).getByLabel('Link text').fill('passing a tern colony');
  await page.keyboard.press('Enter');
  await expect(text(page).getByRole('link', { name: 'passing a tern colony' })).toHaveCount(1);
  await page.keyboard.press('Control+End');
  await expect(slip(page)).toHaveCount(0);
  await press(text(page).locator('.note-mark').first());
  await expect(page.getByRole('textbox', { name: 'Words of the note' })).toBeInViewport();
  expect(await wide()).toBeLessThanOrEqual(0);
  // What is used less unfolds.
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Structure' }).click();
  await expect(page.getByRole('button', { name: 'Use this structure' })).toBeVisible();
  expect(await wide()).toBeLessThanOrEqual(0);
  await page.keyboard.press('Escape');
  for (const room of ['Register', 'Shelf', 'Publish']) {
    await page.getByRole('link', { name: room }).click();
    await expect(page.getByRole('heading', { name: room })).toBeVisible();
    expect(await wide()).toBeLessThanOrEqual(0);
  }
});

test('the way from the Library to a new link needs no mouse', async ({ page, vennet }) => {
  await page.goto(vennet.address);
  await expect(page.getByRole('link', { name: 'Open Small Lights' })).toBeVisible();
  await page.getByRole('link', { name: 'Open Small Lights' }).focus();
  await page.keyboard.press('Enter');
  await expect(text(page)).toBeVisible();
  await page.getByRole('navigation', { name: 'Outline' }).getByRole('link', { name: 'Lantern Rock' }).focus();
  await page.keyboard.press('Enter');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Lantern Rock');
  for (
    let tabs = 0;
    tabs < 60 && !(await text(page).evaluate((element) => element === document.activeElement));
    tabs++
  )
    await page.keyboard.press('Tab');
  await expect(text(page)).toBeFocused();
  await page.keyboard.press('Control+Home');
  for (let letter = 0; letter < 7; letter++) await page.keyboard.press('Shift+ArrowRight');
  await frame(page);
  await page.keyboard.press('Control+k');
  await page.keyboard.type('lamp-trust.example/lights/lantern-rock');
  await page.keyboard.press('Enter');
  await expect(text(page).getByRole('link', { name: 'Lantern', exact: true })).toHaveAttribute(
    'href',
    'https://lamp-trust.example/lights/lantern-rock',
  );
  await expect(text(page)).toBeFocused();
});
