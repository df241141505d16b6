import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readBook } from '@vennet/core/manuscript';
import { findMentions } from '@vennet/core/repair';
import type { RepairDone } from '@vennet/core/wire';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
let book: string;
beforeAll(async () => {
  app = await startTestApp();
  const html =
    '<!doctype html><html lang="en"><title>Lamps</title><h1>Lamps</h1><p>A lamp and a Lamp.</p><h1>More</h1><p>The lamp.</p>';
  book = (await app.upload('lamps.html', html)).body.id;
});
afterAll(() => app.stop());

const manuscript = () => app.api.manuscript(book);
const links = () => app.api.links(book);
const search = {
  words: 'lamp',
  matchCase: false,
  chapters: null,
  headings: false,
  code: false,
  firstOnly: false,
};
const link = {
  destination: { kind: 'web' as const, href: 'https://a.example/' },
  hoverNote: 'About lamps',
  look: null,
};

describe('mentions all over a book', () => {
  test('become links at once, and going back takes all of them away', async () => {
    const mentions = findMentions(readBook(await manuscript()), search);
    const { status, body } = await app.call<RepairDone>('POST', `books/${book}/mentions`, {
      ...link,
      mentions,
    });
    expect(status).toBe(200);
    expect(body.changed).toBe(3);
    expect((await links()).map(({ text, href }) => `${text} ${href}`)).toEqual([
      'lamp https://a.example/',
      'Lamp https://a.example/',
      'lamp https://a.example/',
    ]);
    expect(new Set((await links()).map(({ id }) => id)).size).toBe(3);
    // Sent once more they are stale: they bear links now.
    expect((await app.api.linkMentions(book, { ...link, mentions })).changed).toBe(0);
    await app.api.restore(book, body.snapshot!);
    expect(await links()).toEqual([]);
  });

  test('are refused with a destination that can’t be published', async () => {
    const destination = { kind: 'web', href: 'javascript:alert(1)' };
    const answer = await app.call('POST', `books/${book}/mentions`, { ...link, destination, mentions: [] });
    expect(answer.status).toBe(422);
  });

  test('of a book can be led to from another one', async () => {
    const [first] = await app.api.places(book);
    const place = first!.id;
    const other = (await app.api.startBook({ title: 'Companion' })).id;
    const [chapter] = (await app.api.manuscript(other)).chapters;
    const destination = { kind: 'book', book, place };
    const mark = { type: 'link', attrs: { id: 'l1', destination, hoverNote: '', look: null } };
    const doc = {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: 'the wind', marks: [mark] }] }],
    };
    await app.api.saveChapter(chapter!.id, { version: 1, doc });
    const row = async () => (await app.api.links(other))[0];
    expect(await row()).toMatchObject({ kind: 'book', verdict: 'sound', findings: [] });
    await app.api.removeBook(book);
    expect(await row()).toMatchObject({ verdict: 'broken', findings: [{ rule: 'book-gone' }] });
    await app.api.putBookBack(book);
  });
});

test('navigation that was typed by hand is made real as one change, and that is taken back', async () => {
  const page =
    '<!doctype html><html lang="en"><title>Guide</title><body><h1 id="toc">Contents</h1><p>Lamps ... 3</p><p>Tides ... 7</p><p>Wind ... 9</p><h1>Lamps</h1><p>Of lamps.</p><p><a href="#toc">Back to contents</a></p><h1>Tides</h1><p>Of tides.</p><h1>Wind</h1><p>Of wind.</p>';
  const { id } = (await app.upload('guide.html', page)).body;
  const pieces = await app.api.handMadeNavigation(id);
  expect(pieces.map(({ becomes, sureness }) => [becomes, sureness])).toEqual([
    ['contents', 'sure'],
    ['return', 'sure'],
  ]);
  const done = await app.api.makeNavigation(id, { take: pieces.map(({ key }) => key) });
  expect(done.changed).toBe(2);
  const text = async () => JSON.stringify((await app.api.manuscript(id)).chapters.map(({ doc }) => doc));
  expect(await text()).toContain('"type":"contents"');
  expect(await text()).toContain('"own":"Back to contents"');
  expect(await app.api.handMadeNavigation(id)).toEqual([]);
  await app.api.takeBack(id, done.change!);
  expect(await app.api.handMadeNavigation(id)).toHaveLength(2);
});
