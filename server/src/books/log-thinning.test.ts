import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { DataSource } from 'typeorm';
import { dataSourceOptions } from '../database/data-source.js';
import { pageWithLinks, startTestApp, type TestApp } from '../testing/app.js';
import { KEPT_DAYS, LogThinning } from './log-thinning.js';

let app: TestApp;
let database: DataSource;
beforeAll(async () => {
  app = await startTestApp();
  database = await new DataSource({
    ...dataSourceOptions(app.databaseUrl),
    migrationsRun: false,
  }).initialize();
});
afterAll(async () => {
  await database.destroy();
  await app.stop();
});

const type = (chapter: string, version: number, text: string) =>
  app.api.sendSteps(chapter, {
    batch: crypto.randomUUID(),
    window: 'one',
    version,
    schema: SCHEMA_VERSION,
    steps: [{ stepType: 'replace', from: 1, to: 1, slice: { content: [{ type: 'text', text }] } }],
  });

test('steps that are older than windows stay open go; what is kept has no gaps, and what can’t be taken back is named', async () => {
  const { id: book } = (
    await app.upload('book.html', pageWithLinks([['wick', 'https://a.example/']], 'Lamps'))
  ).body;
  const { id, version } = (await app.api.manuscript(book)).chapters[0]!;
  const repair = (href: string, to: string) =>
    app.api.repair(book, {
      target: { href },
      repair: { type: 'destination', destination: { kind: 'web', href: to } },
    });
  const old = await repair('https://a.example/', 'https://b.example/');
  await database.query('UPDATE changes SET created_at = NOW() - INTERVAL ? DAY', [KEPT_DAYS + 1]);
  const young = await repair('https://b.example/', 'https://c.example/');
  const { version: now } = (await app.api.manuscript(book)).chapters[0]!;
  await type(id, now, 'low ');
  await new LogThinning(database).thin();
  // A window that stayed open for longer gets the text itself; one that is younger gets what it has missed.
  expect((await app.api.stepsSince(id, version)).current).toMatchObject({ id, version: now + 1 });
  expect((await app.api.stepsSince(id, now)).missed).toHaveLength(1);
  // What is young can be taken back, and what was typed since stays.
  expect(await app.api.takeBack(book, young.change!)).toMatchObject({ changed: 1, left: [] });
  const text = JSON.stringify((await app.api.manuscript(book)).chapters[0]!.doc);
  expect(text).toContain('https://b.example/');
  expect(text).toContain('low ');
  expect((await app.call('POST', `books/${book}/changes/${old.change}/take-back`)).status).toBe(404);
  expect((await app.api.changes(book)).map(({ id: change }) => change)).not.toContain(old.change);
});

test('a removed chapter can be put back whatever was thinned out', async () => {
  const { id: book } = await app.api.startBook({ title: 'Tides' });
  const { chapters } = await app.api.manuscript(book);
  await app.api.addChapter(book, { title: 'Springs' });
  const { change } = await app.api.removeChapter(chapters[0]!.id);
  await database.query('UPDATE changes SET created_at = NOW() - INTERVAL ? DAY', [KEPT_DAYS + 1]);
  await new LogThinning(database).thin();
  await app.api.takeBack(book, change!);
  expect((await app.api.manuscript(book)).chapters.map(({ id }) => id)).toContain(chapters[0]!.id);
});
