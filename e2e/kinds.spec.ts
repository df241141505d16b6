import { expect, margin, openChapter, press, saved, selectWords, slip, test, text } from './vennet.js';
import { dropFile, PDF } from './files.js';

test.beforeAll(({ vennet }) => vennet.startAnew());

test.describe('an email link', () => {
  test('is made from an address with its name, with subject, copies and lines, and says what is handed over', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Skerrow Head');
    await selectWords(page, 'two wells');
    await page.keyboard.press('Control+k');
    await page.keyboard.insertText('Ada Lamp <ada@lamp-trust.example>, joe@lamp-trust.example');
    await slip(page).getByLabel('Subject').fill('Wells & walls');
    await slip(page).getByLabel('Cc', { exact: true }).fill('nobody');
    await expect(slip(page).getByText('Write addresses with commas')).toBeVisible();
    await slip(page).getByLabel('Cc', { exact: true }).fill('box@lamp-trust.example');
    await slip(page).getByLabel('Body').fill('Dear Ada,\nwhich?');
    const mailto =
      'mailto:ada@lamp-trust.example,joe@lamp-trust.example?subject=Wells%20%26%20walls&cc=box@lamp-trust.example&body=Dear%20Ada,%0D%0Awhich?';
    await expect(slip(page).getByTestId('taken-for')).toHaveText(`Email: ${mailto}`);
    await slip(page).getByRole('button', { name: 'Make the link' }).click();
    await expect(text(page).getByRole('link', { name: 'two wells' })).toHaveAttribute('href', mailto);
    await saved(page);
    expect((await vennet.api.links(book)).map(({ href }) => href)).toContain(mailto);
    await press(text(page).getByRole('link', { name: 'two wells' }));
    await slip(page).getByLabel('Subject').fill('Wells');
    await page.keyboard.press('Enter');
    await expect(text(page).getByRole('link', { name: 'two wells' })).toHaveAttribute(
      'href',
      mailto.replace('%20%26%20walls', ''),
    );
  });

  test('shows the message that would be started before it is followed', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Before you set out');
    await press(text(page).getByRole('link', { name: 'the warden and the harbour desk' }));
    await page.keyboard.press('Control+Alt+Enter');
    const message = page.getByTestId('message');
    await expect(message).toContainText('warden@walkers-of-orrin.example, desk@harbour-office.example');
    await expect(message).toContainText('Trouble on the path');
    await expect(page.getByRole('dialog')).toContainText('What I saw:');
    await page.getByRole('button', { name: 'Stay here' }).click();
    await expect(text(page)).toBeFocused();
  });

  test('whose domain looks mistyped is pointed out, and put right in one step', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Tides and addresses');
    await press(text(page).getByRole('link', { name: 'their own address' }));
    const findings = slip(page).getByRole('list', { name: 'Findings' });
    await expect(findings).toContainText('looks much like “walkers-of-orrin.example”');
    await findings.getByRole('button', { name: 'Lead to walkers-of-orrin.example' }).click();
    await expect(text(page).getByRole('link', { name: 'their own address' })).toHaveAttribute(
      'href',
      'mailto:walks@walkers-of-orrin.example',
    );
  });

  test('is made of an address that is typed in the text; a bare domain is only offered', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Write to desk@harbour-office.example or see lamp.example now');
    await expect(text(page).getByRole('link', { name: 'desk@harbour-office.example' })).toHaveAttribute(
      'href',
      'mailto:desk@harbour-office.example',
    );
    await expect(text(page).getByRole('link', { name: 'lamp.example' })).toHaveCount(0);
    const offer = page.getByRole('group', { name: 'An address was typed' });
    await expect(offer).toContainText('https://lamp.example/');
    await offer.getByRole('button', { name: 'Link them' }).click();
    await expect(text(page).getByRole('link', { name: 'lamp.example' })).toHaveAttribute(
      'href',
      'https://lamp.example/',
    );
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' and wick.example too');
    await offer.getByRole('button', { name: 'Leave them as words' }).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(', or not');
    await expect(text(page).getByRole('link', { name: 'wick.example' })).toHaveCount(0);
    await expect(offer).toHaveCount(0);
  });
});

test.describe('a file link', () => {
  test('is made by choosing a file in the slip, and its type and size are heard', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'two thousandth step');
    await page.keyboard.press('Control+k');
    await page
      .getByLabel('File from this computer')
      .setInputFiles({ name: 'Steps on the sand.pdf', mimeType: 'application/pdf', buffer: PDF });
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('Steps on the sand.pdf');
    await expect(slip(page).getByTestId('heard-as')).toHaveText(
      /“link, two thousandth step, PDF, \d+ bytes”/,
    );
    await slip(page).getByRole('button', { name: 'Make the link' }).click();
    await saved(page);
    const row = async () =>
      (await vennet.api.links(book)).find((link) => link.text === 'two thousandth step');
    expect(await row()).toMatchObject({
      kind: 'file',
      href: 'files/steps-on-the-sand.pdf',
      verdict: 'sound',
    });
    await press(text(page).getByRole('link', { name: 'two thousandth step' }));
    await slip(page).getByLabel('Who can open it').selectOption('Reviewers only');
    await expect(slip(page).getByRole('list', { name: 'Findings' })).toContainText(
      'readers are stopped here',
    );
    expect(await row()).toMatchObject({ verdict: 'guarded' });
    await slip(page).getByLabel('Who can open it').selectOption('Everyone with the book');
    await expect(slip(page).getByText('its readers can open it')).toBeVisible();
  });

  test('is made by dropping a file on the slip, or by the name of one on the Shelf', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Gannel Point');
    await selectWords(page, 'a bench, a lamp');
    await page.keyboard.press('Control+k');
    await dropFile(slip(page), { name: 'bench.csv', type: 'text/csv', content: 'a,b\n1,2\n' });
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('bench.csv');
    await slip(page).getByLabel('Leads to').fill('bell');
    await page.getByRole('option', { name: /bell-of-middle\.wav/ }).click();
    await expect(slip(page).getByTestId('heard-as')).toContainText('WAV sound, 24 kB');
    await slip(page).getByLabel('Leads to').press('Enter');
    await expect(text(page)).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(margin(page).getByRole('button', { name: /bell-of-middle\.wav/ })).toHaveText(/Sound.*File/);
  });

  test('opens the file when it is followed', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Before you set out');
    await press(text(page).getByRole('link', { name: 'a packing list' }));
    const opened = page.waitForEvent('popup');
    await page.keyboard.press('Control+Alt+Enter');
    const shown = await opened;
    await expect(shown.getByText('a clean handkerchief, for the glass')).toBeVisible();
  });
});

test.describe('a companion', () => {
  test('is started and linked in one step from a name that nothing has; the author stays', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'Lantern Rock');
    await selectWords(page, 'the chapel bell');
    await page.keyboard.press('Control+k');
    await page.keyboard.type('Bells of the Sound');
    await page.getByRole('option', { name: /Start a book called “Bells of the Sound”/ }).click();
    await expect(text(page).getByRole('link', { name: 'the chapel bell' })).toHaveCount(1);
    await expect(text(page)).toBeFocused();
    await saved(page);
    await expect
      .poll(async () => (await vennet.api.links(book)).find((link) => link.text === 'the chapel bell'))
      .toMatchObject({ kind: 'book', verdict: 'sound' });
    await page.keyboard.press('Control+k');
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('Bells of the Sound');
  });

  test('is gone to at once when that is chosen, and the way back leads to the same spot', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    await selectWords(page, 'posts or oars');
    const before = await text(page).getByRole('heading', { level: 1 }).boundingBox();
    await page.keyboard.press('Control+k');
    await page.keyboard.type('Spring tides of old');
    await page.getByRole('option', { name: /Start “Spring tides of old” and go there/ }).click();
    await expect(page.getByRole('banner').getByText('Spring tides of old')).toBeVisible();
    await page.getByRole('button', { name: 'Back to “Small Lights”' }).click();
    await expect(text(page).getByRole('heading', { level: 1 })).toHaveText('Lantern Rock');
    await expect(text(page).getByRole('link', { name: 'posts or oars' })).toHaveCount(1);
    const after = await text(page).getByRole('heading', { level: 1 }).boundingBox();
    expect(Math.abs((after?.y ?? 0) - (before?.y ?? 1000))).toBeLessThan(4);
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('Spring tides of old');
  });

  test('can be led to at one of its places', async ({ page, vennet }) => {
    const book = await openChapter(page, vennet, 'The Three Brothers');
    await press(text(page).getByRole('link', { name: 'keeper’s word list' }));
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('A Keeper’s Word List');
    await slip(page).getByLabel('Where in it').selectOption({ label: '\u2003Brother’s lens' });
    await slip(page).getByRole('button', { name: 'Change it' }).click();
    await expect(slip(page).getByLabel('Leads to')).toHaveValue('A Keeper’s Word List: Brother’s lens');
    await saved(page);
    expect((await vennet.api.links(book)).find((link) => link.text === 'keeper’s word list')).toMatchObject({
      kind: 'book',
      verdict: 'sound',
      findings: [],
    });
    await slip(page).getByRole('button', { name: 'Follow' }).click();
    await expect(text(page).getByRole('heading', { name: 'Brother’s lens' })).toBeInViewport();
  });
});

test.describe('words for a bare address', () => {
  test('are the page’s own title without its site, put there only when they are picked', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('End');
    await page.keyboard.type(' https://harbour-office.example/notices/today ');
    const link = text(page).getByRole('link', { name: 'https://harbour-office.example/notices/today' });
    await press(link);
    await expect(slip(page).getByTestId('page-title')).toHaveText(
      'Put “Notices for today”, the page’s title',
    );
    await expect(
      slip(page).getByRole('button', { name: 'Put “Today (harbour-office.example)”' }),
    ).toBeVisible();
    await expect(link).toHaveCount(1);
    await slip(page).getByTestId('page-title').getByRole('button').click();
    await expect(text(page).getByRole('link', { name: 'Notices for today' })).toHaveAttribute(
      'href',
      'https://harbour-office.example/notices/today',
    );
  });
});

test.describe('the hover note', () => {
  test('that only repeats the link text is found, and dropped in one step', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Tides and addresses');
    await press(text(page).getByRole('link', { name: 'forecast for the Sound' }));
    const findings = slip(page).getByRole('list', { name: 'Findings' });
    await expect(findings).toContainText('says the link text again');
    await findings.getByRole('button', { name: 'Drop the note' }).click();
    await expect(slip(page).getByLabel('Hover note')).toHaveValue('');
  });
});

test.describe('the look of links', () => {
  test('is chosen once for the book, with its contrast in figures', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    const link = text(page).getByRole('link', { name: 'Tidewater Inn' });
    await page.getByRole('button', { name: 'Look', exact: true }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('7.8:1');
    await dialog.getByLabel('On a light page, as #rrggbb').fill('#949494');
    await expect(dialog).toContainText('3.0:1');
    await expect(dialog.getByText('fails').first()).toBeVisible();
    await dialog.getByLabel('On a light page, as #rrggbb').fill('#8a1f1f');
    await dialog.getByLabel('Underline').selectOption('None');
    await expect(dialog.getByText('(3 wanted)').first()).toBeVisible();
    await dialog.getByLabel('Underline').selectOption('Dotted');
    await dialog.getByLabel('Weight').selectOption('Strong');
    await dialog.getByRole('button', { name: 'Use this look' }).click();
    await expect(link).toHaveCSS('color', 'rgb(138, 31, 31)');
    await expect(link).toHaveCSS('text-decoration-style', 'dotted');
    await page.reload();
    await expect(link).toHaveCSS('color', 'rgb(138, 31, 31)');
  });

  test('can be departed from by one link, and a look that can’t be read is found', async ({
    page,
    vennet,
  }) => {
    const book = await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByRole('link', { name: 'Tidewater Inn' }));
    await slip(page).getByLabel('A look of its own').check();
    await slip(page).getByLabel('On a light page, as #rrggbb').fill('#c8c8c8');
    await expect(slip(page).getByRole('list', { name: 'Findings' })).toContainText('hard to read');
    await slip(page).getByRole('button', { name: 'Change it' }).click();
    await expect(text(page).getByRole('link', { name: 'Tidewater Inn' })).toHaveCSS(
      'color',
      'rgb(200, 200, 200)',
    );
    await saved(page);
    const rules = async () =>
      (await vennet.api.links(book))
        .find((link) => link.text === 'Tidewater Inn')
        ?.findings.map(({ rule }) => rule);
    expect(await rules()).toEqual(['look-contrast']);
    await slip(page).getByRole('button', { name: 'Look like the book’s other links' }).click();
    await saved(page);
    await expect.poll(rules).toEqual([]);
  });
});

test.describe('following', () => {
  test('does not ask again for a site that the author knows', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'Lantern Rock');
    await press(text(page).getByRole('link', { name: 'life of Ada Farrow' }));
    await page.keyboard.press('Control+Alt+Enter');
    await page.getByLabel('Don’t ask again for lamp-trust.example').check();
    const first = page.waitForEvent('popup');
    await page.getByRole('link', { name: 'Go there' }).click();
    await (await first).close();
    const second = page.waitForEvent('popup');
    await page.keyboard.press('Control+Alt+Enter');
    await expect((await second).getByRole('heading', { level: 1 })).toHaveText('Ada Farrow, her diary');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });
});

test.describe('the selection', () => {
  test('of a whole paragraph ends at its words', async ({ page, vennet }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('Ten minutes from the quay'), { clickCount: 3 });
    await page.keyboard.press('Control+k');
    await expect(slip(page).getByLabel('Link text')).toHaveValue(/^Ten minutes .* any shoes$/);
    await page.keyboard.press('Escape');
  });

  test('is the word at the caret when there is none, and an address alone inserts words', async ({
    page,
    vennet,
  }) => {
    await openChapter(page, vennet, 'The harbour lamp');
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' ');
    await page.keyboard.press('Control+k');
    await page.keyboard.insertText('lamp-trust.example/tides');
    await page.keyboard.press('Enter');
    const link = text(page).getByRole('link', { name: 'Tides (lamp-trust.example)' });
    await expect(link).toHaveAttribute('href', 'https://lamp-trust.example/tides');
    await page.keyboard.type(' and so on');
    await expect(link).toHaveText('Tides (lamp-trust.example)');
  });

  test('of rich text that is pasted keeps its links, cleaned', async ({ page, vennet, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await openChapter(page, vennet, 'The harbour lamp');
    await page.evaluate(() => {
      const html =
        '<p onclick="x()" style="color:red">See <a href="https://lamp.example/a" onclick="y()" style="font-size:80px" title="Note">the list</a> and <a href="javascript:z()">this</a>.</p>';
      return navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([html], { type: 'text/html' }),
          'text/plain': new Blob(['See the list and this.'], { type: 'text/plain' }),
        }),
      ]);
    });
    await press(text(page).getByText('And that is all.'));
    await page.keyboard.press('Home');
    await page.keyboard.press('Control+v');
    const link = text(page).getByRole('link', { name: 'the list' });
    await expect(link).toHaveAttribute('href', 'https://lamp.example/a');
    await expect(link).toHaveAttribute('title', 'Note');
    await expect(link).not.toHaveAttribute('style', /80px/);
    await expect(text(page).getByRole('link', { name: 'this', exact: true })).toHaveCount(0);
  });
});

test('the sheet of keys names what can be done with links and pictures', async ({ page, vennet }) => {
  await openChapter(page, vennet, 'The harbour lamp');
  await page.getByRole('button', { name: 'Keys and guide' }).click();
  const sheet = page.getByRole('dialog');
  for (const words of ['Link every mention', 'Put a picture into the text', 'move it', 'Follow the link'])
    await expect(sheet).toContainText(words);
});
