import type { Page } from '@playwright/test';
import { PIXEL } from '@vennet/core/testing';
import { axe } from './axe.js';
import {
  expect,
  frame,
  openChapter,
  outline,
  pasteHtml,
  press,
  saved,
  selectWords,
  slip,
  startBook,
  test,
  text,
  turnTo,
} from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

/** The caret at the end of the text. */
const atEnd = async (page: Page) => {
  await press(text(page).locator('p').first());
  await text(page)
    .locator('p')
    .last()
    .evaluate((paragraph) => {
      getSelection()?.selectAllChildren(paragraph);
      getSelection()?.collapseToEnd();
    });
  await frame(page);
};
const caption = (page: Page) => text(page).locator('caption');
const cells = (page: Page) => text(page).locator('table').last().locator('td, th');
const choose = async (page: Page, menu: string, item: string | RegExp) => {
  await page.getByRole('button', { name: menu, exact: true }).click();
  await page
    .getByRole('menuitem', { name: item, exact: true })
    .or(page.getByRole('menuitemcheckbox', { name: item, exact: true }))
    .click();
};
const table = (page: Page, item: string) => choose(page, 'Table', item);
const look = (page: Page, item: string | RegExp) => choose(page, 'Words', item);

test('a table is put in, filled by key, changed, linked in and undone', async ({ page, vennet }) => {
  const book = await openChapter(page, vennet, 'Lantern Rock');
  await atEnd(page);
  await page.keyboard.press('Control+Alt+t');
  await page.getByLabel('Rows').fill('2');
  await page.getByLabel('Columns').fill('2');
  await page.getByLabel('Caption').fill('Hours of the boat');
  await page.keyboard.press('Enter');
  await expect(text(page)).toBeFocused();
  for (const words of ['Day', 'Hour', 'Monday']) {
    await page.keyboard.type(words);
    await page.keyboard.press('Tab');
  }
  await page.keyboard.type('nine');
  await expect(cells(page)).toHaveText(['Day', 'Hour', 'Monday', 'nine']);
  await page.keyboard.press('Tab');
  await page.keyboard.type('Below. ');
  await expect(
    text(page)
      .locator('p')
      .filter({ hasText: /^Below\. / }),
  ).toHaveCount(1);

  await press(cells(page).last());
  await table(page, 'A row below');
  await table(page, 'A column after');
  await expect(cells(page)).toHaveCount(9);
  await table(page, 'Row down');
  await expect(cells(page).nth(6)).toHaveText('Monday');
  await table(page, 'Row up');
  await expect(cells(page).nth(3)).toHaveText('Monday');
  await table(page, 'Header column');
  await expect(text(page).locator('table').last().locator('th')).toHaveCount(5);
  await table(page, 'Remove the column');
  await page.keyboard.press('Control+z');
  await expect(cells(page)).toHaveCount(9);

  // Cells are selected by key, made one, and split again.
  await press(cells(page).nth(3));
  await page.keyboard.press('End');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(text(page).locator('.selectedCell')).not.toHaveCount(0);
  await table(page, 'Make one of the selected cells');
  await expect(cells(page)).not.toHaveCount(9);
  await table(page, 'Split the cell');
  await expect(cells(page)).toHaveCount(9);

  await selectWords(page, 'nine');
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('boat.example/hours');
  await expect(slip(page).getByTestId('taken-for')).toHaveText('Web page: https://boat.example/hours');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect
    .poll(async () =>
      (await vennet.api.links(book)).filter(({ text: words }) => words === 'nine').map(({ href }) => href),
    )
    .toEqual(['https://boat.example/hours']);
  await outline(page).getByLabel('Show all places').check();
  await expect(
    outline(page)
      .getByRole('button', { name: /Table .* Hours of the boat/ })
      .first(),
  ).toBeVisible();
  await expect(caption(page)).toHaveText('Hours of the boat');
  await press(cells(page).first());
  await table(page, 'Remove the table');
  await expect(text(page).locator('table')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(cells(page)).toHaveCount(9);
});

test('cells of a spreadsheet take their places in a table, and 2,000 rows are pasted', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'The harbour lamp');
  await press(text(page).locator('p').first());
  await page.keyboard.press('End');
  const paste = (html: string) =>
    text(page).evaluate((element, content) => {
      const data = new DataTransfer();
      data.setData('text/html', content);
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, html);
  await page.keyboard.press('Control+Alt+t');
  await page.keyboard.press('Enter');
  await expect(cells(page)).toHaveCount(9);
  await paste('<table><tr><td>a</td><td>b</td></tr><tr><td>c</td><td>d</td></tr></table>');
  await expect(cells(page)).toHaveText(['a', 'b', '', 'c', 'd', '', '', '', '']);
  await press(text(page).locator('p').last());
  await paste(`<table>${'<tr><td>one</td><td>two</td></tr>'.repeat(2000)}</table>`);
  await expect(text(page).locator('tr')).toHaveCount(2003);
  await saved(page);
});

test('pictures that come with pasted text are kept, those at an address are offered, and what is left out is told', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Before you set out');
  await atEnd(page);
  await page.keyboard.press('Enter');
  const pixel = Buffer.from(PIXEL).toString('base64');
  await pasteHtml(
    page,
    `<p>Pasted <img src="data:image/png;base64,${pixel}" alt="a dot"> words.</p><p>Away: <img src="https://nowhere.example/x.png"></p><p>Film: <video></video><img src="file:///tmp/x.png"></p>`,
  );
  await expect(text(page).getByRole('img', { name: 'a dot' })).toBeVisible();
  await expect(text(page)).toContainText('Pasted  words.');
  await expect(page.getByText('2 things were left out while pasting')).toBeVisible();
  await page.getByRole('button', { name: 'Fetch them' }).click();
  await expect(page.getByText('The picture at https://nowhere.example/x.png did not come')).toBeVisible();
  await expect(text(page).locator('[data-anchor]')).toHaveCount(0);
  await saved(page);
});

test('words are given looks and a language, signs are found by name, and what hides is shown', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Six keepers');
  await atEnd(page);
  await page.keyboard.press('Enter');
  await page.keyboard.type('ultima ratio');
  await selectWords(page, 'ultima ratio');
  await look(page, /In another language/);
  await page.getByRole('combobox', { name: 'Language' }).fill('Latin');
  await page.keyboard.press('Enter');
  await expect(text(page).locator('span[lang=la]')).toHaveText('ultima ratio');
  await look(page, 'Small capitals');
  await look(page, 'Struck through');
  await expect(text(page).locator('s .small-capitals, .small-capitals s')).toHaveText('ultima ratio');
  await page.getByRole('button', { name: 'Emphasis' }).click();
  await expect(page.getByRole('button', { name: 'Emphasis' })).toHaveAttribute('aria-pressed', 'true');
  await look(page, /Without any look/);
  await expect(text(page).locator('s, .small-capitals, span[lang=la]')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await look(page, /A special sign/);
  await page.getByLabel(/Its name/).fill('rightwards arrow');
  await page.keyboard.press('Enter');
  await expect(text(page)).toBeFocused();
  await page.keyboard.press('Control+Alt+Space');
  await page.keyboard.type('end');
  await expect(text(page)).toContainText('ultima ratio→\u00a0end');
  await look(page, /Show spaces/);
  await expect(text(page).locator('.unseen-nbsp')).toHaveCount(1);
  await look(page, /Show spaces/);
  await expect(text(page).locator('.unseen-nbsp')).toHaveCount(0);
  await page.keyboard.press('Enter');
  await page.keyboard.type('``` x = "1"');
  await expect(text(page).locator('pre').last()).toHaveText('x = "1"');
  await page.keyboard.press('Shift+Enter');
  await page.keyboard.type('--- > Said.');
  await expect(text(page).locator('hr')).toHaveCount(1);
  await expect(text(page).locator('blockquote').last()).toHaveText('Said.');
  // A name shows at a button that has the focus.
  await page.getByRole('button', { name: 'Strong' }).focus();
  await expect(page.locator('.name-shown')).toHaveText('Strong');
});

test('words are counted, found all over the book and replaced, one by one and all at once, with one undo', async ({
  page,
  vennet,
}) => {
  const book = await openChapter(page, vennet, 'Gannel Point');
  await expect(page.getByTestId('word-count')).toHaveText(/^chapter [\d,]+ words · book [\d,]+ words$/);
  await selectWords(page, 'two thousandth step');
  await expect(page.getByTestId('word-count')).toHaveText(/^3 selected · /);
  await page.keyboard.press('Control+Alt+f');
  const find = page.getByRole('searchbox', { name: 'Find' });
  await expect(find).toHaveValue('two thousandth step');
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('Control+Alt+f');
  await find.fill('photographs');
  await expect(page.getByTestId('hits')).toHaveText('Found 2 times');
  await page.keyboard.press('Enter');
  await expect(text(page).locator('.found-current')).toHaveText('photographs');
  await page.getByLabel('Put in its place').fill('pictures');
  await page.getByRole('button', { name: 'Replace this one' }).click();
  // It goes on to the next one, wherever that is.
  await expect
    .poll(async () =>
      (await vennet.api.links(book)).some(({ text: words }) => words === 'pictures of the wreck'),
    )
    .toBe(true);
  const before = (await vennet.api.links(book)).length;
  await find.fill('the');
  const many = /^Found [\d,]{3,} times$/;
  let hits = '';
  for (const narrower of ['Whole words only', 'Capitals as written']) {
    await expect(page.getByTestId('hits')).toHaveText(many);
    await expect(page.getByTestId('hits')).not.toHaveText(hits);
    hits = (await page.getByTestId('hits').textContent())!;
    await page.getByLabel(narrower).check();
  }
  await expect(page.getByTestId('hits')).not.toHaveText(hits);
  await expect(page.getByTestId('hits')).toHaveText(many);
  hits = (await page.getByTestId('hits').textContent())!;
  await page.getByLabel('Put in its place').fill('that');
  await page.getByRole('button', { name: 'Replace all' }).click();
  await expect(page.getByTestId('hits')).toHaveText(/Nothing is found|Found/, { timeout: 20_000 });
  await expect(page.getByText(/spots were replaced/)).toBeVisible();
  expect((await vennet.api.links(book)).length).toBe(before);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByTestId('hits')).toHaveText(hits, { timeout: 20_000 });
  await find.fill('lamp-trust.example');
  await page.getByLabel('In addresses of links too').check();
  await expect(page.getByText('Address:').first()).toBeVisible();
  await page.getByLabel('Put in its place').fill('lamp-trust.example');
  await expect(page.getByText('Both are the same')).toBeHidden();
  await page.getByLabel('Accents make no difference').uncheck();
  await expect(page.getByText('Both are the same: nothing would change.')).toBeVisible();
});

test('a version is kept by its name, read, compared, and a chapter of it brought back; undo goes over rooms', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'A round of five days');
  await page.getByRole('link', { name: /versions of this book/ }).click();
  await page.getByLabel('Name of this version').fill('As sent');
  await page.getByRole('button', { name: 'Keep the book as it is' }).click();
  const list = page.getByRole('list', { name: 'Versions' });
  await expect(list.getByText('As sent')).toBeVisible();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await turnTo(page, 'A round of five days');
  await press(text(page).locator('p').first());
  await page.keyboard.press('Home');
  await page.keyboard.type('Freshly said. ');
  await saved(page);
  await page.getByRole('link', { name: /versions of this book/ }).click();
  const seen = page.getByRole('region', { name: /^Version of/ });
  await expect(seen.getByText('2 more than then')).toBeVisible();
  await expect(seen.getByText('The same links.')).toBeVisible();
  await seen.getByRole('button', { name: 'Read “A round of five days”' }).click();
  await expect(seen.getByRole('region', { name: 'The text as it was' })).not.toContainText('Freshly');
  await seen.getByRole('button', { name: 'Bring back “A round of five days”' }).click();
  await expect(page.getByText('“A round of five days” is as it was then.')).toBeVisible();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await turnTo(page, 'A round of five days');
  await expect(text(page)).not.toContainText('Freshly');
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(text(page)).toContainText('Freshly said.');
  // What was typed is undone after another room and another chapter.
  await page.keyboard.type('Later. ');
  await saved(page);
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('link', { name: 'Write', exact: true }).click();
  await turnTo(page, 'Six keepers');
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('A round of five days');
  await expect(text(page)).not.toContainText('Later.');
  await expect(text(page)).toContainText('Freshly said.');
});

test('addresses are linked beside the signs around them, files are led to by their names, copies go to those nobody sees', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'Skerrow Head');
  await atEnd(page);
  await page.keyboard.press('Enter');
  await page.keyboard.type(
    'See (https://lamp.example/tides!) and «www.wick.example»; ada@lamp.example’s page. ',
  );
  for (const [words, href] of [
    ['https://lamp.example/tides', 'https://lamp.example/tides'],
    ['www.wick.example', 'https://www.wick.example/'],
    ['ada@lamp.example', 'mailto:ada@lamp.example'],
  ])
    await expect(text(page).getByRole('link', { name: words, exact: true })).toHaveAttribute('href', href!);
  await page.keyboard.type('the table of May');
  await selectWords(page, 'the table of May');
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('Tide-Table.pdf#page=2');
  await expect(slip(page).getByTestId('taken-for')).toContainText('File');
  await expect(slip(page).getByLabel('Page, or a named spot')).toHaveValue('2');
  await slip(page).getByLabel('Page, or a named spot').fill('May');
  await expect(slip(page)).toContainText('On the web page browsers go there.');
  await slip(page).getByLabel('Leads to').press('Enter');
  await expect(text(page).getByRole('link', { name: 'the table of May' })).toHaveAttribute(
    'data-destination',
    /nameddest=May/,
  );
  await page.keyboard.press('Enter');
  await page.keyboard.type('write to us');
  await selectWords(page, 'write to us');
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('a@lamps');
  await expect(slip(page)).toContainText('An email address has a dot in what follows the @');
  await slip(page).getByLabel('Leads to').fill('a@lamp.example');
  await slip(page).getByLabel('Bcc').fill('b@lamp.example');
  await slip(page).getByLabel('Leads to').press('Enter');
  await expect(text(page).getByRole('link', { name: 'write to us' })).toHaveAttribute(
    'href',
    'mailto:a@lamp.example?bcc=b@lamp.example',
  );
});

test('arrows select a picture as one step, Ctrl and a click follow a link, and what is done is said', async ({
  page,
  vennet,
}) => {
  await openChapter(page, vennet, 'The Three Brothers');
  await press(text(page).getByRole('heading', { level: 1 }));
  const selected = page.locator('.is-selected');
  // Two lines and the picture; keys that come faster than the browser tells of the caret don't jump over it.
  await Promise.all(Array.from({ length: 3 }, () => page.keyboard.press('ArrowDown')));
  await expect(selected).toHaveCount(1);
  await page.keyboard.press('ArrowDown');
  await expect(selected).toHaveCount(0);
  await page.keyboard.press('ArrowUp');
  await expect(selected).toHaveCount(1);
  await page.keyboard.press('ArrowUp');
  await expect(selected).toHaveCount(0);
  await page.keyboard.press('Alt+PageDown');
  await expect(page.getByRole('status').filter({ hasText: /^link, .+, unchecked$/ })).toHaveCount(1);
  await text(page)
    .getByRole('link', { name: 'the slip below the customs house' })
    .click({ modifiers: ['Control'] });
  await expect(page.getByRole('dialog', { name: /leads out of your book/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Vennet, to the Library' }).focus();
  await page.keyboard.press('Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(text(page)).toBeFocused();
});

test('a new book says what belongs where, and its four steps go one by one', async ({ page, vennet }) => {
  await startBook(page, vennet.address, 'First');
  await expect(text(page).locator('[data-hint="Title of this chapter"]')).toBeVisible();
  const steps = page.getByRole('region', { name: 'First steps' });
  await expect(steps.getByRole('listitem')).toHaveCount(4);
  await page.keyboard.type('A beginning');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type(`${'word '.repeat(20)}https://lamp.example/ `);
  await expect(steps.getByLabel('Done:')).toHaveCount(2);
  await expect(text(page).locator('[data-hint]')).toHaveCount(0);
  await steps.getByRole('button', { name: 'Put the first steps away' }).click();
  await expect(steps).toHaveCount(0);
  await page.getByRole('button', { name: 'Keys and guide' }).click();
  await page.getByRole('dialog').getByRole('searchbox').fill('guarded');
  await expect(page.getByRole('dialog')).toContainText('asks readers for something first');
});

test('spots without a name are led to by their sentence, their number or a press; one undo takes both back', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Spots');
  await page.keyboard.type('Morning\nThe keeper boils an egg. Afterwards he trims the wick of the lamp.\n');
  await page.keyboard.type(
    '1. Fill the lamp\nLight it\n\nSee the wick and the fire and the keeper and the fog.',
  );
  const leadsTo = slip(page).getByLabel('Leads to');
  const linked = (name: string) => text(page).getByRole('link', { name, exact: true });
  const leadFrom = async (words: string) => {
    await selectWords(page, words);
    await page.keyboard.press('Control+k');
    await expect(leadsTo).toBeFocused();
  };

  await leadFrom('the wick and');
  await leadsTo.pressSequentially('trims th');
  await page.getByRole('option', { name: /Afterwards he trims the wick of the lamp/ }).click();
  await expect(page.getByTestId('taken-for')).toContainText('It becomes a place when the link is made');
  await leadsTo.press('Enter');
  await expect(linked('the wick and')).toHaveAttribute('href', '#trims-the');
  await expect(text(page).locator('#trims-the')).toHaveText('trims the');
  await page.keyboard.press('Control+z');
  await expect(linked('the wick and')).toHaveCount(0);
  await expect(text(page).locator('#trims-the')).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect(linked('the wick and')).toHaveAttribute('href', '#trims-the');

  // “2” is no address: Enter takes the item that has it.
  await leadFrom('the fire');
  await leadsTo.pressSequentially('item 2');
  await expect(page.getByRole('option', { name: '2. Light it Item 2 in “Morning”' })).toBeVisible();
  await leadsTo.press('Enter');
  await press(linked('the fire'));
  await expect(page.getByTestId('taken-for')).toContainText('Light it');

  await leadFrom('the keeper and');
  const pointer = slip(page).getByRole('button', { name: 'Point at it in the text' });
  await pointer.click();
  await page.keyboard.press('Escape');
  await expect(pointer).toHaveAttribute('aria-pressed', 'false');
  await pointer.click();
  await text(page)
    .getByText('The keeper boils')
    .click({ position: { x: 130, y: 12 } });
  await expect(page.getByTestId('taken-for')).toContainText('The keeper boils an egg.');
  expect(await axe(page)).toEqual([]);
  await leadsTo.press('Enter');
  await expect(linked('the keeper and')).toHaveAttribute('href', /^#boils/);

  // What is still to be written is started beside it, and told until it is written.
  await leadFrom('the fog');
  await leadsTo.pressSequentially('Fog signals');
  await page.getByRole('option', { name: /Start a chapter called “Fog signals”/ }).click();
  await expect(outline(page).getByRole('link', { name: /Fog signals/ })).toBeVisible();
  await press(linked('the fog'));
  await expect(slip(page)).toContainText('“Fog signals” has no words yet');

  // Pointed at in another chapter, the author comes back to the slip.
  await leadFrom('See');
  await pointer.click();
  await turnTo(page, 'Fog signals');
  await text(page).getByRole('heading', { level: 1 }).click();
  await expect(leadsTo).toHaveValue('Fog signals');
  await leadsTo.press('Enter');
  await expect(linked('See')).toHaveCount(1);
  await press(linked('the fire'));
  await pointer.click();
  await turnTo(page, 'Fog signals');
  await text(page).getByRole('heading', { level: 1 }).click();
  await expect(leadsTo).toHaveValue('Fog signals');
  await page.keyboard.press('Control+z');
  await expect(leadsTo).toHaveValue('Light it');
});

test('remarks that are pasted with typed numbers become real notes, and words again after one undo', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Numbers');
  await page.keyboard.type('Oil\n');
  await pasteHtml(
    page,
    '<p>It burned whale oil [1] in a wick of cotton [2].</p><h2>Notes</h2><p>[1] From the north.</p><p>[2] Spun in town.</p>',
  );
  await page.getByRole('button', { name: 'Make real notes of them' }).click();
  const dialog = page.getByRole('dialog');
  await expect(
    dialog.getByRole('list', { name: 'Notes typed as numbers' }).getByRole('listitem'),
  ).toHaveCount(2);
  expect(await axe(page)).toEqual([]);
  await dialog.getByRole('button', { name: 'Make real notes of 2' }).click();
  await expect(text(page).locator('.note-mark')).toHaveText(['1', '2']);
  await expect(text(page)).not.toContainText('From the north');
  await text(page).locator('.note-mark').first().click();
  await expect(page.getByRole('group', { name: 'Slip of the note' })).toContainText('From the north.');
  await press(text(page).getByRole('heading', { level: 1 }));
  await page.keyboard.press('Control+z');
  await expect(text(page)).toContainText('[1] From the north.');
});
