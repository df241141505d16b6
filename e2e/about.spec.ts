import { writeFile } from 'node:fs/promises';
import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { strFromU8, unzipSync, zlibSync } from 'fflate';
import { DRAWING, PDF } from './files.js';
import { expect, made, outline, saved, startBook, test, text } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const toBook = (page: Page) => page.getByRole('link', { name: /what is said of this book/ }).click();
const kept = (page: Page) => expect(page.getByTestId('details-state')).toHaveText('Everything here is kept.');

/** A PNG of one colour; `width` and `height` are what it says of itself. */
function png(width: number, height: number): Buffer {
  const crc = (bytes: Uint8Array) => {
    let sum = ~0;
    for (const byte of bytes) {
      sum ^= byte;
      for (let bit = 0; bit < 8; bit++) sum = (sum >>> 1) ^ (sum & 1 ? 0xedb88320 : 0);
    }
    return ~sum >>> 0;
  };
  const part = (name: string, content: Uint8Array) => {
    const named = Buffer.concat([Buffer.from(name), content]);
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(content.length);
    check.writeUInt32BE(crc(named));
    return Buffer.concat([length, named, check]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([1, 0], 8);
  const row = Math.ceil(width / 8) + 1;
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    part('IHDR', head),
    part('IDAT', zlibSync(new Uint8Array(row * height))),
    part('IEND', new Uint8Array()),
  ]);
}

test('a book is described in one place, its language reaches the text, and its files say all of it', async ({
  page,
  vennet,
}, info) => {
  await startBook(page, vennet.address, 'Ebb');
  await page.keyboard.type('Low water');
  await toBook(page);
  await page.getByLabel('Title', { exact: true }).fill('Ebbe');
  await page.getByLabel('Subtitle').fill('Ein Anfang');
  await page.getByLabel('Name 1').fill('Ines Moor');
  await page.getByRole('button', { name: 'Add a name' }).click();
  await page.getByLabel('Name 2').fill('Tam Rook');
  await page.getByLabel('Role of Tam Rook').selectOption('Author');
  await page.getByRole('button', { name: 'Add a name' }).click();
  await page.getByLabel('Name 3').fill('Ada Quill');
  await page.getByLabel('Role of Ada Quill').selectOption('Illustrator');
  await page.getByLabel('Language').fill('German');
  await page.getByLabel('Description').fill('Von Gezeiten.');
  await page.getByLabel('Publisher').fill('Watt & Co');
  await page.getByLabel('Date').fill('2026-11');
  await page.getByLabel('Rights').fill('© 2026 Ines Moor');
  await page.getByLabel('Identifiers').fill('978-92-95055-12-5');
  await expect(page.getByText('is no ISBN')).toBeVisible();
  await page.getByLabel('Identifiers').fill('978-92-95055-12-4');
  await page.getByLabel('Subjects').fill('Gezeiten\nWatt');
  await page.getByLabel('Subjects').press('Tab');
  await kept(page);
  await expect(page.getByLabel('Language')).toHaveValue('de');
  await page.reload();
  await expect(page.getByLabel('Subjects')).toHaveValue('Gezeiten\nWatt');
  await expect(page.getByLabel('Name 2')).toHaveValue('Tam Rook');

  await page.locator('input[type=file]').setInputFiles({
    name: 'cover.png',
    mimeType: 'image/png',
    buffer: png(80, 120),
  });
  await expect(page.getByRole('img', { name: 'The cover: “cover.png”' })).toBeVisible();
  await kept(page);

  await page.getByRole('link', { name: 'Write' }).click();
  await expect(text(page)).toHaveAttribute('lang', 'de');
  await text(page).locator('p').click();
  await page.keyboard.type('"Ja"');
  await expect(text(page)).toContainText('„Ja“');
  await page.keyboard.press('Backspace');
  await expect(text(page)).toContainText('„Ja"');
  // In a note, too.
  await page.keyboard.press('Control+Alt+n');
  const note = page.getByRole('textbox', { name: 'Words of the note' });
  await expect(note).toBeFocused();
  await page.keyboard.type('"Nein"');
  await expect(note).toHaveText('„Nein“');
  await page.keyboard.press('Escape');
  await saved(page);

  const parts = unzipSync(await made(page, 'E-book', 'Make the e-book'));
  const opf = strFromU8(parts[Object.keys(parts).find((path) => path.endsWith('.opf'))!]!);
  for (const said of [
    '<dc:language>de</dc:language>',
    '>Ebbe</dc:title>',
    '>Ein Anfang</dc:title>',
    '<dc:creator>Ines Moor</dc:creator>',
    '<dc:creator>Tam Rook</dc:creator>',
    '<dc:publisher>Watt &amp; Co</dc:publisher>',
    '<dc:date>2026-11</dc:date>',
    '<dc:identifier>978-92-95055-12-4</dc:identifier>',
    '<dc:subject>Watt</dc:subject>',
    'properties="cover-image"',
  ])
    expect(opf).toContain(said);
  expect(opf).toMatch(/>Ada Quill<\/dc:contributor>\s*<meta refines="#[^"]+" property="role"[^>]*>ill</);

  const path = info.outputPath('ebbe.pdf');
  await writeFile(path, await made(page, 'PDF', 'Make the PDF'));
  // Poppler is a reader that shares no code with Vennet.
  const about = execFileSync('pdfinfo', [path]).toString();
  expect(about).toMatch(/Title:\s+Ebbe/);
  expect(about).toMatch(/Author:\s+Ines Moor, Tam Rook/);
  expect(about).toMatch(/Keywords:\s+Gezeiten, Watt/);
  expect(execFileSync('pdftotext', ['-f', '2', '-l', '2', path, '-']).toString()).toContain(
    'ISBN 978-92-95055-12-4',
  );
  expect(execFileSync('pdfimages', ['-list', '-l', '1', path]).toString()).toMatch(
    /\n\s+1\s+0 image\s+80\s+120/,
  );
});

test('what can’t be kept of it is refused with words, and nothing else is lost', async ({ page, vennet }) => {
  await startBook(page, vennet.address, 'Flood');
  await toBook(page);
  await page.getByLabel('Title', { exact: true }).fill('   ');
  await expect(page.getByText('A book needs a title.')).toBeVisible();
  await page.getByLabel('Title', { exact: true }).fill('x'.repeat(10_000));
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('x'.repeat(300));
  await page.getByLabel('Title', { exact: true }).fill('Flood');
  await page.getByLabel('Language').fill('Martian');
  await expect(page.getByText('“Martian” is no language.')).toBeVisible();
  await page.getByLabel('Date').fill('last week');
  await expect(page.getByText('Write a year, or a day')).toBeVisible();
  const choose = (name: string, mimeType: string, buffer: Buffer) =>
    page.locator('input[type=file]').setInputFiles({ name, mimeType, buffer });
  await choose('huge.png', 'image/png', png(10_000, 10_000));
  await expect(page.getByText('more than 50 million pixels')).toBeVisible();
  await choose('no-picture.png', 'image/png', PDF);
  await expect(page.getByText('no-picture.png').last()).toBeVisible();
  await expect(page.getByRole('img', { name: 'The cover, drawn of title and author' })).toBeVisible();
  await choose('drawing.svg', 'image/svg+xml', Buffer.from(DRAWING));
  await expect(page.getByRole('img', { name: 'The cover: “drawing.svg”' })).toBeVisible();
  await page.getByRole('button', { name: 'Draw it instead' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('img', { name: 'The cover: “drawing.svg”' })).toBeVisible();
  await kept(page);
  const [book] = (await vennet.api.books()).filter(({ title }) => title === 'Flood');
  expect(book).toMatchObject({ title: 'Flood', language: 'en' });
  expect(
    await fetch(`${vennet.address}/api/books/${book!.id}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ title: '   ' }),
    }).then(({ status }) => status),
  ).toBe(400);
});

test('what is said of a book outlives a server that is away and a page that is closed', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Slack');
  await toBook(page);
  await vennet.stop('SIGKILL');
  await page.getByLabel('Subtitle').fill('Between two tides');
  await page.getByLabel('Subtitle').press('Tab');
  await expect(page.getByTestId('details-state')).toHaveText(/kept in this browser/);
  await page.close({ runBeforeUnload: true });
  await vennet.start();
  const [book] = (await vennet.api.books()).filter(({ title }) => title === 'Slack');
  const again = await page.context().newPage();
  await again.goto(`${vennet.address}/books/${book!.id}/about`);
  await expect(again.getByLabel('Subtitle')).toHaveValue('Between two tides');
  await kept(again);
  expect((await vennet.api.manuscript(book!.id)).subtitle).toBe('Between two tides');
});

test('chapters are added, split at a heading, joined, and put before and after the text, each with undo', async ({
  page,
  vennet,
}) => {
  await startBook(page, vennet.address, 'Shoals');
  await page.keyboard.type('First');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('Words.');
  await saved(page);
  await page.getByRole('button', { name: 'Add a chapter' }).click();
  await expect(text(page)).toBeFocused();
  await page.keyboard.type('Second');
  await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Second');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('## A part');
  await saved(page);
  const entries = outline(page).getByRole('link');
  const menu = async (of: string, item: string) => {
    await outline(page)
      .getByRole('button', { name: `More about “${of}”` })
      .click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await menu('A part', 'Begin a chapter here');
  await expect(entries).toHaveText([/First/, /Second/, /A part/]);
  await menu('Second', 'Join with the next chapter');
  await expect(entries).toHaveText([/First/, /Second/]);
  await menu('First', 'Put after the text');
  await expect(outline(page).getByRole('heading', { name: 'After the text' })).toBeVisible();
  await expect(entries).toHaveText([/Second/, /First/]);
  await text(page).focus();
  await page.keyboard.press('Control+z');
  await expect(entries).toHaveText([/First/, /Second/]);
  await page.keyboard.press('Control+z');
  await expect(entries).toHaveText([/First/, /Second/, /A part/]);
});
