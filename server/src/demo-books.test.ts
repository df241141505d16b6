import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from './app.js';
import { addDemoBooks } from './demo-books.js';
import { BooksService } from './books/books.service.js';
import { ownDatabase } from './testing/own-database.js';

let directory: string;
let database: Awaited<ReturnType<typeof ownDatabase>>;
let app: Awaited<ReturnType<typeof createApp>>;
beforeAll(async () => {
  directory = await mkdtemp(join(tmpdir(), 'vennet-demo-'));
  database = await ownDatabase();
  app = await createApp({
    databaseUrl: database.url,
    dataDirectory: directory,
    webDirectory: null,
    logLevel: 'silent',
  });
  await app.init();
});
afterAll(async () => {
  await app.close();
  await database.drop();
  await rm(directory, { recursive: true, force: true });
});

test('demo books are added once: what was changed stays, what was removed stays away, and data from before has them', async () => {
  const books = app.get(BooksService);
  const standing = async () =>
    (await books.list()).map(({ title, deletedAt }) => [title, deletedAt !== null]).sort();
  await addDemoBooks(app, directory);
  const [first, second] = await books.list();
  expect(await books.list()).toHaveLength(3);
  await books.change(first!.id, { title: 'Mine by now' });
  await books.setDeleted(second!.id, true);
  const before = await standing();
  await addDemoBooks(app, directory);
  expect(await standing()).toEqual(before);
  await rm(join(directory, 'demo-books.json'));
  await addDemoBooks(app, directory);
  // Data from before has the first ones; what came with a later version is added.
  expect(await standing()).toEqual([...before, ['Across the Sound', false]].sort());
}, 60_000);
