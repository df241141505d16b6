import type { Locator, Page } from '@playwright/test';
import { exportFile } from '@vennet/client';
import { linkAnnotations } from '@vennet/server/testing/pdf-places';
import { strFromU8, unzipSync } from 'fflate';
import { readFile } from 'node:fs/promises';
import { expect, openChapter, press, saved, slip, test, text, openForm } from './vennet.js';
import { DRAWING, dropFile, PDF } from './files.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

const figures = (page: Page): Locator => text(page).locator('figure');
const area = (page: Page, name: string): Locator => page.getByRole('button', { name: `Link area: ${name}` });

/** Puts a drawing into the text with the file chooser, at the caret. */
async function putPicture(page: Page, name: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Picture' }).click();
  await (await chooser).setFiles({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(DRAWING) });
}

test.describe('a picture', () => {
  test('that is put in asks for its words there and then, loses its script, and can have a caption', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const before = await figures(page).count();
    await press(text(page).locator('p').first());
    await page.keyboard.press('End');
    await putPicture(page, 'rock.svg');
    await expect(figures(page)).toHaveCount(before + 1);
    await expect(
      page.getByText('What could run in it, or is fetched from elsewhere, was taken out.'),
    ).toBeVisible();
    await expect(slip(page).getByLabel('Alternative text')).toBeFocused();
    await expect(slip(page)).toContainText('Without words nobody can hear what this shows');
    await page.keyboard.type('The rock from the chapel');
    await page.keyboard.press('Tab');
    await expect(text(page).getByRole('img', { name: 'The rock from the chapel' })).toBeVisible();
    await slip(page).getByLabel('Width, % of the text').fill('50');
    const [picture, column] = await Promise.all([
      figures(page).first().getByRole('img').boundingBox(),
      text(page).boundingBox(),
    ]);
    expect((picture?.width ?? 0) / (column?.width ?? 1)).toBeCloseTo(0.5, 1);
    await slip(page).getByRole('button', { name: 'Add a caption' }).click();
    await page.keyboard.type('Low water, in May.');
    await expect(figures(page).first().locator('figcaption')).toHaveText('Low water, in May.');
    await saved(page);
    await page.reload();
    await expect(figures(page).first().locator('figcaption')).toHaveText('Low water, in May.');
    expect(await page.evaluate(() => 'ran' in window)).toBe(false);
  });

  test('can be dropped into the text, and be decorative', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const before = await figures(page).count();
    await dropFile(text(page).locator('p').nth(1), {
      name: 'wave.svg',
      type: 'image/svg+xml',
      content: DRAWING,
    });
    await expect(figures(page)).toHaveCount(before + 1);
    await slip(page)
      .getByLabel(/Decorative/)
      .check();
    await expect(slip(page)).not.toContainText('Without words');
    await text(page).focus();
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await expect(figures(page)).toHaveCount(before);
  });

  test('with broken data is refused with a clear word, and the text is as it was', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const before = await figures(page).count();
    const words = await text(page).innerText();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Picture' }).click();
    await (await chooser).setFiles({ name: 'broken.png', mimeType: 'image/png', buffer: PDF });
    await expect(page.getByText(/“broken.png”: .* Nothing was kept/)).toBeVisible();
    await expect(figures(page)).toHaveCount(before);
    expect(await text(page).innerText()).toBe(words);
  });

  test('can lead somewhere as a whole; its words then have to say where', async ({ page, vennet }) => {
    const book = await openChapter(page, vennet, 'Before you set out');
    await figures(page)
      .first()
      .getByRole('img')
      .click({ position: { x: 270, y: 12 } });
    await slip(page).getByLabel('Leads to').fill('orrin-archive.example/maps/1871');
    await expect(slip(page)).toContainText('they have to say where it leads');
    await slip(page).getByLabel('Leads to').press('Enter');
    await saved(page);
    expect(
      (await vennet.api.links(book)).find(
        ({ href }) => href.endsWith('/maps/1871') && href.includes('archive'),
      ),
    ).toMatchObject({
      text: expect.stringContaining('A chart of the Orrin Sound'),
    });
    await slip(page).getByRole('button', { name: 'Remove' }).click();
    await saved(page);
  });
});

test.describe('a picture that is there', () => {
  test('is changed, and its link areas are added and removed, on right click', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The Three Brothers');
    const lens = figures(page).nth(1);
    await lens.getByRole('img').click({ button: 'right', position: { x: 20, y: 20 } });
    await page.getByRole('menuitem', { name: 'Words and size of this picture' }).click();
    await expect(slip(page).getByLabel('Alternative text')).toBeFocused();
    await lens.getByRole('img').click({ button: 'right', position: { x: 20, y: 20 }, force: true });
    await page.getByRole('menuitem', { name: 'Add a link area' }).click();
    await expect(page.getByRole('form', { name: 'Slip of a new link area' })).toBeVisible();
    await page.keyboard.press('Escape');
    const elder = area(page, 'Elder: the papers on the lost lantern');
    await elder.click({ button: 'right' });
    await page.getByRole('menuitem', { name: 'Remove this link area' }).click();
    await expect(elder).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(elder).toHaveCount(1);
  });

  test('is copied with its areas, which get ids of their own', async ({ page, vennet, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    const book = await openChapter(page, vennet, 'The Three Brothers');
    const count = async () =>
      (await vennet.api.links(book)).filter((link) => link.text.startsWith('Middle: what')).length;
    const before = await figures(page).count();
    await figures(page)
      .first()
      .getByRole('img')
      .click({ position: { x: 10, y: 10 } });
    await page.keyboard.press('Control+c');
    await press(text(page).getByText('You land on Middle'));
    await page.keyboard.press('End');
    await page.keyboard.press('Control+v');
    await expect(figures(page)).toHaveCount(before + 1);
    await saved(page);
    expect(await count()).toBe(2);
    const ids = (await vennet.api.links(book)).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    await text(page).focus();
    await page.keyboard.press('Control+z');
    await expect(figures(page)).toHaveCount(before);
    await saved(page);
  });

  test('is pasted from the clipboard as a file', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const before = await figures(page).count();
    await press(text(page).locator('p').nth(1));
    await text(page).evaluate((element, drawing) => {
      const clipboardData = new DataTransfer();
      clipboardData.items.add(new File([drawing], 'pasted.svg', { type: 'image/svg+xml' }));
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
    }, DRAWING);
    await expect(figures(page)).toHaveCount(before + 1);
    await expect(slip(page).getByLabel('Alternative text')).toBeFocused();
  });
});

test.describe('a link area', () => {
  test('is drawn with the mouse, named, framed, moved and made larger', async ({ page, vennet }) => {
    const book = await openChapter(page, vennet, 'The Three Brothers');
    const picture = figures(page).nth(1).getByRole('img');
    await picture.scrollIntoViewIfNeeded();
    await picture.click({ position: { x: 10, y: 10 } });
    await expect(slip(page)).toBeVisible();
    const box = (await picture.boundingBox())!;
    const at = (x: number, y: number): [number, number] => [box.x + x * box.width, box.y + y * box.height];
    await page.mouse.move(...at(0.1, 0.35));
    await page.mouse.down();
    await page.mouse.move(...at(0.2, 0.5), { steps: 3 });
    await page.mouse.move(...at(0.3, 0.75), { steps: 3 });
    await page.mouse.up();
    const form = page.getByRole('form', { name: 'Slip of a new link area' });
    await expect(form.getByLabel('Leads to')).toBeFocused();
    await page.keyboard.insertText('lens-makers.example/oil');
    await form.getByLabel('Name, for those').fill('What burns in the lamp');
    await form.getByLabel('Frame').selectOption('Framed, dashed');
    await form.getByLabel('Width, pt').fill('2');
    await expect(form.getByTestId('heard-as')).toHaveText('Heard as “link, What burns in the lamp”');
    await form.getByRole('button', { name: 'Make the link area' }).click();
    const drawn = area(page, 'What burns in the lamp');
    await expect(drawn).toBeVisible();
    const shares = async () => {
      const [one, whole] = await Promise.all([drawn.boundingBox(), picture.boundingBox()]);
      return {
        x: (one!.x - whole!.x) / whole!.width,
        y: (one!.y - whole!.y) / whole!.height,
        width: one!.width / whole!.width,
        height: one!.height / whole!.height,
      };
    };
    expect((await shares()).x).toBeCloseTo(0.1, 2);
    expect((await shares()).height).toBeCloseTo(0.4, 2);
    await page.mouse.move(...at(0.2, 0.6));
    await page.mouse.down();
    await page.mouse.move(...at(0.3, 0.6), { steps: 3 });
    await page.mouse.up();
    await expect.poll(async () => (await shares()).x).toBeCloseTo(0.2, 2);
    await page.mouse.move(...at(0.4, 0.75));
    await page.mouse.down();
    await page.mouse.move(...at(0.5, 0.95), { steps: 3 });
    await page.mouse.up();
    await expect.poll(async () => (await shares()).width).toBeCloseTo(0.3, 2);
    await saved(page);
    expect(
      (await vennet.api.links(book)).find((link) => link.text === 'What burns in the lamp'),
    ).toMatchObject({
      href: 'https://lens-makers.example/oil',
    });
  });

  test('is made, moved and sized by keyboard alone, and in exact numbers', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The Three Brothers');
    const picture = figures(page).first().getByRole('img');
    await picture.click({ position: { x: 10, y: 10 } });
    await slip(page).getByRole('button', { name: 'Add one in the middle' }).focus();
    await page.keyboard.press('Enter');
    const form = page.getByRole('form', { name: 'Slip of a new link area' });
    await expect(form.getByLabel('Leads to')).toBeFocused();
    await page.keyboard.type('lamp-trust.example');
    await form.getByLabel('Name, for those').fill('The sky');
    await form.getByLabel('From the left').fill('10');
    await form.getByLabel('From the top').fill('5');
    await form.getByLabel('Wide').fill('20');
    await form.getByLabel('High').fill('15');
    await form.getByLabel('Name, for those').press('Enter');
    const sky = area(page, 'The sky');
    await sky.focus();
    const style = (name: string) =>
      sky.evaluate(
        (element, side) => Number.parseFloat((element as HTMLElement).style.getPropertyValue(side)),
        name,
      );
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Alt+ArrowDown');
    await page.keyboard.press('Shift+ArrowRight');
    expect(await style('left')).toBeCloseTo(11, 3);
    expect(await style('top')).toBeCloseTo(6.1, 3);
    expect(await style('width')).toBeCloseTo(21, 3);
    expect(await style('height')).toBeCloseTo(15, 3);
    await page.keyboard.press('Enter');
    await expect(
      page.getByRole('form', { name: 'Slip of the link area' }).getByLabel('Leads to'),
    ).toBeFocused();
    await sky.focus();
    await page.keyboard.press('Delete');
    await expect(sky).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(sky).toHaveCount(1);
    await sky.focus();
    await page.keyboard.press('Delete');
    await saved(page);
  });

  test('keeps its place when the picture’s size changes', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The Three Brothers');
    const picture = figures(page).first().getByRole('img');
    const middle = area(page, 'Middle: what is said of its light');
    await picture.evaluate((image: HTMLImageElement) => image.decode());
    const share = async () => {
      const [one, whole] = await Promise.all([middle.boundingBox(), picture.boundingBox()]);
      return [(one!.x - whole!.x) / whole!.width, one!.height / whole!.height];
    };
    const before = await share();
    await picture.click({ position: { x: 10, y: 10 } });
    await slip(page).getByLabel('Width, % of the text').fill('40');
    const after = await share();
    expect(after[0]).toBeCloseTo(before[0]!, 2);
    expect(after[1]).toBeCloseTo(before[1]!, 2);
    await slip(page).getByLabel('Width, % of the text').fill('');
    await saved(page);
  });

  test('is at the same spot on the screen, in the e-book, on the web page and in the PDF', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'The Three Brothers');
    await figures(page)
      .first()
      .getByRole('img')
      .evaluate((image: HTMLImageElement) => image.decode());
    const [one, whole] = await Promise.all([
      area(page, 'Small: how to pass its terns').boundingBox(),
      figures(page).first().getByRole('img').boundingBox(),
    ]);
    const onScreen = [one!.x - whole!.x, one!.y - whole!.y, one!.width, one!.height].map(
      (length, index) => length / (index % 2 === 0 ? whole!.width : whole!.height),
    );
    await page.goto(`${vennet.address}/books/${book}/publish`);
    for (const form of ['E-book', 'PDF', 'Web page']) {
      const panel = await openForm(page, form);
      await panel.getByRole('button', { name: /^Make the/ }).click();
      await expect(panel.getByRole('button', { name: 'Stop' }).or(panel.getByTestId('proof'))).toBeVisible();
    }
    const jobs = () => vennet.api.exports(book);
    await expect
      .poll(async () => (await jobs()).map(({ state }) => state), { timeout: 40_000 })
      .toEqual(['done', 'done', 'done']);
    const file = async (format: string) => {
      const { id } = (await jobs()).find((job) => job.format === format)!;
      return new Uint8Array(await (await fetch(vennet.address + exportFile(id))).arrayBuffer());
    };
    const inHtml = (html: string) => {
      const style = /style="([^"]*)"><span>Small: how to pass/.exec(html)?.[1] ?? '';
      return ['left', 'top', 'width', 'height'].map(
        (side) =>
          Number.parseFloat(new RegExp(`(?:^|; )${side}: ([\\d.]+)%`).exec(style)?.[1] ?? 'NaN') / 100,
      );
    };
    const entries = unzipSync(await file('epub'));
    const chapter = Object.keys(entries).find((name) =>
      strFromU8(entries[name]!).includes('Small: how to pass'),
    )!;
    const spots = [inHtml(strFromU8(entries[chapter]!)), inHtml(strFromU8(await file('web')))];
    for (const spot of spots) spot.forEach((share, index) => expect(share).toBeCloseTo(onScreen[index]!, 2));
    // In the PDF the picture fills the 111 mm of the text's width and is 300/720 as high as wide; Middle's area tells where it begins.
    const annotations = await linkAnnotations(await file('pdf'));
    const rect = (name: string) => annotations.find(({ contents }) => contents.startsWith(name))!.rect;
    const [small, elder] = [rect('Small: how'), rect('Elder: the')];
    const width = (111 * 72) / 25.4;
    expect(Math.abs(small.left - elder.left - (onScreen[0]! - 0.08) * width)).toBeLessThan(1);
    expect(Math.abs(small.right - small.left - onScreen[2]! * width)).toBeLessThan(1);
    expect(Math.abs(elder.top - small.top - (onScreen[1]! - 0.32) * width * (300 / 720))).toBeLessThan(1);
  });

  test('can be pressed by a reader of the web page, at the same spot', async ({ page, vennet, context }) => {
    const book = await openChapter(page, vennet, 'Before you set out');
    await page.goto(`${vennet.address}/books/${book}/publish?form=web`);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.locator('a[download$=".html"]').click(),
    ]);
    const html = await readFile(await download.path(), 'utf8');
    const reader = await context.newPage();
    await reader.route('**/*', (route) => route.fulfill({ contentType: 'text/html', body: html }));
    await reader.goto('http://reader.test/');
    await reader.getByRole('link', { name: 'The walk to Lantern Rock' }).click();
    await expect(reader.getByRole('heading', { level: 1, name: 'Lantern Rock' })).toBeInViewport();
  });
});
