import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { epubFiles, zip } from '@vennet/core/testing';
import type { Problem, RepairDone } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

interface Doc {
  type: string;
  content: { content?: { text?: string; marks?: { attrs: Record<string, unknown> }[] }[] }[];
}

async function bookWith(links: [string, string][] = [['tides', 'https://lamp.example/tides']]) {
  const { body } = await app.upload('book.html', pageWithLinks(links));
  const manuscript = await app.api.manuscript(body.id);
  return { id: body.id, chapter: manuscript.chapters[0], doc: manuscript.chapters[0]!.doc as Doc };
}

const withText = (doc: Doc, text: string): Doc => {
  const copy = structuredClone(doc);
  copy.content[0]!.content = [{ ...copy.content[0]!.content![0], text }];
  return copy;
};

const storedTitle = async (id: string) => (await app.api.manuscript(id)).chapters[0]!.title;
const hrefs = async (id: string) => (await app.api.links(id)).map(({ text, href }) => [text, href]);

describe('the server', () => {
  test('says that it and its database are well', async () => {
    expect(await app.call('GET', 'health')).toEqual({ status: 200, body: { status: 'ok', database: 'ok' } });
  });

  test('describes its interface', async () => {
    const { body } = await app.call<{ paths: Record<string, unknown> }>('GET', 'openapi.json');
    for (const path of [
      '/api/books',
      '/api/books/{id}/links',
      '/api/books/bring-in',
      '/api/books/{id}/checks',
      '/api/checks/{id}',
      '/api/checks/{id}/events',
      '/api/books/{id}/exports',
      '/api/exports/{id}',
      '/api/exports/{id}/file',
    ])
      expect(Object.keys(body.paths)).toContain(path);
  });

  test.each([[{ host: 'evil.example' }], [{ origin: 'https://evil.example' }], [{ origin: 'null' }]])(
    'does not answer to other sites: %j',
    async (headers) => {
      // fetch won't send these headers, so the request is written by hand.
      const { request } = await import('node:http');
      const status = await new Promise((resolve) => {
        request(`${app.address}/api/books`, { headers }, (response) =>
          resolve(response.resume().statusCode),
        ).end();
      });
      expect(status).toBe(403);
    },
  );

  test('tells faults as problem documents', async () => {
    expect(await app.call('GET', 'books/6ba7b810-9dad-41d1-80b4-00c04fd430c8')).toMatchObject({
      status: 404,
      body: { title: 'Not found', status: 404 },
    });
    expect(await app.call('POST', 'books', { title: '' })).toMatchObject({
      status: 400,
      body: { detail: expect.stringContaining('title') as unknown },
    });
    expect(await app.call('POST', 'books', '{"title":')).toMatchObject({ status: 400 });
  });
});

describe('saving a chapter', () => {
  test('makes a new version', async () => {
    const { id, chapter, doc } = await bookWith();
    const saved = await app.call('PUT', `chapters/${chapter!.id}`, {
      version: 1,
      doc: withText(doc, 'New title'),
    });
    expect(saved).toEqual({ status: 200, body: { id: chapter!.id, version: 2, title: 'New title' } });
    expect(await storedTitle(id)).toBe('New title');
  });

  test('that was read at an older version is refused, with the text that is stored', async () => {
    const { id, chapter, doc } = await bookWith();
    await app.api.saveChapter(chapter!.id, { version: 1, doc: withText(doc, 'First') });
    const { status, body } = await app.call<Problem>('PUT', `chapters/${chapter!.id}`, {
      version: 1,
      doc: withText(doc, 'Second'),
    });
    expect(status).toBe(409);
    expect(body.current).toMatchObject({ version: 2, title: 'First' });
    expect(await storedTitle(id)).toBe('First');
  });

  test('from two windows at one moment lets one of them through', async () => {
    const { chapter, doc } = await bookWith();
    const saves = ['One', 'Two', 'Three', 'Four'].map((text) =>
      app.call('PUT', `chapters/${chapter!.id}`, { version: 1, doc: withText(doc, text) }),
    );
    expect((await Promise.all(saves)).map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
  });

  test.each([
    ['javascript:alert(1)', /http or https/],
    ['data:text/html,x', /http or https/],
    ['file:///etc/passwd', /http or https/],
    ['not an address', /full web address/],
  ])('with a link to %s is refused with the path, and nothing is stored', async (href, why) => {
    const { id, chapter, doc } = await bookWith();
    const bad = withText(doc, 'Changed');
    bad.content[1]!.content![1]!.marks![0]!.attrs.destination = { kind: 'web', href };
    const { status, body } = await app.call<Problem>('PUT', `chapters/${chapter!.id}`, {
      version: 1,
      doc: bad,
    });
    expect([status, body.path]).toEqual([422, 'content[1].content[1].marks[0].attrs.destination']);
    expect(body.detail).toMatch(why);
    expect(await storedTitle(id)).toBe('A book');
  });

  test('that does not fit the schema is refused with the path', async () => {
    const { chapter } = await bookWith();
    const bad = { type: 'doc', content: [{ type: 'paragraph' }, { type: 'marquee' }] };
    expect(await app.call('PUT', `chapters/${chapter!.id}`, { version: 1, doc: bad })).toMatchObject({
      status: 422,
      body: { path: 'content[1].type' },
    });
  });
});

describe('bringing in', () => {
  test('stores the book and answers with its id and the report', async () => {
    const { status, body } = await app.upload(
      'Größe.epub',
      zip(epubFiles({ 'a.xhtml': '<body><h1>One</h1><p><a href="https://a.example/">a</a></p></body>' })),
    );
    expect(status).toBe(201);
    expect(body).toMatchObject({
      report: { kept: expect.arrayContaining([{ what: 'web links', count: 1 }]) as unknown },
    });
    expect(await hrefs(body.id)).toEqual([['a', 'https://a.example/']]);
  });

  test.each([
    ['a file that is no book', 'words.txt', 'Just words', /none of the kinds that can be brought in/],
    ['an empty file', 'empty.epub', '', /empty/],
    [
      'a broken archive',
      'broken.epub',
      zip(epubFiles({ 'a.xhtml': '<body><p>x</p></body>' })).slice(0, 200),
      /damaged/,
    ],
    ['a zip bomb', 'bomb.epub', zip({ a: new Uint8Array(200_000_000) }), /far more than a book needs/],
    [
      'an encrypted book',
      'locked.epub',
      zip(
        epubFiles(
          { 'a.xhtml': '<body><p>x</p></body>' },
          {
            'META-INF/encryption.xml':
              '<e><EncryptionMethod Algorithm="http://www.w3.org/2001/04/xmlenc#aes128-cbc"/></e>',
          },
        ),
      ),
      /encrypted/,
    ],
  ])('%s is refused in clear words, and the Library stays as it was', async (_what, name, bytes, why) => {
    const before = (await app.api.books()).length;
    const { status, body } = await app.upload(name, bytes);
    expect(status).toBe(422);
    expect(body.detail).toMatch(why);
    expect(await app.api.books()).toHaveLength(before);
  });
});

describe('the Library', () => {
  test('starts a book that can be written in', async () => {
    const { body } = await app.call<{ id: string }>('POST', 'books', { title: 'Tides', author: 'A. Uthor' });
    const { chapters } = await app.api.manuscript(body.id);
    await app.api.saveChapter(chapters[0]!.id, { version: 1, doc: chapters[0]!.doc });
    const second = await app.call<{ id: string }>('POST', `books/${body.id}/chapters`, {
      title: 'Second',
      after: chapters[0]!.id,
    });
    expect((await app.api.manuscript(body.id)).chapters.map(({ id }) => id)).toEqual([
      chapters[0]!.id,
      second.body.id,
    ]);
  });

  test('removes a book and puts it back', async () => {
    const { id } = await bookWith();
    const listed = async () => (await app.api.books()).find((book) => book.id === id)?.deletedAt;
    expect((await app.call('DELETE', `books/${id}`)).status).toBe(204);
    expect(await listed()).not.toBeNull();
    expect((await app.call('GET', `books/${id}`)).status).toBe(404);
    await app.api.putBookBack(id);
    expect(await listed()).toBeNull();
    expect((await app.call('GET', `books/${id}`)).status).toBe(200);
  });
});

describe('repairs over a book', () => {
  const OLD = 'https://lamp.example/old';
  const NEW = { kind: 'web', href: 'https://lamp.example/new' };

  test('correct an address once for all its uses, and can be taken back', async () => {
    const { id } = await bookWith([
      ['one', OLD],
      ['two', OLD],
      ['other', 'https://else.example/'],
    ]);
    const repaired = await app.call<RepairDone>('POST', `books/${id}/repairs`, {
      target: { href: OLD },
      repair: { type: 'destination', destination: NEW },
    });
    expect(repaired.body.changed).toBe(2);
    expect(await hrefs(id)).toEqual([
      ['one', NEW.href],
      ['two', NEW.href],
      ['other', 'https://else.example/'],
    ]);
    await app.api.restore(id, repaired.body.snapshot!);
    expect(await hrefs(id)).toEqual([
      ['one', OLD],
      ['two', OLD],
      ['other', 'https://else.example/'],
    ]);
    expect((await app.api.versions(id)).map(({ reason }) => reason)).toEqual([
      'Before going back to an earlier text',
      'Before 2 links got another destination',
    ]);
  });

  test('of one link leave the others', async () => {
    const { id } = await bookWith([
      ['one', OLD],
      ['two', OLD],
    ]);
    const [, second] = await app.api.links(id);
    await app.api.repair(id, {
      target: { links: [second!.id] },
      repair: { type: 'text', text: 'better words' },
    });
    expect(await hrefs(id)).toEqual([
      ['one', OLD],
      ['better words', OLD],
    ]);
  });

  test.each([
    [{ type: 'destination', destination: { kind: 'web', href: 'javascript:x' } }],
    [{ type: 'text', text: ' ' }],
    [{ type: 'rewrite-everything' }],
  ])('%j is refused and changes nothing', async (repair) => {
    const { id } = await bookWith([['one', OLD]]);
    expect((await app.call('POST', `books/${id}/repairs`, { target: { href: OLD }, repair })).status).toBe(
      422,
    );
    expect(await hrefs(id)).toEqual([['one', OLD]]);
  });
});
