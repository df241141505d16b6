import { readFile, writeFile } from 'node:fs/promises';
import { docxOf } from '@vennet/core/testing';
import type { Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { expect, saved, test, text, pasteHtml, margin, openForm } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const paragraph = (content: string) => `<w:p>${content}</w:p>`;
const run = (words: string) => `<w:r><w:t xml:space="preserve">${words}</w:t></w:r>`;
const KEEPER = 'every evening before the tide turns in the narrow sound of the islands.';
const manuscript = (lamp: string, linked: boolean) =>
  docxOf(
    paragraph(
      `${run('The keeper trims the ')}${linked ? `<w:hyperlink r:id="lamp" w:tooltip="A lamp">${run(lamp)}</w:hyperlink>` : run(lamp)}${run(` ${KEEPER}`)}`,
    ) +
      paragraph(
        run('Ships that pass at night read the flashes of the tower and know where they are by them.'),
      ),
    { links: { lamp: 'https://lamp.example/' } },
  );

async function bringIn(page: Page, address: string, path: string, bytes: Uint8Array | string) {
  await writeFile(path, bytes);
  await page.goto(address);
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  await page.locator('input[type=file]').setInputFiles(path);
  await expect(page.getByRole('dialog').getByText('The book is in your Library')).toBeVisible();
}

test('a manuscript comes in with its links, goes on being written, and goes out again as it stands', async ({
  page,
  vennet,
}, info) => {
  await bringIn(page, vennet.address, info.outputPath('keeper.docx'), manuscript('great lamp', true));
  await expect(page.getByRole('dialog')).toContainText('1 web link');
  await page.getByRole('link', { name: 'Open the book' }).click();
  await expect(text(page).getByRole('link', { name: 'great lamp' })).toHaveAttribute(
    'href',
    'https://lamp.example/',
  );
  await text(page).getByText('Ships that pass').click();
  await page.keyboard.press('End');
  await page.keyboard.insertText(' So it is.');
  await saved(page);
  const form = await openForm(page, 'DOCX');
  await form.getByRole('button', { name: 'Make the DOCX' }).click();
  await expect(form.getByRole('link', { name: 'Download' })).toBeVisible({ timeout: 30_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    form.getByRole('link', { name: /Download/ }).click(),
  ]);
  const parts = unzipSync(await readFile(await download.path()));
  const body = strFromU8(parts['word/document.xml']!);
  expect(body).toContain('w:tooltip="A lamp"');
  expect(body).toContain(' So it is.');
  expect(strFromU8(parts['word/_rels/document.xml.rels']!)).toContain('Target="https://lamp.example/"');
  expect((await vennet.api.books()).length).toBeGreaterThan(1);
});

test('a new version is offered what was made in the older one; old and new stand side by side, and it is taken back as one', async ({
  page,
  vennet,
}, info) => {
  await bringIn(page, vennet.address, info.outputPath('old.docx'), manuscript('great lamp', true));
  const before = new Set((await vennet.api.books()).map(({ id }) => id));
  await bringIn(page, vennet.address, info.outputPath('new.docx'), manuscript('tall lantern', false));
  const fresh = (await vennet.api.books()).find(({ id }) => !before.has(id))!;
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'See what can be carried over' }).first().click();
  await expect(dialog.getByText('great lamp').first()).toBeVisible();
  await expect(dialog.getByText('tall lantern').first()).toBeVisible();
  await expect(dialog.getByText('The words there were changed.')).toBeVisible();
  const tick = dialog.getByRole('checkbox', { name: 'link great lamp' });
  await expect(tick).not.toBeChecked();
  await tick.focus();
  await page.keyboard.press('Space');
  await dialog.getByRole('button', { name: 'Carry over 1' }).click();
  await expect(page.getByText('1 thing was carried over.')).toBeVisible();
  expect((await vennet.api.links(fresh.id)).map(({ text: words, href }) => [words, href])).toEqual([
    ['tall lantern', 'https://lamp.example/'],
  ]);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('Taken back.')).toBeVisible();
  expect(await vennet.api.links(fresh.id)).toEqual([]);
});

test('navigation that was typed by hand is made real in one go, and undone as one', async ({
  page,
  vennet,
}, info) => {
  const guide =
    '<!doctype html><html lang="en"><title>Guide</title><body><h1 id="toc">Contents</h1><p>Lamps ... 3</p><p>Tides ... 7</p><p>Wind ... 9</p><h1>Lamps</h1><p>Of lamps.</p><p><a href="#toc">Back to contents</a></p><h1>Tides</h1><p>Of tides.</p><h1>Wind</h1><p>Of wind.</p>';
  await writeFile(info.outputPath('guide.html'), guide);
  await page.goto(vennet.address);
  await page.getByRole('button', { name: 'Bring in a book' }).click();
  await page.locator('input[type=file]').setInputFiles(info.outputPath('guide.html'));
  await page.getByRole('button', { name: 'Take these chapters' }).click();
  await page.getByRole('link', { name: 'Open the book' }).click();
  await expect(text(page)).toContainText('Lamps ... 3');
  await page.getByRole('button', { name: 'Structure' }).click();
  const list = page.getByRole('list', { name: 'Navigation typed by hand' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Make 2 real' }).click();
  await expect(text(page)).not.toContainText('Lamps ... 3');
  await expect(page.getByText('2 pieces of navigation are real now.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(text(page)).toContainText('Lamps ... 3');
});

test('what a word processor copies keeps its links, notes and tables when it is pasted', async ({
  page,
  vennet,
}, info) => {
  await bringIn(page, vennet.address, info.outputPath('paste.docx'), manuscript('great lamp', false));
  await page.getByRole('link', { name: 'Open the book' }).click();
  await text(page).getByText('Ships that pass').click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  const html =
    '<p class=MsoNormal style="mso-pagination:none">See <a href="https://office.example/" style="color:red">the office</a>, it says<a style="mso-footnote-id:ftn1" href="#_ftn1" name="_ftnref1"><sup>1</sup></a>.</p><table class=MsoTable><tr><td><p>High water</p></td></tr></table><div style="mso-element:footnote" id=ftn1><p><a href="#_ftnref1" name="_ftn1">1</a> The remark.</p></div>';
  await pasteHtml(page, html);
  await expect(text(page).getByRole('link', { name: 'the office' })).toHaveAttribute(
    'href',
    'https://office.example/',
  );
  await expect(text(page).getByRole('cell', { name: 'High water' })).toBeVisible();
  await expect(margin(page)).toContainText('The remark.');
});
