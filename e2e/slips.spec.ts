import type { Page } from '@playwright/test';
import {
  caretAfter,
  expect,
  margin,
  openChapter,
  outline,
  press,
  saved,
  selectWords,
  slip,
  test,
  text,
  turnTo,
} from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const link = (page: Page, name: string) => text(page).getByRole('link', { name, exact: true });
const draft = (page: Page) => margin(page).getByRole('button', { name: /^New link, not finished/ });
const figure = (page: Page) => text(page).locator('figure').first();

/** A new link on some words, with an address that is written. */
async function begin(page: Page, words: string, address: string): Promise<void> {
  await selectWords(page, words);
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText(address);
}

test.describe('Enter accepts in one press', () => {
  test('from every field of the slip of a link', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    const fields = [
      ['Leads to', 'two wells'],
      ['Link text', 'whale oil'],
      ['Hover note', 'eleven feet high'],
      ['A look of its own', 'a handwriting'],
    ] as const;
    for (const [field, words] of fields) {
      await begin(page, words, 'lens-makers.example/oil');
      await slip(page).getByLabel(field).press('Enter');
      await expect(text(page)).toBeFocused();
      await expect(link(page, words)).toHaveAttribute('href', 'https://lens-makers.example/oil');
    }
  });

  test('in the slips of a picture, of a link area, of a bookmark and of a note', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The Three Brothers');
    await figure(page)
      .getByRole('img')
      .click({ position: { x: 10, y: 10 } });
    const alt = slip(page).getByLabel('Alternative text');
    await alt.fill('Three towers');
    await alt.press('Shift+Enter');
    await page.keyboard.type('in a row');
    await expect(alt).toHaveValue('Three towers\nin a row');
    await alt.press('Enter');
    await expect(text(page)).toBeFocused();
    await expect(figure(page).getByRole('img')).toHaveAttribute('alt', 'Three towers\nin a row');
    await page.getByRole('button', { name: 'Link area: Middle' }).click();
    await slip(page).getByLabel('Frame').selectOption('Framed, dotted');
    await slip(page).getByLabel('Frame').press('Enter');
    await expect(text(page)).toBeFocused();
    await expect(page.getByRole('button', { name: 'Link area: Middle' })).toHaveCSS(
      'border-top-style',
      'dotted',
    );

    await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'a bench, a lamp');
    await page.keyboard.press('Control+Alt+b');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('form', { name: 'Slip of the bookmark' })).toBeVisible();
    await caretAfter(page, 'has twenty-six rungs');
    await page.keyboard.press('Control+Alt+n');
    await page.keyboard.type('Counted twice.');
    await page.keyboard.press('Control+Enter');
    await page.keyboard.type('And once more.');
    await page.keyboard.press('Enter');
    await expect(text(page)).toBeFocused();
    await page.keyboard.type(' or so');
    await expect(text(page)).toContainText(/has twenty-six rungs\d or so/);
    await press(text(page).locator('.note-mark').nth(2));
    const words = page.getByRole('textbox', { name: 'Words of the note' });
    await expect(words.locator(':scope > *')).toHaveText(['Counted twice.', 'And once more.']);
  });
});

test('Esc sets back and closes; the slip opens again when it is asked for, or pressed', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Skerrow Head');
  await press(link(page, 'click here'));
  const note = slip(page).getByLabel('Hover note');
  await note.fill('Half an idea');
  await note.press('Escape');
  await expect(text(page)).toBeFocused();
  await expect(slip(page)).toHaveCount(0);
  await page.keyboard.press('Control+k');
  await expect(note).toHaveValue('');
  await expect(slip(page).getByLabel('Leads to')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(slip(page)).toHaveCount(0);
  await press(link(page, 'click here'));
  await expect(slip(page)).toBeVisible();

  await openChapter(page, vennet, 'The Three Brothers');
  const picture = figure(page).getByRole('img');
  await figure(page)
    .locator('.picture-frame')
    .click({ position: { x: 10, y: 10 } });
  const alt = await picture.getAttribute('alt');
  await slip(page).getByLabel('Alternative text').fill('Half an idea');
  await page.keyboard.press('Escape');
  await expect(slip(page)).toHaveCount(0);
  await expect(picture).toHaveAttribute('alt', alt ?? '');
  await figure(page)
    .locator('.picture-frame')
    .click({ position: { x: 10, y: 10 } });
  await expect(slip(page)).toBeVisible();
});

test.describe('leaving by clicking in the text', () => {
  const elsewhere = (page: Page) => press(text(page).getByRole('heading', { level: 1 }));

  test('keeps what is valid and sets back what is not', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await press(link(page, 'click here'));
    const href = await link(page, 'click here').getAttribute('href');
    await slip(page).getByLabel('Hover note').fill('Opens in spring');
    await slip(page).getByLabel('Leads to').fill('not an address at all');
    await elsewhere(page);
    await press(link(page, 'click here'));
    await expect(slip(page).getByLabel('Hover note')).toHaveValue('Opens in spring');
    await expect(link(page, 'click here')).toHaveAttribute('href', href ?? '');
  });

  test('makes a new link that is whole, and lets one go of which nothing was said', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    await begin(page, 'slippery', 'lens-makers.example/rocks');
    await elsewhere(page);
    await expect(link(page, 'slippery')).toHaveAttribute('href', 'https://lens-makers.example/rocks');
    await page.keyboard.press('Control+z');
    await expect(link(page, 'slippery')).toHaveCount(0);
    await begin(page, 'slippery', '');
    await elsewhere(page);
    await expect(slip(page)).toHaveCount(0);
    await expect(draft(page)).toHaveCount(0);
  });

  test('leaves a half-made link as a draft slip, which undo knows of', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await begin(page, 'the inland side', 'the tide tables');
    await slip(page).getByLabel('Hover note').fill('From the harbour');
    await elsewhere(page);
    await expect(slip(page)).toHaveCount(0);
    await expect(draft(page)).toHaveText('New link, not finished: the inland side');
    await page.keyboard.press('Control+z');
    await expect(draft(page)).toHaveCount(0);
    await page.keyboard.press('Control+y');
    await expect(draft(page)).toHaveCount(1);

    // It moves with its words, and is there after another chapter and after the page was loaded anew.
    await caretAfter(page, 'In May and June');
    await page.keyboard.type(' mostly');
    await turnTo(page, 'Gannel Point');
    await turnTo(page, 'Skerrow Head');
    await expect(draft(page)).toHaveText('New link, not finished: the inland side');
    await saved(page);
    await page.reload();
    await draft(page).click();
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('the tide tables');
    await expect(slip(page).getByLabel('Hover note')).toHaveValue('From the harbour');
    await slip(page).getByLabel('Leads to').fill('orrin-tides.example/tables');
    await page.keyboard.press('Enter');
    await expect(link(page, 'the inland side')).toHaveAttribute('href', 'https://orrin-tides.example/tables');
    await expect(draft(page)).toHaveCount(0);
  });

  test('leaves a half-made link in a note with the note', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await press(text(page).locator('.note-mark').first());
    const words = page.getByRole('textbox', { name: 'Words of the note' });
    await press(words);
    await page.keyboard.press('Control+Shift+ArrowLeft');
    await page.keyboard.press('Control+k');
    await page.keyboard.insertText('somewhere else');
    await press(text(page).getByRole('heading', { level: 1 }));
    await expect(draft(page)).toHaveCount(1);
    await draft(page).click();
    await expect(page.getByRole('form', { name: 'Slip of a new link' }).getByLabel('Leads to')).toHaveValue(
      'somewhere else',
    );
  });
});

test.describe('the button that is pressed is the one that acts', () => {
  test('while suggestions are open', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await begin(page, 'two thousandth step', 'weather-sound.example');
    await slip(page).getByLabel('Leads to').pressSequentially('/f');
    await expect(slip(page).getByRole('option').first()).toBeVisible();
    await slip(page)
      .getByRole('button', { name: /Make the link/ })
      .click();
    await expect(link(page, 'two thousandth step')).toHaveAttribute(
      'href',
      'https://weather-sound.example/f',
    );
    await page.getByRole('link', { name: 'Register' }).click();
    await page.getByRole('button', { name: /weather-sound.example.f$/ }).click();
    const field = page.getByRole('form', { name: 'Correct the address' }).getByLabel('Leads to');
    await field.fill('weather-sound.example/for');
    await expect(page.getByRole('option').first()).toBeVisible();
    await page.getByRole('button', { name: /Correct it/ }).click();
    await expect(page.getByRole('button', { name: /weather-sound.example.for$/ })).toBeVisible();
    // The author goes on with the row that has come to stand there.
    await expect(page.locator('[aria-expanded]:focus')).toHaveCount(1);
  });

  test('while the slip above it closes', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await press(link(page, 'click here'));
    await slip(page).getByLabel('Hover note').fill('Something new');
    // Which is the last one may change while the page is still being laid out.
    const href = (await margin(page).getByRole('button').last().getAttribute('title')) ?? '';
    await margin(page).getByTitle(href, { exact: true }).last().click({ delay: 80 });
    await expect(slip(page).getByLabel('Leads to')).toHaveValue(href);
  });
});

test('a link area that is drawn with the mouse can be made', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The Three Brothers');
  const picture = figure(page).getByRole('img');
  await picture.click({ position: { x: 10, y: 10 } });
  const box = (await picture.boundingBox())!;
  await page.mouse.move(box.x + 21, box.y + 33);
  await page.mouse.down();
  await page.mouse.move(box.x + 77, box.y + 95, { steps: 4 });
  await page.mouse.up();
  const form = page.getByRole('form', { name: 'Slip of a new link area' });
  await form.getByLabel('Leads to').fill('lamp-trust.example/corner');
  await form.getByLabel('Name, for those').fill('The corner');
  await form.getByRole('button', { name: /Make the link area/ }).click();
  await expect(page.getByRole('button', { name: 'Link area: The corner' })).toBeVisible();
  await page.getByRole('button', { name: 'Link area: The corner' }).focus();
  await page.keyboard.press('Delete');
});

test('a link area that was drawn and left half-made stays with its picture', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The Three Brothers');
  const picture = figure(page).getByRole('img');
  await picture.click({ position: { x: 10, y: 10 } });
  await slip(page).getByRole('button', { name: 'Add one in the middle' }).click();
  await slip(page).getByLabel('Name, for those').fill('The bell');
  await press(text(page).getByRole('heading', { level: 1 }));
  const kept = margin(page).getByRole('button', { name: 'New link area, not finished' });
  await kept.click();
  await expect(slip(page).getByLabel('Name, for those')).toHaveValue('The bell');
  await slip(page).getByRole('button', { name: 'Not now' }).click();
  await expect(kept).toHaveCount(0);
});

test('a shorter link text is accepted with the caret inside the link', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Skerrow Head');
  const last = text(page).getByRole('link').last();
  await press(last);
  await page.keyboard.press('Control+k');
  await slip(page).getByLabel('Link text').fill('x');
  await page.keyboard.press('Enter');
  await expect(link(page, 'x')).toBeVisible();
  await page.keyboard.press('Control+z');
});

test('after the link of a picture is removed, the text has the focus', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The Three Brothers');
  await figure(page)
    .getByRole('img')
    .click({ position: { x: 10, y: 10 } });
  await slip(page).getByLabel('Leads to').fill('lamp-trust.example/brothers');
  await page.keyboard.press('Enter');
  await slip(page).getByRole('button', { name: 'Remove', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(text(page)).toBeFocused();
});

test('pressed twice, “Start” and “Add a chapter” make one; the caret waits in the text', async ({
  page,
  vennet,
}) => {
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Start a book' }).click();
  await page.getByLabel('Title').fill('Twice');
  await page.getByRole('button', { name: 'Start', exact: true }).dblclick();
  await expect(text(page)).toBeFocused();
  await page.keyboard.type('First words');
  await expect(text(page)).toContainText('First words');
  expect((await vennet.api.books()).filter(({ title }) => title === 'Twice')).toHaveLength(1);
  await page.getByRole('button', { name: 'Add a chapter' }).dblclick();
  await expect(outline(page).getByRole('link')).toHaveCount(2);
  await expect(text(page)).toBeFocused();
  await expect(text(page)).not.toContainText('First words');
  await page.keyboard.type('Two words and ');
  await page.keyboard.press('Enter');
  await page.keyboard.type('a line');
  await saved(page);
  const book = await vennet.book('Twice');
  expect(book.chapters).toHaveLength(2);
  expect(JSON.stringify(book.chapters[1]!.doc)).toContain('Two words and ');
});

test('a link into another book shows its place, and Alt+Left leads back', async ({ page, vennet }) => {
  const id = await openChapter(page, vennet, 'Skerrow Head');
  const words = await vennet.book('A Keeper’s Word List').catch(() => null);
  const links = (await vennet.api.links(id)).filter(({ kind }) => kind === 'book');
  expect([words !== null, links.length > 0]).toEqual([true, true]);
  const { chapter, text: said } = links.at(-1)!;
  await page.goto(`${vennet.address}/books/${id}/write/${chapter}`);
  await press(link(page, said));
  await page.keyboard.press('Control+Alt+Enter');
  await expect(page).not.toHaveURL(new RegExp(id));
  await expect(text(page)).toBeFocused();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page).toHaveURL(new RegExp(id));
  await expect(link(page, said)).toBeVisible();
});
