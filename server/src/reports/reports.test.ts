import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BookMade, LinkRow } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const bring = async (page: string) => (await app.upload<BookMade>('book.html', page)).body.id;
const links = async (book: string) => (await app.call<LinkRow[]>('GET', `books/${book}/links`)).body;

describe('a report of a book', () => {
  test('is always of the book as it is now', async () => {
    const book = await bring(pageWithLinks([['Low water', 'https://a.example/']]));
    expect((await links(book)).map(({ text }) => text)).toEqual(['Low water']);
    for (let count = 0; count < 5; count++) {
      const { chapters } = await app.api.manuscript(book);
      const { id, doc, version } = chapters[0]!;
      const next = JSON.parse(
        JSON.stringify(doc).replace(/Low water \d*|Low water/, `Low water ${count}`),
      ) as object;
      await app.api.saveChapter(id, { doc: next, version });
      // Whoever asks after a change was acknowledged sees it, however many ask at once.
      const seen = await Promise.all([links(book), links(book), links(book)]);
      for (const rows of seen) expect(rows.map(({ text }) => text)).toEqual([`Low water ${count}`]);
    }
  });

  test('follows the book’s details, its files and the books that it leads to', async () => {
    const book = await bring(pageWithLinks([['low', 'https://a.example/']]));
    const title = async () => (await app.api.manuscript(book)).title;
    await app.api.changeBook(book, { title: 'Tides' });
    expect(await title()).toBe('Tides');
    await app.upload('tides.csv', 'a,b', `books/${book}/enclosures`);
    expect((await app.api.manuscript(book)).files).toHaveLength(1);
    const other = (await app.api.startBook({ title: 'Lamps' })).id;
    expect((await app.api.manuscript(book)).books.map(({ title }) => title)).toContain('Lamps');
    await app.api.changeBook(other, { title: 'Wicks' });
    expect((await app.api.manuscript(book)).books.map(({ title }) => title)).toContain('Wicks');
  });

  test('is not sent again to whoever has it (RFC 9110, 13.1.2), and may be had plain', async () => {
    const book = await bring(pageWithLinks([['low', 'https://a.example/']]));
    const address = `${app.address}/api/books/${book}/links`;
    const first = await fetch(address);
    const etag = first.headers.get('etag')!;
    const again = await fetch(address, { headers: { 'if-none-match': etag, 'cache-control': 'max-age=0' } });
    expect(again.status).toBe(304);
    const plain = await fetch(address, { headers: { 'accept-encoding': 'identity' } });
    expect(plain.headers.get('content-encoding')).toBeNull();
    expect(await plain.json()).toEqual(await first.json());
  });

  test('of a book that is not there is said not to be there', async () => {
    for (const kind of ['links', 'findings', 'forms', 'places', 'pages'])
      expect((await app.call('GET', `books/01234567-89ab-4def-8123-456789abcdef/${kind}`)).status).toBe(404);
  });

  test('of a book of many headings is made while others are answered', async () => {
    const page = Array.from(
      { length: 6_000 },
      (_, index) => `<h2 id="h${index}">Lamp ${index}</h2><p><a href="#h${(index * 7) % 6_000}">lamp</a></p>`,
    );
    const book = await bring(`<!doctype html><html><title>Lamps</title><body>${page.join('')}</body></html>`);
    let done = false;
    const asked = Promise.all(
      ['links', 'forms', 'findings'].map((kind) => app.call('GET', `books/${book}/${kind}`)),
    ).finally(() => (done = true));
    let answered = 0;
    while (!done) {
      expect((await app.call('GET', 'health')).status).toBe(200);
      answered++;
    }
    expect((await asked).map(({ status }) => status)).toEqual([200, 200, 200]);
    // Had one of them been computed in the server itself, nothing would have been answered meanwhile.
    expect(answered).toBeGreaterThan(20);
  }, 60_000);
});
