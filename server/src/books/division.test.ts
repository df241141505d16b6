import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { oneLevelDown, oneLevelUp } from '@vennet/core/edits';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const PAGE = `<!doctype html><html lang="en"><title>Lamps</title><body>
  <h1 id="a">Alder</h1><p>Of <a href="#b2">birch bark</a>.</p><h2 id="a1">Leaves</h2><p>Green.</p><h2 id="a2">Roots</h2><p>Deep.</p>
  <h1 id="b">Birch</h1><p>Of <a href="#a">alder</a>.</p><h2 id="b1">Wood</h2><p>White.</p><h2 id="b2">Bark</h2><p>Thin.</p>`;
const titles = async (book: string) => (await app.api.manuscript(book)).chapters.map(({ title }) => title);
const brokenInside = async (book: string) =>
  (await app.api.links(book)).filter(({ verdict }) => verdict !== 'sound').map(({ text }) => text);

/** A short page comes in as one chapter; it begins each test with two. */
async function trees(): Promise<string> {
  const { id } = (await app.upload('trees.html', PAGE)).body;
  await app.api.divide(id, [...oneLevelDown(await app.api.division(id))]);
  return id;
}

test('a book is divided one level lower and higher, and that is taken back in the book as it is then', async () => {
  const book = await trees();
  expect(await titles(book)).toEqual(['Alder', 'Birch']);
  const lines = await app.api.division(book);
  expect(lines.map(({ title, level, begins }) => [title, level, begins])).toEqual([
    ['Alder', 1, true],
    ['Leaves', 2, false],
    ['Roots', 2, false],
    ['Birch', 1, true],
    ['Wood', 2, false],
    ['Bark', 2, false],
  ]);
  const done = await app.api.divide(book, [...oneLevelDown(lines)]);
  expect(done.changed).toBe(6);
  expect(await titles(book)).toEqual(['Alder', 'Leaves', 'Roots', 'Birch', 'Wood', 'Bark']);
  expect(await brokenInside(book)).toEqual([]);

  await app.api.renameChapter((await app.api.manuscript(book)).chapters[1]!.id, 'Green leaves');
  const back = await app.api.takeBack(book, done.change!);
  expect(back.left).toEqual([]);
  expect(await titles(book)).toEqual(['Alder', 'Birch']);
  expect((await app.api.division(book)).map(({ title }) => title)).toContain('Green leaves');
  expect(await brokenInside(book)).toEqual([]);

  await app.api.takeBack(book, back.change!);
  expect(await titles(book)).toEqual(['Alder', 'Green leaves', 'Roots', 'Birch', 'Wood', 'Bark']);
  await app.api.divide(book, [...oneLevelUp(await app.api.division(book))]);
  expect(await titles(book)).toEqual(['Alder', 'Birch']);
  expect((await app.api.versions(book)).map(({ reason }) => reason)).toContain(
    'Before 6 chapters were divided anew',
  );
});

test('a division that is the one of now changes nothing, and places that are not there are passed over', async () => {
  const book = await trees();
  const now = (await app.api.manuscript(book)).chapters.map(({ id }) => id);
  expect(await app.api.divide(book, [...now, 'gone'])).toEqual({ changed: 0, change: null, snapshot: null });
  expect((await app.api.divide(book, [])).changed).toBe(1);
  expect(await titles(book)).toEqual(['Alder']);
  expect(await brokenInside(book)).toEqual([]);
});
