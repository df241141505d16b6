import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import fc from 'fast-check';
import { DataSource } from 'typeorm';
import { dataSourceOptions } from '../database/data-source.js';
import { TableBodies1791400000000 } from '../database/migrations/1791400000000-table-bodies.js';
import { startTestApp, type TestApp } from '../testing/app.js';
import { ChangesService } from './changes.service.js';
import { SnapshotsService } from './snapshots.service.js';
import { VersionKeeping, versionsToThin } from './version-keeping.js';

let app: TestApp;
let database: DataSource;
let keeping: VersionKeeping;
beforeAll(async () => {
  app = await startTestApp();
  database = await new DataSource({
    ...dataSourceOptions(app.databaseUrl),
    migrationsRun: false,
  }).initialize();
  keeping = new VersionKeeping(database, new SnapshotsService(database, {} as ChangesService));
});
afterAll(async () => {
  await database.destroy();
  await app.stop();
});

const type = async (chapter: string, text: string) => {
  const { version } = (await app.api.manuscript(await bookOf(chapter))).chapters.find(
    ({ id }) => id === chapter,
  )!;
  await app.api.sendSteps(chapter, {
    batch: crypto.randomUUID(),
    window: 'one',
    version,
    schema: SCHEMA_VERSION,
    steps: [{ stepType: 'replace', from: 1, to: 1, slice: { content: [{ type: 'text', text }] } }],
  });
};
const bookOf = async (chapter: string): Promise<string> =>
  (await database.query<{ book_id: string }[]>('SELECT book_id FROM chapters WHERE id = ?', [chapter]))[0]!
    .book_id;
const textOf = async (book: string) =>
  (await app.api.manuscript(book)).chapters.map(
    ({ doc }) => JSON.stringify(doc).match(/"text":"([^"]*)"/)?.[1],
  );

test('a version is kept by a name, says what is otherwise since, and one chapter of it comes back alone; that is undone', async () => {
  const { id: book } = await app.api.startBook({ title: 'Tides' });
  const { id: first } = (await app.api.manuscript(book)).chapters[0]!;
  const { id: second } = await app.api.addChapter(book, { title: 'Two', after: first });
  await type(first, 'High ');
  await app.api.keepVersion(book, 'As sent');
  await type(first, 'very ');
  await type(second, 'new ');
  const [version] = await app.api.versions(book);
  expect(version).toMatchObject({ name: 'As sent' });
  const { since } = await app.api.version(book, version!.id);
  expect(since.words).toEqual({ before: 2, after: 4 });
  expect(since.chapters.map(({ fate }) => fate)).toEqual(['changed', 'changed']);
  const { change } = await app.api.restore(book, version!.id, first);
  expect(await textOf(book)).toEqual(['High ', 'new Two']);
  await app.api.takeBack(book, change!);
  expect(await textOf(book)).toEqual(['very High ', 'new Two']);
  await app.api.nameVersion(book, version!.id, '');
  expect((await app.api.versions(book)).find(({ id }) => id === version!.id)?.name).toBe('');
  expect((await app.call('POST', `books/${book}/snapshots`, { name: '  ' })).status).toBe(422);
});

test('a book that is written in is kept once an hour, one that is left alone is not', async () => {
  const { id: book } = await app.api.startBook({ title: 'Ebb' });
  const { id } = (await app.api.manuscript(book)).chapters[0]!;
  await type(id, 'a');
  const later = new Date(Date.now() + 61 * 60_000);
  await keeping.keep(later);
  expect(await app.api.versions(book)).toMatchObject([{ reason: 'While it was written', name: '' }]);
  await keeping.keep(new Date(later.getTime() + 61 * 60_000));
  expect(await app.api.versions(book)).toHaveLength(1);
});

test('tables of an older form get bodies, and windows that hold the older text load it anew', async () => {
  const { id: book } = await app.api.startBook({ title: 'Old' });
  const { id, version } = (await app.api.manuscript(book)).chapters[0]!;
  const words = (text: string) => ({ type: 'paragraph', content: [{ type: 'text', text }] });
  const row = { type: 'table_row', content: [{ type: 'table_cell', content: [words('cell')] }] };
  const caption = { type: 'table_caption', content: [{ type: 'text', text: 'Tides' }] };
  const old = { type: 'doc', content: [{ type: 'table', attrs: { id: 't' }, content: [caption, row] }] };
  await database.query('UPDATE chapters SET doc = ?, schema_version = 1 WHERE id = ?', [
    JSON.stringify(old),
    id,
  ]);
  const runner = database.createQueryRunner();
  await new TableBodies1791400000000().up(runner);
  await runner.release();
  const now = (await app.api.manuscript(book)).chapters[0]!;
  expect(now.version).toBe(version + 1);
  expect(now.doc).toMatchObject({
    content: [{ content: [caption, { type: 'table_body', content: [row] }] }],
  });
  // A program that still sends the older form is understood.
  expect((await app.call('PUT', `chapters/${id}`, { version: now.version, doc: old })).status).toBe(200);
});

describe('thinning out', () => {
  const HOUR = 3_600_000;
  const now = new Date('2026-11-28T12:00:00Z');
  const at = (hours: number, name = '') => ({
    id: `${hours}${name}`,
    name,
    createdAt: new Date(now.getTime() - hours * HOUR),
  });
  test('leaves one an hour of a day, one a day of a month, one a week before that, and all that have names', () => {
    const versions = [
      at(0.2),
      at(0.5),
      at(3.1),
      at(3.3),
      at(50.1),
      at(50.2, 'kept'),
      at(51),
      at(1200),
      at(1210),
      at(9000),
    ];
    expect(versionsToThin(versions, now)).toEqual(['3.3', '51', '1210']);
  });
  test('in any history: the newest and every named one stay, nothing is left without a version of its time, and once is enough', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ hours: fc.double({ min: 0, max: 5000, noNaN: true }), named: fc.boolean() }), {
          maxLength: 60,
        }),
        (given) => {
          const versions = given.map(({ hours, named }, index) => ({
            ...at(hours, named ? 'n' : ''),
            id: String(index),
          }));
          const going = new Set(versionsToThin(versions, now));
          const left = versions.filter(({ id }) => !going.has(id));
          expect(versionsToThin(left, now)).toEqual([]);
          expect(versions.filter(({ name }) => name !== '').every(({ id }) => !going.has(id))).toBe(true);
          const spanOf = (age: number) =>
            age < 24 * HOUR ? HOUR : age < 30 * 24 * HOUR ? 24 * HOUR : 168 * HOUR;
          for (const gone of versions.filter(({ id }) => going.has(id))) {
            const age = now.getTime() - gone.createdAt.getTime();
            const near = left.some(
              ({ createdAt }) => Math.abs(createdAt.getTime() - gone.createdAt.getTime()) < spanOf(age),
            );
            expect(near).toBe(true);
          }
        },
      ),
    );
  });
});
