import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { epubFiles, zip } from '@vennet/core/testing';
import {
  expect,
  frame,
  margin,
  openChapter,
  outline,
  saved,
  selectWords,
  slip,
  test,
  text,
  turnTo,
} from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const marks = (page: Page): Locator => text(page).locator('.note-mark');
const noteSlip = (page: Page): Locator => page.getByRole('group', { name: 'Slip of the note' });
const words = (page: Page): Locator => noteSlip(page).getByRole('textbox', { name: 'Words of the note' });
const structure = (page: Page) => page.getByRole('dialog', { name: 'The structure of the book' });

async function caretAfter(page: Page, phrase: string): Promise<void> {
  await selectWords(page, phrase);
  await page.keyboard.press('ArrowRight');
  await frame(page);
}

/** Makes the web page, whose computed links are all found, and gives its text. */
async function webPage(page: Page): Promise<string> {
  await page.getByRole('link', { name: 'Publish' }).click();
  const panel = page.getByRole('region', { name: 'Web page' });
  const begun = page.waitForResponse((response) => response.request().method() === 'POST');
  await panel.getByRole('button', { name: 'Make the web page' }).click();
  const { id } = (await (await begun).json()) as { id: string };
  await expect(panel.getByRole('link', { name: 'Download' })).toHaveAttribute('href', new RegExp(id), {
    timeout: 20_000,
  });
  await expect(panel.getByTestId('computed-proof')).toHaveText(/^(\d+) of \1 computed links/);
  const download = page.waitForEvent('download');
  await panel.getByRole('link', { name: 'Download' }).click();
  return readFile(await (await download).path(), 'utf8');
}

test.describe('a note', () => {
  test('is put in by key, written in the margin with emphasis and a link, numbered, and undone', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Gannel Point');
    await expect(marks(page)).toHaveText(['1', '2']);
    await caretAfter(page, 'has twenty-six rungs');
    await page.keyboard.press('Control+Alt+n');
    await expect(words(page)).toBeFocused();
    await page.keyboard.type('Counted ');
    await page.keyboard.press('Control+i');
    await page.keyboard.type('twice');
    await page.keyboard.press('Control+i');
    await page.keyboard.type(', see the log');
    await page.keyboard.press('Control+Shift+ArrowLeft');
    await page.keyboard.press('Control+k');
    await expect(noteSlip(page).getByLabel('Leads to')).toBeFocused();
    await page.keyboard.insertText('orrin-archive.example/keepers-logs');
    await page.keyboard.press('Enter');
    await expect(words(page).getByRole('link', { name: 'log' })).toHaveAttribute(
      'href',
      'https://orrin-archive.example/keepers-logs',
    );
    await expect(words(page).locator('em')).toHaveText('twice');
    await expect(marks(page)).toHaveText(['1', '2', '3']);
    await saved(page);
    const made = async () => (await vennet.links(book)).filter(({ text: said }) => said === 'log').length;
    await expect.poll(made).toBe(1);
    await page.keyboard.press('Escape');
    await expect(text(page)).toBeFocused();
    await page.keyboard.press('Home');
    await expect(margin(page).getByRole('button', { name: /Counted twice, see the log/ })).toContainText('3');
    await marks(page).nth(2).click();
    await noteSlip(page).getByRole('button', { name: 'Remove the note' }).click();
    await expect(marks(page)).toHaveCount(2);
    await page.keyboard.press('Control+z');
    await expect(marks(page)).toHaveText(['1', '2', '3']);
  });

  test('may have several marks, with a return for each in the author’s words', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await caretAfter(page, 'any shoes');
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await noteSlip(page).getByLabel('Or lead to a note that is there').selectOption({ index: 2 });
    await expect(marks(page)).toHaveText(['1', '2', '1']);
    await marks(page).nth(0).click();
    await expect(noteSlip(page)).toContainText('Its marks');
    await noteSlip(page).getByLabel('Words of its way back').fill('up again');
    await noteSlip(page).getByLabel('Words of its way back').press('Enter');
    await saved(page);
    const html = await webPage(page);
    expect(html).toMatch(/role="doc-backlink"[^>]*>up again 1<\/a> <a[^>]*>up again 2<\/a>/);
    await page.setContent(html);
    const [note] = await page.locator('a[role="doc-noteref"]', { hasText: '1' }).all();
    await note.click();
    await expect(page).toHaveURL(/#/);
  });

  test('stands where the author says, counted through the book when that is chosen', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Six keepers');
    await expect(marks(page).first()).toHaveText('1');
    await page.getByRole('button', { name: 'Structure' }).click();
    await structure(page).getByLabel('Through the book').check();
    await structure(page).getByLabel('After the text of the book').check();
    await structure(page).getByLabel('Words of the way back').fill('Return');
    await structure(page).getByRole('button', { name: 'Use this structure' }).click();
    await expect(marks(page).first()).not.toHaveText('1');
    const html = await webPage(page);
    expect(html.match(/<section class="notes"/g)).toHaveLength(1);
    expect(html).toContain('>Return<');
    await page.getByRole('button', { name: 'Take it back' }).click();
  });

  test('made by hand becomes a real one, after looking through what was found', async ({
    page,
    vennet,
  }, testInfo) => {
    const chapter = `<body><h1>Tides</h1><p id="p1">The moon <a href="#n1">1</a> and the sun <a href="#n2">2</a> pull.</p><p>Twice <a href="#n1">1</a> a day.</p>
      <h2>Notes</h2><ol><li id="n1">So it is said. <a href="#p1">Back</a></li><li id="n2">Less so.</li></ol></body>`;
    await page.goto(vennet.address);
    await page.getByRole('button', { name: 'Bring in a book' }).click();
    const path = testInfo.outputPath('hand.epub');
    const { writeFile } = await import('node:fs/promises');
    await writeFile(path, zip(epubFiles({ 'a.xhtml': chapter })));
    await page.getByLabel(/choose it/).setInputFiles(path);
    await page.getByRole('link', { name: 'Open the book' }).click();
    await text(page).getByRole('link', { name: '2' }).click();
    await expect(slip(page)).toContainText('has no way back');
    await page.getByRole('button', { name: 'Structure' }).click();
    await expect(
      structure(page).getByRole('list', { name: 'Notes made by hand' }).getByRole('listitem'),
    ).toHaveCount(3);
    await structure(page).getByRole('button', { name: 'Make real notes of 3' }).click();
    await expect(marks(page)).toHaveText(['1', '2', '1']);
    await expect(text(page).getByRole('heading', { name: 'Notes' })).toHaveCount(0);
    await marks(page).first().click();
    await expect(words(page)).toHaveText('So it is said.');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(text(page).getByRole('heading', { name: 'Notes' })).toBeVisible();
  });
});

test.describe('a list of contents', () => {
  test('is put in, follows the headings, and each answer leads back to it', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Six keepers');
    await text(page).getByText('A chapter without a walk').click();
    await page.getByRole('button', { name: 'Put in' }).click();
    await page.getByRole('menuitem', { name: /A question list/ }).click();
    const list = text(page).locator('.contents-list');
    await expect(list).toContainText('7.1 The widow at Skerrow');
    const form = page.getByRole('group', { name: 'Slip of the list' });
    await expect(form.getByLabel('Lists the headings of')).toContainText('This section: Six keepers');
    await form.getByLabel('Words of the way back').fill('To the six');
    await form.getByLabel('Words of the way back').press('Tab');
    await text(page).getByRole('heading', { name: 'The tuner' }).click();
    await page.keyboard.press('End');
    await page.keyboard.type(' of pianos');
    await expect(list).toContainText('7.5 The tuner of pianos');
    const html = await webPage(page);
    expect(html.match(/>To the six</g)).toHaveLength(6);
  });

  test('of the whole book goes as deep as is chosen, and says what it leaves out', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Before you set out');
    await text(page).getByText('There are two great lighthouses').click();
    await page.getByRole('button', { name: 'Put in' }).click();
    await page.getByRole('menuitem', { name: /A list of the whole book/ }).click();
    const form = page.getByRole('group', { name: 'Slip of the list' });
    await form.getByLabel('How many levels deep').selectOption('1');
    await expect(text(page).locator('.contents-line')).toHaveCount(10);
    await expect(form.getByRole('list', { name: 'Findings' })).toContainText(/leaves out \d+ headings/);
    await form.getByRole('button', { name: 'Go one level deeper' }).click();
    await expect(text(page).locator('.contents-line').nth(12)).toBeVisible();
    await form.getByRole('button', { name: 'Remove the list' }).click();
  });
});

test('return links are put in by hand, and after each section by one choice', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Skerrow Head');
  await caretAfter(page, 'larger than the programme deserved');
  await page.getByRole('button', { name: 'Put in' }).click();
  await page.getByRole('menuitem', { name: /where readers came from/ }).click();
  const form = page.getByRole('group', { name: 'Slip of the return link' });
  await expect(form.getByLabel('Leads back')).toHaveValue('origin');
  await form.getByLabel('Leads back').selectOption('To the top of the book');
  await form.getByLabel('Link text').fill('Up to the top');
  await form.getByLabel('Link text').press('Tab');
  await expect(text(page).locator('.return-link')).toHaveText('Up to the top');
  await page.getByRole('button', { name: 'Structure' }).click();
  await structure(page).getByLabel('After each section of').selectOption('level 1');
  await structure(page).getByLabel('To where readers came from').check();
  await structure(page).getByRole('button', { name: 'Use this structure' }).click();
  const html = await webPage(page);
  expect(html).toContain('<a href="#book-top">Up to the top</a>');
  expect(html.match(/>To the contents</g)?.length).toBe(10);
  // The chart of the first chapter leads to Skerrow Head, and so does the table at the end.
  expect(html).toMatch(/>Back to What the Sound|>Back to Manners on the path|>Back to Where to find what/);
  await page.getByRole('button', { name: 'Take it back' }).click();
});

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
      (await vennet.links(book)).filter(({ kind, verdict }) => kind === 'place' && verdict === 'broken')
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
    const ids = async () => (await vennet.links(book)).map(({ id }) => id).sort();
    const before = await ids();
    await text(page).getByText('The hours in which the sands').click();
    await selectWords(page, 'Do not set out on them without the ');
    await text(page).getByText('The hours in which the sands').click({ clickCount: 3 });
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
    await text(page).getByText('The hours in which the sands').click({ clickCount: 3 });
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
    await text(page).getByRole('link', { name: 'How glims were measured' }).click();
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
    await page.getByRole('link', { name: 'Publish' }).click();
    const panel = page.getByRole('region', { name: 'E-book' });
    await panel.getByRole('button', { name: 'All 10 chapters go in' }).click();
    await panel.getByLabel('Before you set out').uncheck();
    await expect(panel).toContainText(/\d+ links into chapters that are left out/);
    await page.getByRole('link', { name: 'Write' }).click();
    await turnTo(page, 'Gannel Point');
    await text(page).getByRole('link', { name: 'what is said about the tides' }).first().click();
    await expect(slip(page)).toContainText('a chapter that is left out of the e-book');
    await page.getByRole('link', { name: 'Publish' }).click();
    await panel.getByRole('button', { name: '9 of 10 chapters go in' }).click();
    await panel.getByLabel('Before you set out').check();
    await expect(panel.getByRole('button', { name: 'All 10 chapters go in' })).toBeVisible();
  });
});
