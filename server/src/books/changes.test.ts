import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { VersionedChapter } from '@vennet/core/wire';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

interface Json {
  type: string;
  text?: string;
  content?: Json[];
}

/** A book of chapters, each of these blocks of HTML. */
async function bookOf(html: string) {
  const { body } = await app.upload(
    'book.html',
    `<!doctype html><html lang="en"><title>Lamps</title><body>${html}`,
  );
  return body.id;
}
const chaptersOf = async (book: string) => (await app.api.manuscript(book)).chapters;
const wordsOf = (json: object): string => {
  const { text = '', content = [] } = json as Json;
  return text + content.map(wordsOf).join('');
};
const texts = async (book: string) =>
  (await chaptersOf(book)).map(({ doc }) => (doc as Json).content!.map(wordsOf));
const links = async (book: string) =>
  (await app.api.links(book)).map(({ text, href }) => `${text} → ${href}`);
/** Types a paragraph at the end of a chapter. */
async function type(chapter: VersionedChapter, words: string) {
  const { content = [] } = chapter.doc as Json;
  const paragraph = { type: 'paragraph', content: [{ type: 'text', text: words }] };
  return app.api.saveChapter(chapter.id, {
    version: chapter.version,
    doc: { type: 'doc', content: [...content, paragraph] },
  });
}
const lamp = { kind: 'web' as const, href: 'https://lamp.example/' };
const uses = (href: string) => ({ href });

describe('a change all over a book that is taken back', () => {
  test('leaves every word that was written since', async () => {
    const book = await bookOf('<h1>One</h1><p>A lamp and a lamp.</p>');
    const [{ id: chapter }] = (await chaptersOf(book)) as [VersionedChapter];
    const mentions = [
      { chapter, from: 8, to: 12, text: 'lamp' },
      { chapter, from: 19, to: 23, text: 'lamp' },
    ];
    const { change, changed } = await app.api.linkMentions(book, {
      mentions,
      destination: lamp,
      hoverNote: '',
      look: null,
    });
    expect(changed).toBe(2);
    await type((await chaptersOf(book))[0]!, 'Written since.');
    expect(await links(book)).toHaveLength(2);
    const taken = await app.api.takeBack(book, change!);
    expect(taken).toMatchObject({ changed: 1, left: [] });
    expect(await links(book)).toEqual([]);
    expect(await texts(book)).toEqual([['One', 'A lamp and a lamp.', 'Written since.']]);
    await app.api.takeBack(book, taken.change!);
    expect(await links(book)).toHaveLength(2);
    expect((await app.api.changes(book)).map(({ words }) => words)).toHaveLength(3);
  });

  test('of two, either goes alone and in any order; what was changed again since is named', async () => {
    const book = await bookOf(
      '<p><a href="https://a.example/">alpha</a> and <a href="https://b.example/">beta</a></p>',
    );
    const to = (href: string) => ({
      type: 'destination' as const,
      destination: { kind: 'web' as const, href },
    });
    const one = await app.api.repair(book, {
      target: uses('https://a.example/'),
      repair: to('https://a2.example/'),
    });
    const two = await app.api.repair(book, {
      target: uses('https://b.example/'),
      repair: to('https://b2.example/'),
    });
    const three = await app.api.repair(book, {
      target: uses('https://a2.example/'),
      repair: to('https://a3.example/'),
    });
    await app.api.takeBack(book, two.change!);
    expect(await links(book)).toEqual(['alpha → https://a3.example/', 'beta → https://b.example/']);
    expect(await app.api.takeBack(book, one.change!)).toMatchObject({
      changed: 0,
      change: null,
      left: ['alpha'],
    });
    await app.api.takeBack(book, three.change!);
    expect(await links(book)).toEqual(['alpha → https://a2.example/', 'beta → https://b.example/']);
  });

  test('moves a section back with what was written in it since', async () => {
    const book = await bookOf(
      '<h1 id="one">One</h1><p>a</p><h2 id="two">Two</h2><p>b</p><h2 id="three">Three</h2><p>c</p>',
    );
    const [{ id: chapter }] = (await chaptersOf(book)) as [VersionedChapter];
    const { change } = await app.api.moveSection(book, {
      from: { chapter, section: 'two' },
      to: { chapter, before: null },
    });
    await type((await chaptersOf(book))[0]!, 'written in Two since');
    expect(await texts(book)).toEqual([['One', 'a', 'Three', 'c', 'Two', 'b', 'written in Two since']]);
    await app.api.takeBack(book, change!);
    expect(await texts(book)).toEqual([['One', 'a', 'Two', 'b', 'written in Two since', 'Three', 'c']]);
  });

  test('that was none is not kept at all', async () => {
    const book = await bookOf('<p>words</p>');
    const nothing = await app.api.repair(book, {
      target: uses('https://gone.example/'),
      repair: { type: 'unlink' },
    });
    expect(nothing).toEqual({ changed: 0, change: null, snapshot: null });
    expect([await app.api.changes(book), await app.api.versions(book)]).toEqual([[], []]);
    expect((await app.call('POST', `books/${book}/changes/none/take-back`)).status).toBe(404);
  });

  test('puts chapters back that were emptied by it, and their order', async () => {
    const book = await bookOf('<h1>One</h1><p>a</p>');
    const added = await app.api.addChapter(book, { title: 'Two' });
    const order = (await chaptersOf(book)).map(({ id, matter }) => ({ id, matter })).reverse();
    await app.api.arrange(book, order);
    expect((await chaptersOf(book))[0]!.id).toBe(added.id);
    const { id } = (await app.api.changes(book))[0]!;
    await app.api.takeBack(book, id);
    expect((await chaptersOf(book))[1]!.id).toBe(added.id);
  });
});

describe('chapters', () => {
  const titles = async (book: string) => (await chaptersOf(book)).map(({ title }) => title);
  const twoChapters = async () => {
    const book = await bookOf('<h1 id="one">One</h1><p>a</p><h2>Within</h2><p>b</p>');
    const first = (await chaptersOf(book))[0]!;
    const added = await app.api.addChapter(book, { title: 'Two' });
    await type((await chaptersOf(book))[1]!, 'c');
    return { book, first: first.id, second: added.id, added: added.change! };
  };

  test('are removed and put back with all of their text', async () => {
    const { book, first, second } = await twoChapters();
    const { change } = await app.api.removeChapter(second);
    expect(await titles(book)).toEqual(['One']);
    expect((await app.call('DELETE', `chapters/${first}`)).status).toBe(409);
    expect((await app.call('POST', `chapters/${second}/steps`, {})).status).toBeGreaterThanOrEqual(400);
    const back = await app.api.takeBack(book, change!);
    expect(await texts(book)).toEqual([
      ['One', 'a', 'Within', 'b'],
      ['Two', '', 'c'],
    ]);
    await app.api.takeBack(book, back.change!);
    expect(await titles(book)).toEqual(['One']);
  });

  test('that were added are taken out again, with what was written in them kept', async () => {
    const { book, added } = await twoChapters();
    const { change } = await app.api.takeBack(book, added);
    expect(await titles(book)).toEqual(['One']);
    await app.api.takeBack(book, change!);
    expect((await texts(book))[1]).toEqual(['Two', '', 'c']);
  });

  test('are renamed, in their heading or beside it', async () => {
    const { book, second } = await twoChapters();
    const { change } = await app.api.renameChapter(second, 'Second');
    expect([await titles(book), (await texts(book))[1]![0]]).toEqual([['One', 'Second'], 'Second']);
    await app.api.takeBack(book, change!);
    expect(await titles(book)).toEqual(['One', 'Two']);
    const plain = await bookOf('<p>words alone</p>');
    const { id, title } = (await chaptersOf(plain))[0]!;
    const renamed = await app.api.renameChapter(id, 'Named');
    expect(await titles(plain)).toEqual(['Named']);
    await app.api.takeBack(plain, renamed.change!);
    expect(await titles(plain)).toEqual([title]);
  });

  test('are split and joined; taken back, what was written since is moved along', async () => {
    const { book, first } = await twoChapters();
    const doc = (await chaptersOf(book))[0]!.doc as Json;
    const before = doc.content!.slice(0, 2).reduce((sum, one) => sum + wordsOf(one).length + 2, 0);
    const split = await app.api.splitChapter(first, before);
    expect(await texts(book)).toEqual([
      ['One', 'a'],
      ['Within', 'b'],
      ['Two', '', 'c'],
    ]);
    await type((await chaptersOf(book))[1]!, 'since');
    const joined = await app.api.takeBack(book, split.change!);
    expect(await texts(book)).toEqual([
      ['One', 'a', 'Within', 'b', 'since'],
      ['Two', '', 'c'],
    ]);
    await app.api.takeBack(book, joined.change!);
    expect(await texts(book)).toEqual([
      ['One', 'a'],
      ['Within', 'b', 'since'],
      ['Two', '', 'c'],
    ]);
    expect((await app.call('POST', `chapters/${first}/split`, { before: 1 })).status).toBe(422);
    expect((await app.call('POST', `chapters/${first}/join`)).status).toBe(422);
  });

  test('that are joined keep the place that led to them, and get it back', async () => {
    const { book, second } = await twoChapters();
    const { change } = await app.api.joinChapter(second);
    expect(await texts(book)).toEqual([['One', 'a', 'Within', 'b', 'Two', '', 'c']]);
    expect((await app.api.places(book)).map(({ id }) => id)).toContain(second);
    await type((await chaptersOf(book))[0]!, 'after');
    await app.api.takeBack(book, change!);
    expect(await texts(book)).toEqual([
      ['One', 'a', 'Within', 'b'],
      ['Two', '', 'c', 'after'],
    ]);
    expect((await app.api.places(book)).filter(({ id }) => id === second)).toHaveLength(1);
  });

  test('are put into another order and back', async () => {
    const { book } = await twoChapters();
    const order = (await chaptersOf(book)).map(({ id, matter }) => ({ id, matter })).reverse();
    const { change } = await app.api.arrange(book, order);
    expect(await titles(book)).toEqual(['Two', 'One']);
    await app.api.takeBack(book, change!);
    expect(await titles(book)).toEqual(['One', 'Two']);
  });
});

describe('more writers than connections', () => {
  test('every operation that writes is done, however many there are at once', async () => {
    const books = await Promise.all(
      Array.from({ length: 3 }, () =>
        bookOf(
          '<h1 id="one">One</h1><p><a href="https://a.example/">alpha</a></p><h2 id="two">Two</h2><p>b</p>',
        ),
      ),
    );
    const work = Array.from({ length: 42 }, async (_, index) => {
      const book = books[index % 3]!;
      const [{ id: chapter, version, doc }] = (await chaptersOf(book)) as [VersionedChapter];
      switch (index % 7) {
        case 0:
          return app.call('POST', `books/${book}/repairs`, {
            target: uses('https://a.example/'),
            repair: { type: 'hover-note', hoverNote: `n${index}` },
          });
        case 1:
          return app.call('POST', `books/${book}/sections/move`, {
            from: { chapter, section: 'two' },
            to: { chapter, before: null },
          });
        case 2:
          return app.call('POST', `books/${book}/chapters`, { title: `Chapter ${index}` });
        case 3:
          return app.call('PUT', `chapters/${chapter}`, { version, doc });
        case 4:
          return app.call('PATCH', `books/${book}`, { subtitle: `s${index}` });
        case 5:
          return app.call('PATCH', `chapters/${chapter}`, { leftOutOf: ['pdf'] });
        default:
          return app.call('POST', `books/${book}/inside-repairs`, {
            target: { id: 'two', chapter, at: 0 },
            repair: { type: 'new-id' },
          });
      }
    });
    const statuses = (await Promise.all(work)).map(({ status }) => status);
    expect(statuses.filter((status) => status >= 500)).toEqual([]);
    expect((await app.call('GET', 'health')).status).toBe(200);
  });
});
