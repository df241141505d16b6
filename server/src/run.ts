import { once } from 'node:events';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { createApp, type StandInWorld } from './app.js';
import { startLocalMariadb } from './database/local-mariadb.js';
import { SettingsError, type Settings } from './platform/settings.js';

export interface Running {
  app: NestExpressApplication;
  address: string;
  stop(): Promise<void>;
}

/** Vennet can't start, and why: words for the person at the terminal. */
export class StartError extends Error {}

/** A stand-in for the network that is started and ended with the server. */
export type OpenWorld = () => Promise<StandInWorld & { timeGate?: string; stop(): Promise<void> }>;

/** Starts everything: the database, the stand-in world where one is given, and the server on loopback. */
export async function start(settings: Settings, openWorld?: OpenWorld): Promise<Running> {
  await mkdir(settings.dataDirectory, { recursive: true });
  const release = await holdData(settings.dataDirectory);
  const toStop: (() => Promise<unknown>)[] = [release];
  const stop = async () => {
    for (const one of toStop.splice(0).reverse()) await one();
  };
  try {
    let databaseUrl = settings.databaseUrl;
    if (!databaseUrl) {
      const database = await startLocalMariadb(join(settings.dataDirectory, 'mariadb'));
      toStop.push(database.stop);
      databaseUrl = database.url;
    }
    const world = await openWorld?.();
    if (world) toStop.push(world.stop);
    const app = await createApp({ ...settings, databaseUrl, world, timeGate: world?.timeGate });
    toStop.push(() => app.close());
    await listen(app, settings.port);
    const { port } = app.getHttpServer().address() as { port: number };
    return { app, address: `http://localhost:${port}`, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

async function listen(app: NestExpressApplication, port: number): Promise<void> {
  await app.init();
  const server = app.getHttpServer();
  try {
    server.listen(port, '127.0.0.1');
    await once(server, 'listening');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    throw new StartError(
      `Port ${port} is taken by another program. Stop that program, or start Vennet on another port: VENNET_PORT=${port + 10} npm run demo`,
    );
  }
}

/** One application at a time on one folder of data. A lock whose process has ended is taken over. */
async function holdData(directory: string): Promise<() => Promise<void>> {
  const path = join(directory, 'vennet.lock');
  const holder = Number(await readFile(path, 'utf8').catch(() => ''));
  if (holder && holder !== process.pid && isAlive(holder))
    throw new StartError(
      `Vennet is already running on this data (process ${holder}). Stop it first, or set VENNET_DATA to another folder.`,
    );
  await writeFile(path, String(process.pid));
  return () => rm(path, { force: true });
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Ends the application once, when the terminal or the machine says so: while it starts, as soon as it has. */
function stopOnSignals(starting: Promise<Running>): void {
  let stopping = false;
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
    process.on(signal, () => {
      if (stopping) return;
      stopping = true;
      const stopped = starting.then((running) => running.stop());
      stopped.then(
        () => process.exit(0),
        (error: unknown) => {
          console.error(error);
          process.exit(1);
        },
      );
    });
}

/** Starts from a command and tells what happened in words; a start that fails ends the process. */
export async function startFromCommand(work: () => Promise<Running>): Promise<Running> {
  const starting = work();
  stopOnSignals(starting);
  try {
    return await starting;
  } catch (error) {
    const expected =
      error instanceof StartError ||
      error instanceof SettingsError ||
      (error as Error).name === 'DatabaseStartError';
    console.error(expected ? `\nVennet can’t start. ${(error as Error).message}\n` : error);
    process.exit(1);
  }
}
