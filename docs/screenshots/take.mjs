// Takes the pictures of the README from the running demo: node docs/screenshots/take.mjs http://localhost:4310
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';

const address = process.argv[2] ?? 'http://localhost:4310';
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
const shoot = async (page, name) => {
  await page.waitForTimeout(700);
  await page.screenshot({ path: fileURLToPath(new URL(`${name}.png`, import.meta.url)) });
};
const open = async (colorScheme) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
  await page.goto(address);
  await page.getByRole('link', { name: 'Open Small Lights' }).waitFor();
  return page;
};
const room = async (page, chapter) => {
  await page.getByRole('link', { name: 'Open Small Lights' }).click();
  if (chapter)
    await page.getByRole('navigation', { name: 'Outline' }).getByRole('link', { name: chapter }).click();
};

const outline = (page, chapter) =>
  page.getByRole('navigation', { name: 'Outline' }).getByRole('link', { name: chapter }).click();

/** A version of the book whose web links are gone and some of whose words are others, as it comes back from an editor. */
async function withNewVersion(page, id) {
  const exports = await (await fetch(`${address}/api/books/${id}/exports`)).json();
  const made = exports.find(({ format }) => format === 'web');
  const html = await (await fetch(`${address}/api/exports/${made.id}/file`)).text();
  const edited = html
    .replace(/<a [^>]*href="https?:[^>]*>(.*?)<\/a>/gs, '$1')
    .replace(/timetable/g, 'table of sailings')
    .replace(/lighthouse/g, 'light tower');
  const form = new FormData();
  form.append('file', new Blob([edited]), 'small-lights.html');
  const { id: fresh } = await (
    await fetch(`${address}/api/books/bring-in`, { method: 'POST', body: form })
  ).json();
  await page.goto(address);
  await page.getByRole('button', { name: 'Carry over to Small Lights' }).first().click();
  await page.getByRole('button', { name: 'See what can be carried over' }).first().click();
  await page.getByText('To be looked at').waitFor({ timeout: 30_000 });
  await shoot(page, 'carry-over');
  await fetch(`${address}/api/books/${fresh}`, { method: 'DELETE' });
}

const page = await open('light');
await room(page);
await page.getByRole('link', { name: 'Register' }).click();
await page.getByRole('button', { name: 'Check all links' }).click();
await page.waitForTimeout(1000);
await page.getByRole('button', { name: 'Check all links' }).waitFor({ timeout: 60_000 });
await page.getByRole('button', { name: 'More about checking' }).click();
await page.getByRole('menuitem', { name: 'When and how links are checked' }).click();
await page.getByLabel('Every week').check();
await shoot(page, 'checks');
await page.getByRole('button', { name: 'Not now' }).click();
await page.getByRole('button', { name: 'harbour-office.example/notices/landing' }).click();
await shoot(page, 'register');
await page.goto(address);
await page.getByRole('link', { name: 'Open Small Lights' }).waitFor();
await shoot(page, 'library');
await room(page);
await page.getByRole('link', { name: 'Publish' }).click();
const forms = page.getByRole('navigation', { name: 'Forms' });
for (const [form, make] of [
  ['Web page', 'Make the web page'],
  ['E-book', 'Make the e-book'],
  ['PDF', 'Make the PDF'],
]) {
  await forms.getByRole('link', { name: new RegExp(`^${form}`) }).click();
  await page.getByRole('button', { name: make }).click();
  await page.getByTestId('computed-proof').waitFor({ timeout: 60_000 });
}
await page.getByRole('img', { name: /as it would be set/ }).waitFor();
await page.waitForTimeout(1500);
await shoot(page, 'publish');
await page.getByRole('button', { name: 'See every link' }).click();
await page
  .getByRole('row', { name: /The walk to Gannel Point/ })
  .getByRole('button')
  .click();
await page.getByTestId('outlined').waitFor();
await page.waitForTimeout(800);
await shoot(page, 'proof');
await page.getByRole('button', { name: 'Close' }).click();
await forms.getByRole('link', { name: /^E-book/ }).click();
await page.getByRole('button', { name: 'Try it as a reader' }).click();
await page.getByLabel('Page of the file').selectOption('Gannel Point');
await page
  .getByRole('dialog')
  .frameLocator('iframe')
  .getByRole('link', { name: 'Gannel Point light' })
  .click();
await shoot(page, 'try');
await page.getByRole('button', { name: 'Close' }).click();
const [, id] = /books\/([0-9a-f-]+)/.exec(page.url());
await withNewVersion(page, id);
await page.goto(`${address}/books/${id}/publish`);
await page.getByRole('link', { name: 'Shelf' }).click();
await page.getByRole('button', { name: 'tide-table.pdf' }).click();
await shoot(page, 'shelf');
await page.close();

const text = (view) => view.getByRole('textbox', { name: 'Text of the chapter' });
const writing = await open('light');
await room(writing, 'Skerrow Head');
await text(writing).getByRole('link', { name: 'click here' }).click();
await shoot(writing, 'write');
await text(writing).getByText('two wells', { exact: false }).first().dblclick();
await writing.keyboard.press('Control+k');
await writing.keyboard.insertText('lamp-trust.example/tides?utm_source=x');
await shoot(writing, 'new-link');
await writing.keyboard.press('Escape');
await outline(writing, 'Gannel Point');
// Right after the text has got the focus, the editor takes no selection over.
await writing.waitForTimeout(500);
await text(writing)
  .getByText('engagement with the moon', { exact: false })
  .dblclick({ position: { x: 90, y: 12 } });
await writing.keyboard.press('Control+k');
await writing.keyboard.type('light brothers');
await writing.getByRole('option').first().waitFor();
await shoot(writing, 'leads-to');
await writing.keyboard.press('Escape');
await outline(writing, 'Skerrow Head');
await writing.getByRole('button', { name: 'Structure' }).click();
await shoot(writing, 'structure');
await writing.keyboard.press('Escape');
await outline(writing, 'The Three Brothers');
await text(writing).getByRole('button', { name: 'Link area: Middle' }).click();
await shoot(writing, 'link-areas');
await outline(writing, 'Lantern Rock');
await text(writing).getByRole('link', { name: 'state of the lamp' }).click();
await writing.getByRole('form').getByLabel('Link text').fill('the Trust');
await writing.keyboard.press('Enter');
await writing.keyboard.press('Control+Alt+m');
await shoot(writing, 'mentions');
await writing.keyboard.press('Escape');
await writing.keyboard.press('Control+z');
await outline(writing, 'Tides and addresses');
await text(writing).getByRole('cell', { name: 'April' }).click();
await writing.keyboard.press('Control+Alt+f');
await writing.getByRole('searchbox', { name: 'Find' }).fill('light');
await writing.getByRole('button', { name: 'The next one' }).click();
await writing.getByRole('button', { name: 'Table', exact: true }).click();
await shoot(writing, 'table-and-find');
await writing.keyboard.press('Escape');
await writing.getByRole('link', { name: /what is said of this book/ }).click();
await writing.getByRole('img', { name: /The cover/ }).waitFor();
await shoot(writing, 'the-book');
await writing.getByRole('link', { name: /versions of this book/ }).click();
await writing.getByText('Its chapters').waitFor();
await shoot(writing, 'versions');
await writing.close();

const dark = await open('dark');
await room(dark, 'Gannel Point');
await text(dark).getByRole('link', { name: 'notices for today' }).click();
await shoot(dark, 'write-dark');
const pages = await open('light');
await pages.getByRole('link', { name: 'Open Across the Sound' }).click();
const words = pages.locator('.ground-page[data-page="1"] .ground-words span');
await words.first().waitFor({ state: 'attached' });
await pages.locator('.ground-page[data-page="1"][data-drawn]').waitFor();
const from = await words.filter({ hasText: /^Book/ }).first().boundingBox();
await pages.mouse.move(from.x - 12, from.y - 8);
await pages.mouse.down();
await pages.mouse.move(from.x + 78, from.y + 24, { steps: 5 });
await pages.mouse.up();
await pages.keyboard.type('https://ferry.example/book');
await shoot(pages, 'pages');
await browser.close();
