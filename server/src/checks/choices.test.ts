import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { linksOf, readBook } from '@vennet/core/manuscript';
import { planEach } from '@vennet/core/repair';
import { isUnderWay } from '@vennet/core/wire';
import { html, status, type Site } from '@vennet/world';
import { linksInPdf } from '@vennet/core/readback';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

const lamp: Site = {
  name: 'lamp.example',
  about: 'Lamps',
  pages: {
    '/tides': html(
      '<!doctype html><html lang="de"><title>Tide tables</title><p>Ebbe und Flut der Bucht.</p>',
    ),
    '/lost': status(404, 'No such page'),
  },
};

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp({ sites: [lamp], prober: { retryDelay: 5, requestTimeout: 1000, rate: 0 } });
});
afterAll(() => app.stop());

const bookOf = async (links: [string, string][]): Promise<string> =>
  (await app.upload('book.html', pageWithLinks(links))).body.id;

const check = async (book: string) => {
  const { id } = await app.api.startCheck(book);
  return until(
    () => app.api.check(id),
    (run) => !isUnderWay(run),
  );
};

const rulesOf = async (book: string) =>
  (await app.api.links(book)).map(({ findings }) => findings.map(({ rule }) => rule));

describe('how grave a rule is', () => {
  test('is chosen for one book, with the reason kept; and is as it was when that is taken back', async () => {
    const book = await bookOf([['https://lamp.example/tides', 'https://lamp.example/tides']]);
    const other = await bookOf([['https://lamp.example/tides', 'https://lamp.example/tides']]);
    expect(await app.api.links(book)).toMatchObject([
      { findings: [{ rule: 'raw-address', severity: 'should-fix' }] },
    ]);
    await app.api.chooseRule(book, 'raw-address', { severity: 'must-fix', reason: 'Our house rule' });
    expect(await app.api.links(book)).toMatchObject([{ findings: [{ severity: 'must-fix' }] }]);
    await app.api.chooseRule(book, 'raw-address', { severity: 'off', reason: 'It is a list of sources' });
    expect(await rulesOf(book)).toEqual([[]]);
    expect(await rulesOf(other)).toEqual([['raw-address']]);
    expect((await app.api.survey(book)).rules).toMatchObject([
      { rule: 'raw-address', severity: 'off', reason: 'It is a list of sources' },
    ]);
    await app.api.chooseRule(book, 'raw-address', null);
    expect(await rulesOf(book)).toEqual([['raw-address']]);
  });

  test('is refused without a reason, for a rule that there is not, and for a book that there is not', async () => {
    const book = await bookOf([['tides', 'https://lamp.example/tides']]);
    await expect(app.api.chooseRule(book, 'raw-address', { severity: 'off', reason: '' })).rejects.toThrow(
      /Say why/,
    );
    await expect(app.api.chooseRule(book, 'no-such', { severity: 'off', reason: 'x' })).rejects.toMatchObject(
      { problem: { status: 404 } },
    );
    const nowhere = '6ba7b810-9dad-11d1-80b4-00c04fd430c8';
    await expect(
      app.api.chooseRule(nowhere, 'raw-address', { severity: 'off', reason: 'x' }),
    ).rejects.toMatchObject({ problem: { status: 404 } });
  });
});

describe('what is set aside', () => {
  const aside = { reason: 'Meant so', until: '' };

  test('is not told any more, and shows again when the words of the link change', async () => {
    const book = await bookOf([['https://lamp.example/tides', 'https://lamp.example/tides']]);
    const [link] = await app.api.links(book);
    const print = 'https://lamp.example/tides\nhttps://lamp.example/tides\nunchecked';
    const [id] = await app.api.setAside(book, [{ rule: 'raw-address', of: link!.id, print, ...aside }]);
    expect(await rulesOf(book)).toEqual([[]]);
    expect((await app.api.survey(book)).aside).toMatchObject([{ id, reason: 'Meant so', author: 'local' }]);
    await app.api.repair(book, {
      target: { links: [link!.id] },
      repair: { type: 'text', text: 'lamp.example/tides' },
    });
    expect(await rulesOf(book)).toEqual([['raw-address']]);
  });

  test('shows again when the verdict changes, when its day is over, and when the author wants', async () => {
    const book = await bookOf([['https://lamp.example/tides', 'https://lamp.example/tides']]);
    const [link] = await app.api.links(book);
    const entry = {
      rule: 'raw-address',
      of: link!.id,
      print: `${link!.href}\n${link!.href}\nunchecked`,
      ...aside,
    };
    await app.api.setAside(book, [entry]);
    await check(book);
    expect((await rulesOf(book))[0]).toContain('raw-address');
    const checked = { ...entry, print: entry.print.replace('unchecked', 'sound') };
    await app.api.setAside(book, [{ ...checked, until: '2020-01-01' }]);
    expect((await rulesOf(book))[0]).toContain('raw-address');
    const [id] = await app.api.setAside(book, [checked]);
    expect((await rulesOf(book))[0]).not.toContain('raw-address');
    await app.api.showAgain(book, [id!]);
    expect((await rulesOf(book))[0]).toContain('raw-address');
  });

  test('needs a reason, a rule and a day that is one', async () => {
    const book = await bookOf([['tides', 'https://lamp.example/tides']]);
    const entry = { rule: 'raw-address', of: 'x', print: '', ...aside };
    await expect(app.api.setAside(book, [{ ...entry, reason: '' }])).rejects.toThrow(/Say why/);
    await expect(app.api.setAside(book, [{ ...entry, until: 'soon' }])).rejects.toThrow(/day/);
    await expect(app.api.setAside(book, [{ ...entry, rule: 'nothing' }])).rejects.toThrow(/no rule/);
    expect((await app.api.survey(book)).aside).toEqual([]);
  });
});

describe('a check', () => {
  test('counts findings when it ends, knows the title and the language of pages, and asks for candidates', async () => {
    const book = await bookOf([
      ['the tide tables', 'https://lamp.example/tides'],
      ['here', 'https://lamp.example/lost'],
    ]);
    const run = await check(book);
    expect(run.findings).toMatchObject({ consider: expect.any(Number) as unknown });
    const verdicts = await app.api.verdicts(book);
    expect(verdicts.find(({ href }) => href.endsWith('/tides'))).toMatchObject({
      title: 'Tide tables',
      language: 'de',
    });
    expect((await rulesOf(book))[0]).toEqual(['page-language']);
    const { id } = await app.api.startCheck(book, {
      hrefs: ['https://lamp.example/other', 'mailto:a@b.example'],
      candidates: true,
    });
    const asked = await until(
      () => app.api.check(id),
      (one) => !isUnderWay(one),
    );
    expect(asked).toMatchObject({ total: 1, state: 'done' });
    const [summary] = (await app.api.books()).filter((one) => one.id === book);
    expect(summary?.lastCheck).toMatchObject({
      broken: 1,
      verdicts: { broken: 1, sound: 1 },
      findings: run.findings,
    });
  });
});

describe('repairs of many links', () => {
  test('are one change, made as they were planned, and taken back by it; stale ones are passed over', async () => {
    const book = await bookOf([
      ['one', 'https://lamp.example/one'],
      ['two', 'https://lamp.example/two'],
      ['three', 'https://lamp.example/three'],
    ]);
    const links = linksOf(readBook(await app.api.manuscript(book)));
    const { planned } = planEach(links, ({ text }) => [{ type: 'text', text: `the ${text}` }]);
    planned[2]!.was.text = 'otherwise';
    const done = await app.api.repairMany(book, { words: 'Words for links', planned });
    expect(done.changed).toBe(2);
    expect((await app.api.links(book)).map(({ text }) => text)).toEqual(['the one', 'the two', 'three']);
    expect((await app.api.changes(book))[0]?.words).toBe('Before: Words for links');
    await app.api.takeBack(book, done.change!);
    expect((await app.api.links(book)).map(({ text }) => text)).toEqual(['one', 'two', 'three']);
  });

  test('are refused as a whole where one leads to what can’t be published', async () => {
    const book = await bookOf([['one', 'https://lamp.example/one']]);
    const [link] = await app.api.links(book);
    const destination = { kind: 'web' as const, href: 'javascript:x' };
    const planned = [
      {
        link: link!.id,
        was: { href: link!.href, text: 'one' },
        repairs: [{ type: 'destination' as const, destination }],
      },
    ];
    await expect(app.api.repairMany(book, { words: 'x', planned })).rejects.toMatchObject({
      problem: { status: 422 },
    });
    expect(await app.api.links(book)).toMatchObject([{ href: 'https://lamp.example/one' }]);
  });
});

describe('a report', () => {
  const fetched = async (book: string, as: string) => {
    const response = await fetch(`${app.address}/api/books/${book}/report?as=${as}`);
    return {
      status: response.status,
      type: response.headers.get('content-type'),
      bytes: new Uint8Array(await response.arrayBuffer()),
    };
  };
  const textOf = async (book: string, as: string) =>
    new TextDecoder().decode((await fetched(book, as)).bytes);

  test('says what was found, as data, as tables that are no formulas, and for other checkers', async () => {
    const book = await bookOf([
      ['=HYPERLINK("x")', 'https://lamp.example/lost'],
      ['here', 'https://lamp.example/tides'],
    ]);
    await check(book);
    const report = JSON.parse(await textOf(book, 'json')) as {
      counts: unknown;
      findings: { rule: string }[];
      rules: unknown[];
    };
    expect(report.counts).toMatchObject({ links: 2, destinations: 2, verdicts: { broken: 1, sound: 1 } });
    expect(report.findings.map(({ rule }) => rule)).toContain('vague-text');
    expect(report.rules.length).toBeGreaterThan(40);
    const csv = await textOf(book, 'csv');
    expect(csv.split('\r\n')[0]).toContain('severity,rule,criterion');
    expect(csv).not.toMatch(/(?:^|,)=HYPERLINK/m);
    expect(await textOf(book, 'destinations')).toContain('broken,https://lamp.example/lost');
    expect(JSON.parse(await textOf(book, 'earl'))).toMatchObject({
      '@context': { earl: 'http://www.w3.org/ns/earl#' },
    });
  });

  test('is made to be read as a page and as a tagged PDF without a link that leads nowhere', async () => {
    const book = await bookOf([['here', 'https://lamp.example/lost']]);
    const read = await textOf(book, 'html');
    expect(read).toContain('Accessibility of the links');
    const pdf = await fetched(book, 'pdf');
    expect(pdf.type).toBe('application/pdf');
    const { links } = await linksInPdf(pdf.bytes);
    expect(links.filter(({ href }) => href.startsWith('http'))).toEqual([]);
    expect((await fetched(book, 'docx')).status).toBe(400);
  });
});
