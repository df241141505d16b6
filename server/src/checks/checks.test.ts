import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { CheckRun } from '@vennet/core/wire';
import { page, redirect, startWorld, status, type Site } from '@vennet/world';
import { connectTo } from '../database/local-mariadb.js';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

const lamp: Site = {
  name: 'lamp.example',
  about: 'Lamps',
  pages: {
    '/': page('Lamps'),
    '/old': redirect(301, '/lamps'),
    '/lamps': page('Every lamp', [], 'Five of them, on two islands.'),
    '/gone': status(410, 'Gone'),
    '/slow': { ...page('Slow'), delay: 400 },
  },
};

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp({ sites: [lamp], prober: { retryDelay: 10, requestTimeout: 1000, rate: 0 } });
});
afterAll(() => app.stop());

async function book(links: [string, string][]): Promise<string> {
  return (await app.upload('book.html', pageWithLinks(links))).body.id;
}

const ended = (run: CheckRun) => run.state !== 'running' && run.state !== 'waiting';

async function checked(id: string): Promise<CheckRun> {
  const started = await app.call<{ id: string }>('POST', `books/${id}/checks`, {});
  expect(started.status).toBe(202);
  return until(() => app.api.check(started.body.id), ended);
}

describe('a check run', () => {
  const links: [string, string][] = [
    ['Lamps', 'https://lamp.example/'],
    ['the lamps again', 'https://lamp.example/'],
    ['old', 'https://lamp.example/old'],
    ['here', 'https://lamp.example/gone'],
    ['Joe', 'mailto:joe@lamp.example'],
  ];

  test('asks for each destination once and gives every use its verdict', async () => {
    const id = await book(links);
    const run = await checked(id);
    expect(run).toMatchObject({
      state: 'done',
      done: 4,
      total: 4,
      verdicts: { sound: 2, moved: 1, broken: 1 },
    });
    const rows = await app.api.links(id);
    expect(rows.map(({ text, verdict }) => [text, verdict])).toEqual([
      ['Lamps', 'sound'],
      ['the lamps again', 'sound'],
      ['old', 'moved'],
      ['here', 'broken'],
      ['Joe', 'sound'],
    ]);
    expect(rows[3]!.findings).toMatchObject([{ rule: 'vague-text', severity: 'consider' }]);
    const verdicts = await app.api.verdicts(id);
    expect(verdicts.find(({ verdict }) => verdict === 'moved')?.movedTo).toBe('https://lamp.example/lamps');
  });

  test('of one address leaves the verdicts of the others', async () => {
    const id = await book(links);
    await checked(id);
    await app.api.startCheck(id, { hrefs: ['https://lamp.example/gone'] });
    const runs = await until(
      () => app.api.checks(id),
      (all) => all.every(ended),
    );
    expect(runs[0]).toMatchObject({ total: 1 });
    expect(await app.api.verdicts(id)).toHaveLength(4);
  });

  test('can be followed as events and stopped; what was answered is kept', async () => {
    const many = Array.from({ length: 60 }, (_, index): [string, string] => [
      `Lamp ${index}`,
      `https://lamp.example/slow?${index}`,
    ]);
    const id = await book(many);
    const started = await app.api.startCheck(id, {});
    expect((await app.call('POST', `books/${id}/checks`, {})).status).toBe(409);
    const events = await fetch(`${app.address}/api/checks/${started.id}/events`);
    const seen: CheckRun[] = [];
    let stopped = false;
    for await (const chunk of events.body as unknown as AsyncIterable<Uint8Array>) {
      for (const [, json] of new TextDecoder().decode(chunk).matchAll(/^data: (.*)$/gm))
        seen.push(JSON.parse(json!) as CheckRun);
      if (!stopped && (seen.at(-1)?.done ?? 0) > 0) {
        stopped = true;
        await app.api.stopCheck(started.id);
      }
    }
    const last = seen.at(-1)!;
    expect(last.state).toBe('stopped');
    expect(last.done).toBeGreaterThan(0);
    expect(last.done).toBeLessThan(60);
    expect(await app.api.verdicts(id)).toHaveLength(last.done);
  });
});

test('verdicts by an older table are derived anew from their answers when the server starts', async () => {
  const id = await book([['old', 'https://lamp.example/old']]);
  await checked(id);
  const connection = await connectTo(app.databaseUrl);
  await connection.query("UPDATE check_rows SET verdict = 'broken', verdict_table = 0 WHERE book_id = ?", [
    id,
  ]);
  await connection.end();
  const runs = async (of: TestApp) => (await of.call<CheckRun[]>('GET', `books/${id}/checks`)).body;
  expect((await runs(app))[0]!.verdicts).toEqual({ broken: 1 });
  const next = await startTestApp({ databaseUrl: app.databaseUrl });
  expect((await runs(next))[0]!.verdicts).toEqual({ moved: 1 });
  await next.stop();
});

test('a run whose server is killed goes on at the next start, and what was answered is not asked again', async () => {
  const counted = await startWorld({ sites: [], fallback: () => ({ ...page(''), delay: 15 }) });
  const directory = await mkdtemp(join(tmpdir(), 'vennet-kill-'));
  const serve = async (): Promise<[ChildProcess, string]> => {
    const child = fork(fileURLToPath(new URL('../testing/serve.js', import.meta.url)), {
      env: {
        ...process.env,
        NODE_OPTIONS: '',
        VENNET_TEST_DIRECTORY: directory,
        VENNET_TEST_DATABASE: app.databaseUrl,
        VENNET_TEST_WORLD_PORT: String(counted.visitPort),
      },
    });
    const [{ port }] = (await once(child, 'message')) as [{ port: number }];
    return [child, `http://127.0.0.1:${port}/api`];
  };
  const get = async <Body>(url: string) => (await (await fetch(url)).json()) as Body;
  try {
    const [first, before] = await serve();
    const links = Array.from({ length: 400 }, (_, index): [string, string] => [
      `Lamp ${index}`,
      `http://h${index % 40}.example/p${index}`,
    ]);
    const form = new FormData();
    form.append('file', new Blob([pageWithLinks(links)]), 'book.html');
    const { id } = (await (
      await fetch(`${before}/books/bring-in`, { method: 'POST', body: form })
    ).json()) as { id: string };
    const started = (await (await fetch(`${before}/books/${id}/checks`, { method: 'POST' })).json()) as {
      id: string;
    };
    await until(
      () => get<CheckRun>(`${before}/checks/${started.id}`),
      ({ done }) => done > 100,
    );
    first.kill('SIGKILL');
    await once(first, 'exit');

    const answered = new Set((await app.api.verdicts(id)).map(({ href }) => href));
    expect(answered.size).toBeGreaterThan(100);
    expect(answered.size).toBeLessThan(400);
    const [second, after] = await serve();
    const run = await until(() => get<CheckRun>(`${after}/checks/${started.id}`), ended);
    expect(run).toMatchObject({ state: 'done', done: 400, total: 400 });
    second.kill('SIGTERM');
    await once(second, 'exit');

    const times = new Map<string, number>();
    for (const request of counted.requests) {
      const [, href = ''] = request.split(' ');
      // Rules for programs and an address that can't exist are asked for in each run.
      if (!/\/p\d+$/.test(href)) continue;
      times.set(href, (times.get(href) ?? 0) + 1);
    }
    expect(times.size).toBe(400);
    for (const href of answered) expect([href, times.get(href)]).toEqual([href, 1]);
    // Only what was under way when the server died is asked anew: its answer was not heard, or not stored yet.
    const twice = [...times.values()].filter((count) => count > 1).length;
    expect(twice).toBeLessThanOrEqual(48);
  } finally {
    await counted.stop();
    await rm(directory, { recursive: true, force: true });
  }
}, 120_000);
