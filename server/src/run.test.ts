import { spawn } from 'node:child_process';
import { readFile, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer } from 'node:net';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { startWorld } from '@vennet/world';
import { connectTo, startLocalMariadb } from './database/local-mariadb.js';
import { start } from './run.js';
import { settingsFrom, type Settings } from './platform/settings.js';

let directory: string;
beforeEach(async () => {
  directory = await mkdtemp(join(tmpdir(), 'vennet-run-'));
});
afterEach(() => rm(directory, { recursive: true, force: true }));

const settings = (more: Partial<Settings> = {}): Settings => ({
  port: 0,
  dataDirectory: directory,
  databaseUrl: null,
  webDirectory: null,
  logLevel: 'error',
  ...more,
});

async function books(address: string): Promise<{ title: string }[]> {
  return (await (await fetch(`${address}/api/books`)).json()) as { title: string }[];
}

describe('starting', () => {
  test('makes its data the first time and goes on with it the second; it stops with everything it started', async () => {
    const first = await start(settings(), () => startWorld({ sites: [] }));
    await fetch(`${first.address}/api/books`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"title":"Kept"}',
    });
    const pid = Number(await readFile(join(directory, 'mariadb/data/vennet.pid'), 'utf8'));
    await first.stop();
    expect(() => process.kill(pid, 0)).toThrow();
    const second = await start(settings());
    expect(await books(second.address)).toMatchObject([{ title: 'Kept' }]);
    // Without being given one, it knows of no stand-in world.
    expect(await (await fetch(`${second.address}/api/facts`)).json()).toEqual({ worldPort: null });
    await second.stop();
  }, 120_000);

  test('on a port that is taken says so and leaves nothing running', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await once(other, 'listening');
    const { port } = other.address() as { port: number };
    await expect(start(settings({ port }))).rejects.toThrow(`Port ${port} is taken`);
    await expect(readFile(join(directory, 'mariadb/data/vennet.pid'))).rejects.toThrow('ENOENT');
    await expect(readFile(join(directory, 'vennet.lock'))).rejects.toThrow('ENOENT');
    other.close();
  }, 120_000);

  test('twice on the same data is refused; a lock that was left behind is not', async () => {
    await writeFile(join(directory, 'vennet.lock'), String(process.ppid));
    await expect(start(settings())).rejects.toThrow(/already running on this data/);
    await writeFile(join(directory, 'vennet.lock'), '4194000');
    await (await start(settings())).stop();
  }, 120_000);

  test('takes its settings from the environment, and says which of them is wrong', () => {
    expect(settingsFrom({ VENNET_PORT: '4400', VENNET_DATA: '/data' })).toMatchObject({
      port: 4400,
      dataDirectory: '/data',
    });
    expect(() => settingsFrom({ VENNET_PORT: 'http' })).toThrow(/VENNET_PORT.*“http”/);
    expect(() => settingsFrom({ VENNET_PORT: '70000' })).toThrow(/VENNET_PORT.*0 to 65535.*“70000”/);
    expect(() => settingsFrom({ VENNET_DATABASE_URL: 'here' })).toThrow(/VENNET_DATABASE_URL.*mariadb:/);
    expect(() => settingsFrom({ VENNET_LOG: 'loud' })).toThrow(/VENNET_LOG.*warn.*“loud”/);
    expect(settingsFrom({ VENNET_REQUEST_TIMEOUT: '2' })).toMatchObject({ requestTimeout: 2000 });
    expect(() => settingsFrom({ VENNET_REQUEST_TIMEOUT: '0' })).toThrow(
      /VENNET_REQUEST_TIMEOUT.*1 to 120.*“0”/,
    );
  });
});

describe('the database of its own', () => {
  test('that dies is brought back with all that was saved; meanwhile it is said to be away', async () => {
    const running = await start(settings());
    const made = await fetch(`${running.address}/api/books`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"title":"Kept"}',
    });
    const { id } = (await made.json()) as { id: string };
    await fetch(`${running.address}/api/books/${id}/exports`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"format":"epub"}',
    });
    const pid = Number(await readFile(join(directory, 'mariadb/data/vennet.pid'), 'utf8'));
    process.kill(pid, 'SIGKILL');
    const answers = new Set<number>();
    for (let seconds = 0; seconds < 60; seconds++) {
      const { status } = await fetch(`${running.address}/api/books`);
      answers.add(status);
      if (status === 200 && answers.has(503)) break;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    expect([...answers].filter((status) => status !== 200 && status !== 503)).toEqual([]);
    expect(await books(running.address)).toMatchObject([{ title: 'Kept' }]);
    // Nothing is said to run that does not.
    for (let seconds = 0; seconds < 60; seconds++) {
      const [job] = (await (await fetch(`${running.address}/api/books/${id}/exports`)).json()) as {
        state: string;
      }[];
      if (job?.state === 'done' || job?.state === 'failed') break;
      expect(seconds).toBeLessThan(59);
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    await running.stop();
  }, 120_000);

  test('that was left running by a killed application is ended, and its data are there', async () => {
    const home = join(directory, 'mariadb');
    const url = await killedWithDatabase(home);
    const connection = await connectTo(url);
    await connection.query('CREATE TABLE kept (word VARCHAR(20))');
    await connection.query("INSERT INTO kept VALUES ('tides')");
    await connection.end();
    const second = await startLocalMariadb(home);
    const again = await connectTo(second.url);
    expect((await again.query('SELECT word FROM kept'))[0]).toEqual([{ word: 'tides' }]);
    await again.end();
    await second.stop();
  }, 120_000);

  test('where it can’t be made says why and leaves no half of it', async () => {
    const file = join(directory, 'a-file');
    await writeFile(file, '');
    await expect(startLocalMariadb(join(file, 'mariadb'))).rejects.toThrow();
    expect(await readFile(file, 'utf8')).toBe('');
  });
});

/** Starts a database from another process, which is then killed; gives the address at which the database still answers. */
async function killedWithDatabase(home: string): Promise<string> {
  const file = new URL('./database/local-mariadb.js', import.meta.url).href;
  const program = `import { startLocalMariadb } from ${JSON.stringify(file)};
    const { url } = await startLocalMariadb(${JSON.stringify(home)});
    console.log(url);
    setInterval(() => {}, 1000);`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', program], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const [said] = (await once(child.stdout, 'data')) as [Buffer];
  child.kill('SIGKILL');
  await once(child, 'exit');
  return said.toString().trim();
}
