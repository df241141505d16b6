import type { Locator, Page } from '@playwright/test';
import {
  press,
  expect,
  frame,
  openChapter,
  openStructure,
  outline,
  saved,
  selectWords,
  slip,
  structure,
  test,
  text,
  turnTo,
  useStructure,
} from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const reference = (page: Page, words: string | RegExp): Locator =>
  text(page).locator('.reference', { hasText: words });
/** The place that lights up just now, after it was gone to. */
const lit = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const target = document.getAnimations().find((one) => one.id === 'target');
    return ((target?.effect as KeyframeEffect | undefined)?.target?.textContent ?? '').slice(0, 40);
  });

test.describe('Leads to', () => {
  test('suggests places as one types, by words, number and chapter, with a preview; Enter links', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'a bench, a lamp');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('3.3');
    const options = slip(page).getByRole('option');
    await expect(options.first()).toContainText('3.3 The light');
    await expect(options.first().getByTestId('place-preview')).toContainText(
      'Middle is the only one of the five',
    );
    await slip(page).getByLabel('Leads to').fill('light brothers');
    await expect(options.first()).toContainText('Heading in “The Three Brothers”');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'a bench, a lamp' })).toHaveAttribute(
      'href',
      '#brothers-light',
    );
    await expect(slip(page)).toContainText('Place in this book');
  });

  test('offers, without a word typed, the places used last and those near', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'two thousandth step');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('farrow boat');
    await page.keyboard.press('Enter');
    await selectWords(page, 'Count your steps');
    await page.keyboard.press('Control+k');
    await page.keyboard.press('ArrowDown');
    const options = slip(page).getByRole('option');
    await expect(options.first()).toContainText('Ada Farrow’s boat');
    await expect(options.nth(1)).toContainText('Gannel Point');
    await page.keyboard.press('Escape');
  });

  test('offers headings down to the level that was chosen', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await openStructure(page);
    await structure(page)
      .getByLabel(/Headings that “Leads to” offers/)
      .selectOption('level 1');
    await useStructure(page);
    await selectWords(page, 'visitors’ book full');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('Coming back');
    await expect(slip(page).getByRole('option', { name: /Heading in/ })).toHaveCount(0);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await slip(page).getByLabel('Leads to').fill('Coming back ');
    await expect(
      slip(page)
        .getByRole('option', { name: /Heading in/ })
        .first(),
    ).toBeVisible();
  });

  test('takes a place from the outline by dragging it into the text, and by its menu', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const paragraph = text(page).locator('p').nth(2);
    await outline(page)
      .getByRole('button', { name: /4\.3\s*Coming back/ })
      .first()
      .dragTo(paragraph, { targetPosition: { x: 60, y: 12 } });
    await expect(paragraph.getByRole('link', { name: 'Coming back' })).toHaveAttribute(
      'href',
      '#lantern-back',
    );
    await page.keyboard.press('Control+z');
    await selectWords(page, 'slippery');
    const entry = outline(page).getByRole('button', { name: 'More about “The light”' });
    await entry.focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'Lead here from the caret' }).click();
    await expect(text(page).getByRole('link', { name: 'slippery' })).toHaveAttribute(
      'href',
      '#lantern-light',
    );
  });
});

test('the outline shows the open chapter, however many stand before it', async ({ page, vennet }) => {
  await page.setViewportSize({ width: 1280, height: 360 });
  await openChapter(page, vennet, 'Tides and addresses');
  await expect(outline(page).getByRole('link', { name: /Tides and addresses/ })).toBeInViewport();
  await turnTo(page, 'Before you set out');
  await expect(outline(page).getByRole('link', { name: 'Before you set out' })).toBeInViewport();
});

test.describe('a bookmark', () => {
  const list = (page: Page) => page.getByRole('region', { name: 'Bookmarks' });
  const showList = (page: Page) => page.getByRole('tab', { name: 'Bookmarks' }).click();

  test('is made on selected words with any name, led to, renamed, listed and gone to', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await selectWords(page, 'whale oil, then colza');
    await page.keyboard.press('Control+Alt+b');
    const form = page.getByRole('form', { name: 'Slip of a new bookmark' });
    await expect(form.getByLabel('Name of the bookmark')).toHaveValue('whale oil, then colza');
    await form.getByLabel('Name of the bookmark').fill('鯨油 and colza');
    await page.keyboard.press('Enter');
    await expect(text(page).locator('[data-bookmark]', { hasText: 'whale oil' })).toHaveAttribute(
      'id',
      '鯨油-and-colza',
    );
    await selectWords(page, 'nothing for nineteen');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('鯨油');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'nothing for nineteen' })).toHaveAttribute(
      'href',
      '#鯨油-and-colza',
    );
    await showList(page);
    const entry = list(page).getByRole('button', { name: /^鯨油 and colza/ });
    await expect(entry).toContainText('Skerrow Head, used once');
    await list(page).getByLabel('Sorted by').selectOption('name');
    await expect(list(page).getByRole('listitem').first()).toContainText('Her notes on the six moves');
    await list(page).getByRole('button', { name: 'Rename “鯨油 and colza”' }).click();
    await list(page).getByLabel('Name of the bookmark').fill('Oil');
    await page.keyboard.press('Enter');
    await expect(list(page).getByRole('button', { name: /^Oil/ })).toBeVisible();
    // The name is another; what leads there still does.
    await expect(text(page).locator('[data-bookmark="Oil"]')).toHaveAttribute('id', '鯨油-and-colza');
    await list(page).getByRole('button', { name: /^Oil/ }).click();
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Skerrow Head');
    await expect.poll(() => lit(page)).toBe('whale oil, then colza');
  });

  test('is made of the word at the caret, and its marks can be hidden', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await text(page)
      .getByText('It was built in a single summer')
      .dblclick({ position: { x: 30, y: 12 } });
    await page.keyboard.press('ArrowRight');
    await frame(page);
    await page.keyboard.press('Control+Alt+b');
    await page.keyboard.press('Enter');
    const made = text(page).locator('[data-bookmark="Skerrow"]');
    await expect(made).toHaveText('Skerrow');
    const line = () => made.evaluate((element) => getComputedStyle(element).borderBottomWidth);
    expect(await line()).toBe('2px');
    await showList(page);
    await list(page).getByLabel('Marked in the text').uncheck();
    await expect.poll(line).toBe('0px');
    await list(page).getByLabel('Marked in the text').check();
  });

  test('that is in use says which links lead there, and these are pointed elsewhere when it is removed', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Skerrow Head');
    await showList(page);
    await list(page).getByRole('button', { name: 'Remove “The bench by the second well”' }).click();
    const dialog = page.getByRole('dialog', { name: /is in use/ });
    await expect(dialog).toContainText('the bench by the second well in “Tides and addresses”');
    await dialog.getByRole('combobox', { name: 'Lead them to' }).fill('coming back');
    await page.keyboard.press('Enter');
    await dialog.getByRole('button', { name: 'Lead them there' }).click();
    await expect(list(page).getByRole('button', { name: /^The bench/ })).toHaveCount(0);
    await saved(page);
    const led = async () =>
      (await vennet.api.links(book)).find((link) => link.text === 'the bench by the second well');
    await expect
      .poll(async () => [(await led())?.href, (await led())?.verdict])
      .toEqual(['#skerrow-back', 'sound']);
  });
});

test.describe('following inside', () => {
  test('goes there and the place lights up, on the same screen too; back and forward lead through what was visited', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Before you set out');
    await press(text(page).getByRole('link', { name: 'the table of safe hours' }));
    await frame(page);
    await page.keyboard.press('Control+Alt+Enter');
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Tides and addresses');
    expect(await lit(page)).toBe('Safe hours');
    await reference(page, /^1 Skerrow Head/).click();
    await frame(page);
    await page.keyboard.press('Control+Alt+Enter');
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Skerrow Head');
    await page.keyboard.press('Alt+ArrowLeft');
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Tides and addresses');
    await page.keyboard.press('Alt+ArrowLeft');
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Before you set out');
    await expect(slip(page)).toContainText('in “Tides and addresses”');
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Skerrow Head');
    // A line of a list leads on this very screen.
    await turnTo(page, 'Questions at the quay');
    await text(page)
      .getByText('A.1 Can I take children?')
      .click({ modifiers: ['Control'] });
    await expect.poll(() => lit(page)).toBe('Can I take children?');
  });
});

test.describe('a reference', () => {
  test('offers the forms that mean something there, each as it reads now, and stays live', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await selectWords(page, 'the Larders');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('gannel-point the light');
    await slip(page).getByLabel('Leads to').fill('2.2');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    const reads = slip(page).getByLabel('Reads');
    await expect(reads.getByRole('option')).toHaveText([
      'Words that I write',
      'Its words: The light',
      'Its number: 2.2',
      'Its number and words: 2.2 The light',
      /Its page: page/,
      'Above or below: below',
      'My words around these',
    ]);
    await reads.selectOption({ label: 'Its number and words: 2.2 The light' });
    await expect(slip(page).getByTestId('heard-as')).toHaveText('Heard as “link, 2.2 The light”');
    await slip(page)
      .getByRole('button', { name: /Make the link/ })
      .click();
    await expect(reference(page, '2.2 The light')).toBeVisible();
    await turnTo(page, 'Gannel Point');
    await press(text(page).getByRole('heading', { name: 'The light' }));
    await page.keyboard.press('End');
    await page.keyboard.type(' on legs');
    await turnTo(page, 'Skerrow Head');
    await expect(reference(page, '2.2 The light on legs')).toBeVisible();
    await reference(page, '2.2 The light on legs').click();
    await reads.selectOption({ label: 'My words around these' });
    await slip(page).getByLabel('My words', { exact: true }).fill('as is told in , I think');
    await slip(page).getByLabel('My words', { exact: true }).press('Home');
    for (let step = 0; step < 'as is told in '.length; step++) await page.keyboard.press('ArrowRight');
    await slip(page).getByRole('button', { name: 'its number', exact: true }).click();
    await expect(slip(page).getByTestId('reads-now')).toContainText('as is told in 2.2, I think');
    await slip(page)
      .getByRole('button', { name: /Change it/ })
      .click();
    await expect(reference(page, 'as is told in 2.2, I think')).toBeVisible();
    await reference(page, 'as is told in').click();
    await reads.selectOption({ label: 'Words that I write' });
    await slip(page).getByLabel('Link text').fill('the light on legs');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'the light on legs' })).toBeVisible();
  });

  test('reads the page of its place, as the pages are set', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Tides and addresses');
    await expect(reference(page, /^page \d+$/)).toHaveCount(10, { timeout: 15_000 });
  });

  test('to a bookmark offers no number', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Six keepers');
    await selectWords(page, 'a shoebox');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('the refuge at');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(
      slip(page)
        .getByLabel('Reads')
        .getByRole('option', { name: /number/ }),
    ).toHaveCount(0);
    await page.keyboard.press('Escape');
  });
});

test('headings, figures and tables are counted in one scheme; a heading can be left out', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Tides and addresses');
  const number = (name: string) => text(page).getByRole('heading', { name }).getAttribute('data-number');
  await expect.poll(() => number('Who to ask')).toBe('B.3');
  await press(text(page).getByRole('heading', { name: 'Who to ask' }));
  await page.keyboard.press('Home');
  await page.keyboard.press('Enter');
  await expect.poll(() => number('Who to ask')).toBe('B.3');
  await page.keyboard.press('Control+z');
  await expect.poll(() => number('Who to ask')).toBe('B.3');
  await press(text(page).getByRole('heading', { name: 'Where to find what' }));
  await page.getByRole('button', { name: 'Heading', exact: true }).click();
  await page.getByRole('menuitemcheckbox', { name: 'This heading is numbered' }).click();
  await expect.poll(() => number('Who to ask')).toBe('B.2');
  await openStructure(page);
  await structure(page)
    .getByLabel(/^Part I/)
    .check();
  await useStructure(page);
  await expect(outline(page).getByRole('link', { name: /Part I\s*Skerrow Head/ })).toBeVisible();
  await expect(reference(page, 'Part I Skerrow Head')).toBeVisible();
  await openStructure(page);
  await structure(page).getByLabel('No numbers').check();
  await useStructure(page);
  await expect.poll(() => number('Who to ask')).toBeNull();
  await expect(reference(page, /^Skerrow Head$/)).toBeVisible();
  await openStructure(page);
  await structure(page).getByLabel('1, 1.1, 1.1.1').check();
  await useStructure(page);
  await expect(reference(page, '1 Skerrow Head')).toBeVisible();
});
