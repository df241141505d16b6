import { readFile } from 'node:fs/promises';
import { strFromU8, unzipSync } from 'fflate';
import type { Locator, Page } from '@playwright/test';
import { epubFiles, zip } from '@vennet/core/testing';
import {
  press,
  caretAfter,
  expect,
  made,
  margin,
  marks,
  openChapter,
  openStructure,
  saved,
  slip,
  startBook,
  structure,
  test,
  text,
  useStructure,
  openForm,
} from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const noteSlip = (page: Page): Locator => page.getByRole('group', { name: 'Slip of the note' });
const words = (page: Page): Locator => noteSlip(page).getByRole('textbox', { name: 'Words of the note' });

/** Makes the web page, whose computed links are all found, and gives its text. */
async function webPage(page: Page): Promise<string> {
  const panel = await openForm(page, 'Web page');
  const begun = page.waitForResponse(
    (response) => response.request().method() === 'POST' && response.url().endsWith('/exports'),
  );
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
    const made = async () => (await vennet.api.links(book)).filter(({ text: said }) => said === 'log').length;
    await expect.poll(made).toBe(1);
    await page.keyboard.press('Escape');
    await expect(text(page)).toBeFocused();
    await page.keyboard.press('Home');
    await expect(margin(page).getByRole('button', { name: /Counted twice, see the log/ })).toContainText('3');
    await press(marks(page).nth(2));
    await noteSlip(page).getByRole('button', { name: 'Remove the note' }).click();
    await expect(marks(page)).toHaveCount(2);
    await page.keyboard.press('Control+z');
    await expect(marks(page)).toHaveText(['1', '2', '3']);
  });

  test('that is gone to stays when words are typed or pasted there', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    const before = await marks(page).count();
    await press(marks(page).first());
    await page.keyboard.type(' So it is.');
    await expect(text(page)).toContainText('1 So it is.');
    await press(marks(page).nth(1));
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.evaluate(() => navigator.clipboard.writeText(' Or nearly.'));
    await page.keyboard.press('Control+v');
    await expect(text(page)).toContainText('2 Or nearly.');
    await expect(marks(page)).toHaveCount(before);
  });

  test('may have several marks, with a return for each in the author’s words', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await caretAfter(page, 'any shoes');
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await noteSlip(page).getByLabel('Or lead to a note that is there').selectOption({ index: 2 });
    await expect(marks(page)).toHaveText(['1', '2', '1']);
    await press(marks(page).nth(0));
    await expect(noteSlip(page)).toContainText('Its marks');
    await noteSlip(page).getByLabel('Words of its way back').fill('up again');
    await noteSlip(page).getByLabel('Words of its way back').press('Enter');
    await saved(page);
    const html = await webPage(page);
    expect(html).toMatch(/role="doc-backlink"[^>]*>up again 1<\/a> <a[^>]*>up again 2<\/a>/);
    await page.setContent(html);
    const [note] = await page.locator('a[role="doc-noteref"]', { hasText: '1' }).all();
    await note!.click();
    await expect(page).toHaveURL(/#/);
  });

  test('stays with its other marks when the one that brought it is removed', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    const before = await marks(page).allTextContents();
    await caretAfter(page, 'two wells');
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.keyboard.type('One is dry.');
    await caretAfter(page, 'click here');
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    const other = noteSlip(page).getByLabel('Or lead to a note that is there');
    await other.selectOption({ label: (await other.getByText('One is dry.').innerText()).trim() });
    await expect(marks(page)).toHaveCount(before.length + 2);
    const [at] = await marks(page).evaluateAll((all) =>
      all.flatMap((mark, index) =>
        all.some((one, other) => other > index && one.textContent === mark.textContent) ? [index] : [],
      ),
    );
    await press(marks(page).nth(at!));
    await noteSlip(page).getByRole('button', { name: 'Remove this mark' }).click();
    await expect(marks(page)).toHaveCount(before.length + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(marks(page)).toHaveCount(before.length + 2);
    await press(marks(page).nth(at!));
    await noteSlip(page).getByRole('button', { name: 'Remove the note' }).click();
    await expect(marks(page)).toHaveText(before);
  });

  test('stands where the author says, counted through the book when that is chosen', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Six keepers');
    await expect(marks(page).first()).toHaveText('1');
    await openStructure(page);
    await structure(page).getByLabel('Through the book').check();
    await structure(page).getByLabel('After the text of the book').check();
    await structure(page).getByLabel('Words of the way back').fill('Return');
    await useStructure(page);
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
    await page.getByRole('button', { name: 'Take these chapters' }).click();
    await page.getByRole('link', { name: 'Open the book' }).click();
    await press(text(page).getByRole('link', { name: '2' }));
    await expect(slip(page)).toContainText('has no way back');
    await openStructure(page);
    await expect(
      structure(page).getByRole('list', { name: 'Notes made by hand' }).getByRole('listitem'),
    ).toHaveCount(3);
    await structure(page).getByRole('button', { name: 'Make real notes of 3' }).click();
    await expect(marks(page)).toHaveText(['1', '2', '1']);
    await expect(text(page).getByRole('heading', { name: 'Notes' })).toHaveCount(0);
    await press(marks(page).first());
    await expect(words(page)).toHaveText('So it is said.');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(text(page).getByRole('heading', { name: 'Notes' })).toBeVisible();
  });
});

test.describe('a list of contents', () => {
  test('is put in, follows the headings, and each answer leads back to it', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Six keepers');
    await press(text(page).getByText('A chapter without a walk'));
    await page.getByRole('button', { name: 'Put in' }).click();
    await page.getByRole('menuitem', { name: /A question list/ }).click();
    const list = text(page).locator('.contents-list');
    await expect(list).toContainText('7.1 The widow at Skerrow');
    const form = page.getByRole('group', { name: 'Slip of the list' });
    await expect(form.getByLabel('Lists the headings of')).toContainText('This section: Six keepers');
    await form.getByLabel('Words of the way back').fill('To the six');
    await form.getByLabel('Words of the way back').press('Tab');
    await press(text(page).getByRole('heading', { name: 'The tuner' }));
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
    await press(text(page).getByText('There are two great lighthouses'));
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
  await openStructure(page);
  await structure(page).getByLabel('After each section of').selectOption('level 1');
  await structure(page).getByLabel('To where readers came from').check();
  await useStructure(page);
  const html = await webPage(page);
  expect(html).toContain('<a href="#book-top">Up to the top</a>');
  expect(html.match(/>To the contents</g)?.length).toBe(10);
  // The chart of the first chapter leads to Skerrow Head, and so does the table at the end.
  expect(html).toMatch(/>Back to What the Sound|>Back to Manners on the path|>Back to Where to find what/);
  await page.getByRole('button', { name: 'Take it back' }).click();
});

test('a note is shared by marks of two chapters, each with its own words back; a question list shows its ways back', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Shared');
  await page.keyboard.type('One\nOil');
  await page.keyboard.press('Control+Alt+n');
  await page.keyboard.type('It came from whales.');
  await page.keyboard.press('Escape');
  await expect(text(page).locator('.note-mark')).toHaveText(['1']);
  await page.getByRole('button', { name: 'Add a chapter' }).click();
  await expect(text(page).locator('h1[data-hint]')).toBeVisible();
  await expect(text(page)).toBeFocused();
  await page.keyboard.type('Two\nOil again');
  await page.keyboard.press('Control+Alt+n');
  const note = noteSlip(page);
  await note.getByLabel('Or lead to a note that is there').selectOption({ label: '1 It came from whales.' });
  await press(text(page).locator('.note-mark'));
  await expect(note).toContainText('It came from whales.');
  await note.getByLabel('Words of the way back to this mark').fill('Back to Two');
  await note.getByLabel('Words of the way back to this mark').press('Tab');
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Put in', exact: true }).click();
  await page.getByRole('menuitem', { name: /A question list/ }).click();
  await page.keyboard.press('Escape');
  await text(page).locator('p').last().click();
  await page.keyboard.press('End');
  await page.keyboard.type('\n## How much?\nA cup.\n## How long?\nA night.');
  await expect(text(page).locator('.return-line')).toHaveText(['Back to the list', 'Back to the list']);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+Shift+z');
  await saved(page);
  const parts = unzipSync(await made(page, 'E-book', 'Make the e-book'));
  const all = Object.values(parts)
    .map((part) => strFromU8(part))
    .join('\n');
  expect(all).toMatch(/role="doc-backlink"[^>]*>Back 1<\/a>[^]*role="doc-backlink"[^>]*>Back to Two<\/a>/);
});
