import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { readingPage } from '@vennet/client';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { epubFiles, writtenPages, zip } from '@vennet/core/testing';
import type { AnyProof } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

let app: TestApp;
let book: string;
beforeAll(async () => {
  app = await startTestApp();
  const { body } = await app.upload(
    'book.html',
    pageWithLinks([
      ['the tide tables', 'https://tides.example/low'],
      ['the keeper', 'mailto:keeper@lamp.example'],
      ['the oil', 'https://lamp.example/oil'],
    ]),
  );
  book = body.id;
});
afterAll(() => app.stop());

const proved = (name: string, bytes: Uint8Array | string) =>
  app.upload<AnyProof & { detail: string }>(name, bytes, `books/${book}/proofs`);
const told = ({ links }: AnyProof) => links.map(({ state, text, href, where }) => [state, text, href, where]);

async function madeWeb(): Promise<string> {
  const { id } = await app.api.startExport(book, 'web');
  await until(
    () => app.api.export(id),
    ({ state }) => state === 'done',
  );
  return (await fetch(`${app.address}/api/exports/${id}/file`)).text();
}

test('a file that was made of the book is proved against it: one link taken out and one changed are named', async () => {
  const clean = await madeWeb();
  expect((await proved('book.html', clean)).body.proof).toMatchObject({ found: 3, lost: [], changed: [] });
  const spoilt = clean
    .replace('https://lamp.example/oil', 'https://evil.example/oil')
    .replace(/<a [^>]*mailto:[^>]*>(.*?)<\/a>/, '$1');
  const { body } = await proved('book.html', spoilt);
  expect(body.proof).toMatchObject({ expected: 3, found: 1 });
  const [lost, changed] = body.links;
  expect(lost).toMatchObject({ state: 'lost', text: 'the keeper', href: 'mailto:keeper@lamp.example' });
  expect(changed).toMatchObject({
    state: 'changed',
    href: 'https://lamp.example/oil',
    about: 'leads to https://evil.example/oil',
  });
  // They lead to the book's own links.
  const own = await app.api.links(book);
  expect(own.map(({ id }) => id)).toEqual(expect.arrayContaining([lost!.id, changed!.id]));
});

test('an e-book, a PDF and a page of others are read, judged, and words that only look like links are told apart', async () => {
  const chapter =
    '<body><h1>Boats</h1><p><a href="https://ferry.example/times">click here</a>, and https://ferry.example/plain.</p></body>';
  const epub = (await proved('boats.epub', zip(epubFiles({ 'one.xhtml': chapter })))).body;
  expect(epub.proof).toBeNull();
  expect(told(epub)).toEqual([
    ['found', 'click here', 'https://ferry.example/times', 'Boats'],
    ['looks', 'https://ferry.example/plain', 'https://ferry.example/plain', 'Boats'],
  ]);
  expect(epub.links[0]!.findings.map(({ rule }) => rule)).toContain('vague-text');
  const pdf = writtenPages([
    {
      lines: [
        { x: 72, y: 700, text: 'The ferry and https://ferry.example/plain' },
        { x: 72, y: 600, text: 'leaves' },
      ],
      annotations: [
        '<< /Type /Annot /Subtype /Link /Rect [70 597 110 612] /A << /S /URI /URI (https://ferry.example/times) >> >>',
      ],
    },
  ]);
  expect(told((await proved('boats.pdf', pdf)).body)).toEqual([
    ['found', 'leaves', 'https://ferry.example/times', 'page 1'],
    ['looks', 'https://ferry.example/plain', 'https://ferry.example/plain', 'page 1'],
  ]);
  const leaflet = readFileSync(new URL('../../../demo/leaflet/across-the-sound.pdf', import.meta.url));
  expect((await proved('leaflet.pdf', leaflet)).body.links.length).toBeGreaterThan(2);
});

test('what is no such file, broken or locked is refused in words, and nothing is kept', async () => {
  for (const [name, bytes, words] of [
    ['notes.txt', 'Only words.', /is no PDF, e-book/],
    ['broken.pdf', '%PDF-1.7\\nand no more', /damaged|no pages/],
    ['broken.epub', 'PK\\u0003\\u0004mimetypeapplication/epub+zip', /./],
  ] as const) {
    const { status, body } = await proved(name, bytes);
    expect([status, body.detail]).toEqual([422, expect.stringMatching(words)]);
  }
  expect(await app.api.books()).toHaveLength(1);
});

test('a made file is tried in a sandbox in which one script of Vennet’s alone runs', async () => {
  const { id } = await app.api.startExport(book, 'epub');
  await until(
    () => app.api.export(id),
    ({ state }) => state === 'done',
  );
  const { pages, format } = await app.api.reading(id);
  expect(format).toBe('epub');
  const chapter = pages.find(({ title }) => title === 'A book')!;
  const response = await fetch(app.address + readingPage(id, chapter.path));
  const policy = response.headers.get('content-security-policy')!;
  expect(policy).toMatch(/^sandbox allow-scripts; default-src 'none'/);
  const page = await response.text();
  const [, script = ''] = /<script>([^]*)<\/script>/.exec(page)!;
  const run = script.replaceAll('&lt;', '<').replaceAll('&amp;', '&');
  // CSP 3, 2.3.1: a script is admitted by the hash of its text.
  expect(policy).toContain(`script-src 'sha256-${createHash('sha256').update(run).digest('base64')}'`);
  expect(page.match(/<script/g)).toHaveLength(1);
  expect((await fetch(app.address + readingPage(id, '../../etc/passwd'))).status).toBe(404);
});
