import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readBook } from '@vennet/core/manuscript';
import { findMentions } from '@vennet/core/repair';
import type { LinkRow, Manuscript, RepairDone } from '@vennet/core/wire';
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

const manuscript = async () => (await app.call<Manuscript>('GET', `books/${book}`)).body;
const links = async () => (await app.call<LinkRow[]>('GET', `books/${book}/links`)).body;
const search = {
  words: 'lamp',
  matchCase: false,
  chapters: null,
  headings: false,
  code: false,
  firstOnly: false,
};
const link = {
  destination: { kind: 'web', href: 'https://a.example/' },
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
    expect(
      (await app.call<RepairDone>('POST', `books/${book}/mentions`, { ...link, mentions })).body.changed,
    ).toBe(0);
    await app.call('POST', `books/${book}/snapshots/${body.snapshot}/restore`);
    expect(await links()).toEqual([]);
  });

  test('are refused with a destination that can’t be published', async () => {
    const destination = { kind: 'web', href: 'javascript:alert(1)' };
    const answer = await app.call('POST', `books/${book}/mentions`, { ...link, destination, mentions: [] });
    expect(answer.status).toBe(422);
  });

  test('of a book can be led to from another one', async () => {
    const [first] = (await app.call<{ id: string }[]>('GET', `books/${book}/places`)).body;
    const place = first!.id;
    const other = (await app.call<{ id: string }>('POST', 'books', { title: 'Companion' })).body.id;
    const [chapter] = (await app.call<Manuscript>('GET', `books/${other}`)).body.chapters;
    const destination = { kind: 'book', book, place };
    const mark = { type: 'link', attrs: { id: 'l1', destination, hoverNote: '', look: null } };
    const doc = {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: 'there', marks: [mark] }] }],
    };
    await app.call('PUT', `chapters/${chapter!.id}`, { version: 1, doc });
    const row = async () => (await app.call<LinkRow[]>('GET', `books/${other}/links`)).body[0];
    expect(await row()).toMatchObject({ kind: 'book', verdict: 'sound', findings: [] });
    await app.call('DELETE', `books/${book}`);
    expect(await row()).toMatchObject({ verdict: 'broken', findings: [{ rule: 'book-gone' }] });
    await app.call('POST', `books/${book}/put-back`);
  });
});
