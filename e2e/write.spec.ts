import type { Page } from '@playwright/test';
import { expect, margin, openChapter, saved, selectWords, slip, test, text, press } from './vennet.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

test.describe('the margin', () => {
  test('has a slip for each link beside its own line, with mark, kind and where it leads', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    const slipOf = margin(page).getByRole('button', { name: /harbour-office\.example\/notices\/today/ });
    await expect(slipOf).toHaveText(/Unchecked.*Web page.*harbour-office/);
    const [line, beside] = await Promise.all([
      text(page).getByText('notices for today').boundingBox(),
      slipOf.boundingBox(),
    ]);
    expect(Math.abs((line?.y ?? 0) - (beside?.y ?? 1000))).toBeLessThan(20);
    await expect(margin(page).getByRole('button', { name: /How to use this book/ })).toHaveText(
      /Sound.*Place in this book/,
    );
  });

  test('opens the slip of the link at the caret, and a slip that is pressed takes the caret there', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await press(text(page).getByText('notices for today'));
    await expect(slip(page).getByLabel('Leads to')).toHaveValue(
      'https://harbour-office.example/notices/today',
    );
    await margin(page)
      .getByRole('button', { name: /How to use this book/ })
      .click();
    await expect(slip(page)).toContainText('in “Before you set out”');
    await expect(text(page).locator('.is-open')).toHaveText('what is said about the tides');
  });
});

test.describe('making a link', () => {
  test('says what the address was taken for, offers to drop tracking, tells how it is heard, and makes it on Enter', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'two thousandth step');
    await page.keyboard.press('Control+k');
    await expect(slip(page).getByLabel('Leads to')).toBeFocused();
    await page.keyboard.insertText('lamp-trust.example/tides?utm_source=x');
    await expect(slip(page).getByTestId('taken-for')).toHaveText(
      'Web page: https://lamp-trust.example/tides',
    );
    await expect(slip(page).getByLabel(/Leave out utm_source/)).toBeChecked();
    await expect(slip(page).getByLabel('Link text')).toHaveValue('two thousandth step');
    await expect(slip(page).getByTestId('heard-as')).toHaveText('Heard as “link, two thousandth step”');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'two thousandth step' })).toHaveAttribute(
      'href',
      'https://lamp-trust.example/tides',
    );
    await saved(page);
    const made = () =>
      vennet.api
        .links(book)
        .then((links) => links.filter((link) => link.text === 'two thousandth step').map(({ href }) => href));
    await expect.poll(made).toEqual(['https://lamp-trust.example/tides']);
    await page.keyboard.press('Control+z');
    await expect(text(page).getByRole('link', { name: 'two thousandth step' })).toHaveCount(0);
    await expect.poll(made).toEqual([]);
    await page.keyboard.press('Control+y');
    await expect(text(page).getByRole('link', { name: 'two thousandth step' })).toHaveCount(1);
  });

  test('keeps the tracking when the author says so', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'a bench, a lamp');
    await page.keyboard.press('Control+k');
    await page.keyboard.insertText('lamp-trust.example/?utm_source=x');
    await slip(page)
      .getByLabel(/Leave out/)
      .uncheck();
    await expect(slip(page).getByTestId('taken-for')).toHaveText(
      'Web page: https://lamp-trust.example/?utm_source=x',
    );
    await slip(page)
      .getByRole('button', { name: /Make the link/ })
      .click();
    await expect(text(page).getByRole('link', { name: 'a bench, a lamp' })).toHaveAttribute(
      'href',
      'https://lamp-trust.example/?utm_source=x',
    );
  });

  test('works with the button over the text and on right click, and trims the ends of the selection', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await selectWords(page, ' eleven feet high. ');
    await page.getByRole('button', { name: 'Link', exact: true }).click();
    await expect(slip(page).getByLabel('Link text')).toHaveValue('eleven feet high');
    await expect(slip(page).getByLabel('Leads to')).toBeFocused();
    await page.keyboard.insertText('lens-makers.example');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'eleven feet high', exact: true })).toHaveAttribute(
      'href',
      'https://lens-makers.example/',
    );
    await selectWords(page, 'whale oil');
    await text(page)
      .getByText('whale oil')
      .click({ button: 'right', position: await spotOf(page) });
    await page.getByRole('menuitem', { name: 'Make a link of these words' }).click();
    await expect(slip(page).getByLabel('Leads to')).toBeFocused();
    await page.keyboard.insertText('lens-makers.example/oil');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'whale oil' })).toHaveAttribute(
      'href',
      'https://lens-makers.example/oil',
    );
  });

  for (const [typed, reason] of [
    ['javascript:alert(1)', 'begin with “javascript:”'],
    ['data:text/html,x', 'begin with “data:”'],
    ['file:///etc/passwd', 'begin with “file:”'],
    ['https://ex ample.org/', 'can’t be read as a web address'],
    ['the tide tables', 'not an address yet'],
  ])
    test(`refuses ${typed} with the reason, and keeps what was typed`, async ({ page, vennet }) => {
      await openChapter(page, vennet, 'Skerrow Head');
      await selectWords(page, 'two wells');
      await page.keyboard.press('Control+k');
      await page.keyboard.insertText(typed!);
      await expect(slip(page).getByTestId('taken-for')).toContainText(reason!);
      await page.keyboard.press('Enter');
      await expect(slip(page).getByLabel('Leads to')).toHaveValue(typed!);
      await page.keyboard.press('Escape');
      await expect(slip(page)).toHaveCount(0);
      await expect(text(page)).toBeFocused();
      await expect(text(page).getByRole('link', { name: 'two wells' })).toHaveCount(0);
    });

  test('suggests addresses that the book leads to already', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await selectWords(page, 'forty fathoms');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('forec');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('https://weather-sound.example/forecast');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'forty fathoms' })).toHaveAttribute(
      'href',
      'https://weather-sound.example/forecast',
    );
  });
});

test.describe('a link that is there', () => {
  test('is reached by key from link to link, round the chapter', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await press(text(page).getByRole('heading', { level: 1 }));
    const opened: string[] = [];
    for (let step = 0; step < 3; step++) {
      await page.keyboard.press('Alt+PageDown');
      await expect(slip(page)).toHaveCount(1);
      opened.push(await slip(page).getByLabel('Link text').inputValue());
      await page.waitForTimeout(50);
    }
    expect(new Set(opened).size).toBe(3);
    await page.keyboard.press('Alt+PageUp');
    await expect(slip(page).getByLabel('Link text')).toHaveValue(opened[1]!);
  });

  test('gets another destination and other words apart from each other', async ({ page, vennet }) => {
    const book = await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('Tidewater Inn'));
    await page.keyboard.press('Control+k');
    await page.keyboard.insertText('tidewater-inn.example/rooms');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'Tidewater Inn' })).toHaveAttribute(
      'href',
      'https://tidewater-inn.example/rooms',
    );
    await slip(page).getByLabel('Link text').fill('Tidewater Inn by the quay');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'Tidewater Inn by the quay' })).toHaveAttribute(
      'href',
      'https://tidewater-inn.example/rooms',
    );
    await slip(page).getByLabel('Hover note').fill('Bookings from the summer on');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'Tidewater Inn by the quay' })).toHaveAttribute(
      'title',
      'Bookings from the summer on',
    );
    await saved(page);
    expect(
      (await vennet.api.links(book)).filter(({ text: words }) => words.startsWith('Tidewater Inn')),
    ).toMatchObject([{ href: 'https://tidewater-inn.example/rooms' }]);
  });

  test('is removed with its words kept, by key, button and menu; undo brings it back', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    const link = text(page).getByRole('link', { name: 'lifeboat station' });
    await press(link);
    await page.keyboard.press('Control+Alt+k');
    await expect(link).toHaveCount(0);
    await expect(text(page)).toContainText('The lifeboat station at the harbour');
    await page.keyboard.press('Control+z');
    await expect(link).toHaveCount(1);
    await press(link, { button: 'right' });
    await page.getByRole('menuitem', { name: 'Remove the link, keep its words' }).click();
    await expect(link).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await press(link);
    await slip(page).getByRole('button', { name: 'Remove' }).click();
    await expect(link).toHaveCount(0);
  });

  test('gives its address to the clipboard', async ({ page, vennet, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await openChapter(page, vennet, 'Lantern Rock');
    await press(text(page).getByRole('link', { name: 'life of Ada Farrow' }));
    await page.keyboard.press('Control+Alt+c');
    await expect(page.getByText('The address is on the clipboard.')).toBeVisible();
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(
      'https://lamp-trust.example/keepers/farrow',
    );
  });

  test('is followed after saying where it leads, into the stand-in world', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    await press(text(page).getByRole('link', { name: 'life of Ada Farrow' }));
    await page.keyboard.press('Control+Alt+Enter');
    await expect(page.getByTestId('follow-address')).toHaveText('https://lamp-trust.example/keepers/farrow');
    const opened = page.waitForEvent('popup');
    await page.getByRole('link', { name: 'Go there' }).click();
    const site = await opened;
    await expect(site.getByRole('heading', { level: 1 })).toHaveText('Ada Farrow, her diary');
    await expect(site.getByText('This page is made up.')).toBeVisible();
  });

  test('inside the book is gone to at once', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The Three Brothers');
    await press(text(page).getByRole('link', { name: 'the light at Skerrow Head' }));
    await slip(page).getByRole('button', { name: 'Follow' }).click();
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Skerrow Head');
    await expect(text(page).getByRole('heading', { name: 'The light' })).toBeInViewport();
  });

  test('with vague words is put right in one step', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Skerrow Head');
    await press(text(page).getByRole('link', { name: 'click here' }));
    const findings = slip(page).getByRole('list', { name: 'Findings' });
    await expect(findings).toContainText('“click here” says nothing by itself; its sentence explains it.');
    await expect(findings).toContainText('WCAG 2.4.9');
    await findings.getByRole('button', { name: 'Put “Buses (walkers-of-orrin.example)”' }).click();
    await expect(text(page).getByRole('link', { name: 'Buses (walkers-of-orrin.example)' })).toHaveCount(1);
    await expect(findings).toHaveCount(0);
  });

  test('that takes in a comma is trimmed in one step', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    await press(text(page).getByText('state of the lamp at Lantern Rock'));
    await slip(page).getByRole('button', { name: 'Trim the ends' }).click();
    await expect(
      text(page).getByRole('link', { name: 'state of the lamp at Lantern Rock', exact: true }),
    ).toHaveText('state of the lamp at Lantern Rock');
  });
});

test.describe('addresses in the text', () => {
  test('become links when they are typed in full; a link that was removed stays removed', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await page.keyboard.type('See https://lamp-trust.example/tides, then go on');
    const link = text(page).getByRole('link', { name: 'https://lamp-trust.example/tides' });
    await expect(link).toHaveText('https://lamp-trust.example/tides');
    await page.keyboard.type(' and on');
    await expect(link).toHaveText('https://lamp-trust.example/tides');
    await press(link);
    await page.keyboard.press('Control+Alt+k');
    await expect(link).toHaveCount(0);
    await page.keyboard.press('End');
    await page.keyboard.type(' still typing ');
    await press(text(page).getByText('See https://lamp-trust.example/tides'));
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await expect(link).toHaveCount(0);
    await saved(page);
    await page.reload();
    await expect(text(page)).toContainText('See https://lamp-trust.example/tides, then go on');
    await expect(link).toHaveCount(0);
  });

  test('that became links are words again after one undo', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('Start at the door'));
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' www.orrin-archive.example ');
    const link = text(page).getByRole('link', { name: 'www.orrin-archive.example' });
    await expect(link).toHaveAttribute('href', 'https://www.orrin-archive.example/');
    await page.keyboard.press('Control+z');
    await expect(link).toHaveCount(0);
    await expect(text(page)).toContainText('www.orrin-archive.example');
  });

  test('that are pasted become links, over selected words too', async ({ page, vennet, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await openChapter(page, vennet, 'The harbour lamp');
    await page.evaluate(() => navigator.clipboard.writeText('https://orrin-archive.example/logs'));
    await selectWords(page, 'numbered pieces');
    await page.keyboard.press('Control+v');
    await expect(text(page).getByRole('link', { name: 'numbered pieces' })).toHaveAttribute(
      'href',
      'https://orrin-archive.example/logs',
    );
    await page.evaluate(() =>
      navigator.clipboard.writeText('Look at https://orrin-archive.example/maps, and at lamp.example.'),
    );
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+v');
    await expect(text(page).getByRole('link', { name: 'https://orrin-archive.example/maps' })).toHaveText(
      'https://orrin-archive.example/maps',
    );
    await expect(text(page).getByRole('link', { name: 'lamp.example', exact: true })).toHaveCount(0);
  });
});

test('the menu of headings gives the caret back to the text', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'Gannel Point');
  const heading = text(page).getByRole('heading', { name: 'Coming back' });
  await press(heading);
  await page.getByRole('button', { name: 'Heading', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Paragraph' }).click();
  await expect(heading).toHaveCount(0);
  await expect(text(page)).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect(heading).toHaveCount(1);
});

/** Where the selection is, from the corner of the element that it stands in. */
async function spotOf(page: Page): Promise<{ x: number; y: number }> {
  return page.evaluate(() => {
    const range = getSelection()!.getRangeAt(0);
    const [words] = range.getClientRects();
    const box = range.startContainer.parentElement!.getBoundingClientRect();
    return { x: words!.left + words!.width / 2 - box.left, y: words!.top + words!.height / 2 - box.top };
  });
}
