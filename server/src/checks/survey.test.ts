import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { isUnderWay, type CheckRun, type NewCheck } from '@vennet/core/wire';
import { archiveSite, made, page, smallPdf, status, type Page, type Site } from '@vennet/world';
import { connectTo } from '../database/local-mariadb.js';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

const LAMP = 'https://lamp.example';
const tides = page(
  'Tides',
  ['may'],
  'High at six and low at noon, and the other way round on the day after the day after that, as ever.',
);
const slow: Page = { ...page('Slow'), delay: 150 };
const pages: Record<string, Page> = {
  '/tides': tides,
  '/door': status(403, 'Members'),
  '/lost': status(404, 'No such page'),
  '/rests': status(429, 'Slowly', '7200'),
};
const lamp: Site = {
  name: 'lamp.example',
  about: 'Lamps',
  pages,
  missing: (path) => (path.startsWith('/slow') ? slow : null),
};
const archive = archiveSite('memory.example', [LAMP]);

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp({
    sites: [lamp, archive],
    prober: { retryDelay: 5, requestTimeout: 1000, rate: 0 },
    timeGate: 'https://memory.example/timegate/',
  });
});
afterAll(() => app.stop());

const bookOf = async (...paths: string[]): Promise<string> =>
  (
    await app.upload(
      'book.html',
      pageWithLinks(paths.map((path) => [`To ${path}`, path.includes(':') ? path : LAMP + path])),
    )
  ).body.id;

async function check(book: string, what: NewCheck = {}): Promise<CheckRun> {
  const { id } = await app.api.startCheck(book, what);
  return until(
    () => app.api.check(id),
    (run) => !isUnderWay(run),
  );
}

const verdictOn = async (book: string, path: string) =>
  (await app.api.verdicts(book)).find(({ href }) => href === (path.includes(':') ? path : LAMP + path));

describe('what a check is about', () => {
  test('new destinations, failures, or what was not looked at for long; and nothing is said plainly', async () => {
    const book = await bookOf('/tides', '/lost', '/door');
    expect(await check(book)).toMatchObject({ scope: 'all', total: 3, changes: 0 });
    expect(await check(book, { scope: 'failures' })).toMatchObject({ scope: 'failures', total: 1 });
    expect(await check(book, { scope: 'older', days: 0 })).toMatchObject({ scope: 'older', total: 3 });
    const nothing = await app.call<{ detail: string }>('POST', `books/${book}/checks`, { scope: 'changed' });
    expect(nothing).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('has been checked') },
    });
    const repair = { type: 'destination', destination: { kind: 'web', href: `${LAMP}/tides#may` } } as const;
    await app.api.repair(book, { target: { href: `${LAMP}/lost` }, repair });
    expect(await check(book, { scope: 'changed' })).toMatchObject({
      scope: 'changed',
      total: 1,
      verdicts: { sound: 1 },
    });
  });

  test('a run that was stopped goes on where it was', async () => {
    const book = await bookOf(...Array.from({ length: 30 }, (_, index) => `/slow?${index}`));
    const { id } = await app.api.startCheck(book);
    await until(
      () => app.api.check(id),
      ({ done }) => done > 2,
    );
    const stopped = await until(
      () => app.api.stopCheck(id),
      (run) => !isUnderWay(run),
    );
    expect(stopped).toMatchObject({ state: 'stopped' });
    expect(stopped.done).toBeLessThan(30);
    await app.api.goOn(id);
    const done = await until(
      () => app.api.check(id),
      (run) => !isUnderWay(run),
    );
    expect(done).toMatchObject({ state: 'done', done: 30, total: 30 });
    const asked = app.world.requests.filter((request) => /slow\?\d+$/.test(request));
    // What was under way when it was stopped is asked once more, and nothing else.
    expect(asked.length - new Set(asked).size).toBeLessThanOrEqual(4);
    expect((await app.call('POST', `checks/${id}/go-on`)).status).toBe(409);
  });
});

describe('over the runs', () => {
  test('what changed since the run before is told, in the Library too', async () => {
    const book = await bookOf('/tides', '/changing');
    pages['/changing'] = tides;
    await check(book);
    pages['/changing'] = status(410, 'Gone');
    const run = await check(book);
    expect(run.changes).toBe(1);
    expect(await app.api.checkChanges(run.id)).toEqual([
      { href: `${LAMP}/changing`, was: 'sound', is: 'broken' },
    ]);
    expect((await app.api.books()).find(({ id }) => id === book)?.lastCheck).toMatchObject({
      total: 2,
      broken: 1,
      changes: 1,
      scheduled: false,
    });
  });

  test('the history of a destination goes on in another book, with every request of the last check', async () => {
    const [first, second] = [await bookOf('/history'), await bookOf('/history')];
    pages['/history'] = tides;
    await check(first);
    pages['/history'] = status(500, 'Fault');
    await check(second);
    const { seen, requests } = await app.api.history(second, `${LAMP}/history`);
    expect(seen.map(({ verdict }) => verdict)).toEqual(['unreachable', 'sound']);
    expect(requests.filter(({ why }) => !why).map(({ status: code }) => code)).toEqual([500, 500, 500]);
    expect(requests.at(-1)).toMatchObject({ method: 'GET', headers: [{ name: 'content-type' }] });
  });

  test('another text in its place is doubtful, until the author says that it is right', async () => {
    const book = await bookOf('/becomes');
    pages['/becomes'] = tides;
    await check(book);
    const other =
      'Win a car, win a house, win whatever you like, today only, and tell your friends that they can win as well.';
    pages['/becomes'] = page('Win', [], other);
    await check(book);
    expect(await verdictOn(book, '/becomes')).toMatchObject({ verdict: 'doubtful', sign: 'another-page' });
    await app.api.say(book, {
      href: `${LAMP}/becomes`,
      saw: 'opens',
      readers: 'everyone',
      from: '',
      note: 'they moved in',
    });
    expect(await verdictOn(book, '/becomes')).toMatchObject({
      verdict: 'sound',
      said: { note: 'they moved in' },
    });
    await app.api.unsay(book, `${LAMP}/becomes`);
    await check(book);
    expect(await verdictOn(book, '/becomes')).toMatchObject({ verdict: 'sound', said: null });
  });

  test('what can’t be reached in three runs over three days is broken', async () => {
    const book = await bookOf('/down');
    pages['/down'] = status(503, 'Later');
    for (let run = 0; run < 3; run++) await check(book);
    expect(await verdictOn(book, '/down')).toMatchObject({ verdict: 'unreachable' });
    const connection = await connectTo(app.databaseUrl);
    await connection.query(`UPDATE destinations SET streak = JSON_SET(streak, '$.since', ?) WHERE href = ?`, [
      new Date(Date.now() - 4 * 86_400_000).toISOString(),
      `${LAMP}/down`,
    ]);
    await connection.end();
    await check(book);
    const [run] = await app.api.checks(book);
    expect(await verdictOn(book, '/down')).toMatchObject({
      verdict: 'broken',
      reason: expect.stringMatching(/4 checks in a row, since/),
    });
    expect(run?.verdicts).toEqual({ broken: 1 });
    // With more patience it is only unreachable, in the rows and in the counts.
    const settings = await app.api.checkSettings();
    await app.api.setCheckSettings({ ...settings, perSecond: 50, brokenDays: 30 });
    expect(await verdictOn(book, '/down')).toMatchObject({ verdict: 'unreachable' });
    expect((await app.api.checks(book))[0]?.verdicts).toEqual({ unreachable: 1 });
    await app.api.setCheckSettings({ ...settings, perSecond: 50 });
  });
});

describe('what an author says', () => {
  test('of a guarded page holds for its readers and its time, and is kept for the next check', async () => {
    const book = await bookOf('/door');
    await check(book);
    const say = (more: object) =>
      app.call('POST', `books/${book}/sayings`, {
        href: `${LAMP}/door`,
        saw: 'opens',
        readers: 'everyone',
        from: '',
        note: '',
        ...more,
      });
    expect((await say({ readers: 'members' })).status).toBe(204);
    expect(await verdictOn(book, '/door')).toMatchObject({ verdict: 'guarded', sign: 'said' });
    await say({});
    expect(await verdictOn(book, '/door')).toMatchObject({ verdict: 'sound' });
    await check(book);
    expect(await verdictOn(book, '/door')).toMatchObject({ verdict: 'sound', sign: 'said' });
    expect((await app.api.links(book))[0]?.verdict).toBe('sound');
    const connection = await connectTo(app.databaseUrl);
    const past = new Date(Date.now() - 1000);
    await connection.query(
      `UPDATE check_rows SET said_until = ?, answer = JSON_SET(answer, '$.said.until', ?) WHERE book_id = ?`,
      [past, past.toISOString(), book],
    );
    await connection.end();
    expect(await verdictOn(book, '/door')).toMatchObject({ verdict: 'guarded' });
    expect((await app.api.checks(book))[0]?.verdicts).toEqual({ guarded: 1 });
    expect((await say({ from: 'tomorrow' })).status).toBe(400);
    expect((await say({ href: 'https://nobody.example/' })).status).toBe(404);
  });
});

test('for a page that is lost the nearest copy of an archive is offered, and can be put behind the link', async () => {
  const book = await bookOf('/lost');
  await check(book);
  const verdict = await verdictOn(book, '/lost');
  expect(verdict).toMatchObject({
    verdict: 'broken',
    copy: { href: `https://memory.example/copy/20260803/${LAMP}/lost` },
  });
  const destination = { kind: 'web' as const, href: verdict!.copy!.href };
  const repair = { type: 'beside' as const, destination, words: 'archived copy', id: 'copy-1' };
  expect(await app.api.repair(book, { target: { href: `${LAMP}/lost` }, repair })).toMatchObject({
    changed: 1,
  });
  expect((await app.api.links(book)).map(({ text, href }) => [text, href])).toEqual([
    ['To /lost', `${LAMP}/lost`],
    ['archived copy', destination.href],
  ]);
});

describe('files of the Shelf', () => {
  test('are there, whole, and have the page that is linked to; lost bytes are told', async () => {
    const files = await bookWithFiles();
    await check(files.book);
    expect(await files.verdicts()).toEqual({
      'lamp.pdf#page=1': 'sound',
      'lamp.pdf#page=9': 'broken',
      'notes.txt': 'sound',
    });
    const connection = await connectTo(app.databaseUrl);
    const [rows] = await connection.query(
      "SELECT sha256 FROM enclosures WHERE book_id = ? AND name = 'notes.txt'",
      [files.book],
    );
    await connection.end();
    const { sha256 } = (rows as { sha256: string }[])[0]!;
    await rm(join(app.directory, 'enclosures', sha256.slice(0, 2), sha256));
    await check(files.book);
    expect(await files.verdicts()).toMatchObject({ 'notes.txt': 'broken' });
  });

  test('at a public address are compared with what is there', async () => {
    const files = await bookWithFiles();
    const notes = (await app.api.files(files.book)).find(({ name }) => name === 'notes.txt')!;
    pages['/notes.txt'] = made(200, { 'content-type': 'text/plain' }, NOTES);
    await app.api.changeFile(notes.id, { travels: 'public', address: `${LAMP}/notes.txt` });
    await check(files.book);
    expect(await verdictOn(files.book, '/notes.txt')).toMatchObject({ verdict: 'sound' });
    pages['/notes.txt'] = made(200, { 'content-type': 'text/plain' }, `${NOTES} And more.`);
    await check(files.book);
    expect(await verdictOn(files.book, '/notes.txt')).toMatchObject({
      verdict: 'doubtful',
      sign: 'other-file',
    });
    delete pages['/notes.txt'];
    await app.api.changeFile(notes.id, { address: `${LAMP}/Notes.TXT` });
    await check(files.book);
    expect(await verdictOn(files.book, '/Notes.TXT')).toMatchObject({
      verdict: 'broken',
      reason: expect.stringContaining('The address says “Notes.TXT”, the Shelf “notes.txt”'),
    });
  });
});

const NOTES = 'The lamp was lit in spring.';

async function bookWithFiles() {
  const book = await bookOf('/a', '/b', '/c');
  const put = async (name: string, bytes: string) =>
    (await app.upload<{ file: { id: string } }>(name, bytes, `books/${book}/enclosures`)).body.file.id;
  const [pdf, notes] = [await put('lamp.pdf', smallPdf()), await put('notes.txt', NOTES)];
  const lead = (path: string, enclosure: string, fragment?: string) =>
    app.api.repair(book, {
      target: { href: LAMP + path },
      repair: {
        type: 'destination',
        destination: { kind: 'file', enclosure, ...(fragment ? { fragment } : {}) },
      },
    });
  await lead('/a', pdf, 'page=1');
  await lead('/b', pdf, 'page=9');
  await lead('/c', notes);
  const names = { [pdf]: 'lamp.pdf', [notes]: 'notes.txt' };
  return {
    book,
    verdicts: async () =>
      Object.fromEntries(
        (await app.api.verdicts(book)).flatMap(({ href, verdict }) => {
          const [, id = '', rest = ''] = /^enclosure\/([^#]*)(.*)$/.exec(href) ?? [];
          return names[id] ? [[names[id] + rest, verdict]] : [];
        }),
      ),
  };
}

describe('by themselves', () => {
  test('a schedule is kept, and what fell due while the server was off is made up for', async () => {
    const book = await bookOf('/tides');
    const schedule = { every: 'day' as const, weekday: 1, time: '06:00', zone: 'Europe/Berlin' };
    await app.api.setSchedule(book, schedule);
    expect(await app.api.schedule(book)).toEqual(schedule);
    expect((await app.call('PUT', `books/${book}/schedule`, { ...schedule, zone: 'Lamp/Mole' })).status).toBe(
      422,
    );
    expect((await app.call('PUT', `books/${book}/schedule`, { ...schedule, time: '25:00' })).status).toBe(
      400,
    );
    const connection = await connectTo(app.databaseUrl);
    await connection.query('UPDATE check_schedules SET began_at = ? WHERE book_id = ?', [
      new Date(Date.now() - 3 * 86_400_000),
      book,
    ]);
    await connection.end();
    const next = await startTestApp({ databaseUrl: app.databaseUrl, sites: [lamp] });
    const [run] = await until(
      () => next.api.checks(book),
      ([one]) => one !== undefined && !isUnderWay(one),
    );
    expect(run).toMatchObject({ scheduled: true, scope: 'all', verdicts: { sound: 1 } });
    await next.stop();
    await app.api.setSchedule(book, null);
    expect(await app.api.schedule(book)).toBeNull();
  });
});

test('a rest that a host asked for holds over a restart', async () => {
  const resting = { ...lamp, name: 'resting.example' };
  const own = await startTestApp({ sites: [resting], prober: { rate: 0 } });
  const links = pageWithLinks([['x', 'https://resting.example/rests']]);
  const first = (await own.upload('book.html', links)).body.id;
  const checked = async (of: TestApp, id: string) => {
    const { id: run } = await of.api.startCheck(id);
    await until(
      () => of.api.check(run),
      (one) => !isUnderWay(one),
    );
    return (await of.api.verdicts(id))[0];
  };
  expect(await checked(own, first)).toMatchObject({ verdict: 'unreachable', sign: '429' });
  const next = await startTestApp({ databaseUrl: own.databaseUrl, sites: [resting] });
  expect(await checked(next, first)).toMatchObject({ verdict: 'unreachable', sign: 'resting' });
  expect(next.world.requests).toEqual([]);
  await next.stop();
  await own.stop();
});

test('settings are judged before they are kept', async () => {
  const settings = await app.api.checkSettings();
  const put = (more: object) => app.call('PUT', 'settings/checks', { ...settings, ...more });
  expect((await put({ perSecond: 0 })).status).toBe(400);
  expect((await put({ timeGate: 'memory' })).status).toBe(400);
  expect((await put({ contact: 'ann@lamp.example' })).status).toBe(200);
  expect(await app.api.checkSettings()).toMatchObject({ contact: 'ann@lamp.example' });
});
