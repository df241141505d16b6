import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startLocalMariadb, type LocalMariadb } from '../database/local-mariadb.js';

export interface TestDatabase {
  database: LocalMariadb;
  directory: string;
}

declare global {
  var vennetTestDatabase: TestDatabase | undefined;
}

/** One MariaDB for all tests of the server: a real one, on loopback, with its data in a folder of its own. */
export default async function startDatabase(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-test-'));
  const database = await startLocalMariadb(join(directory, 'mariadb'));
  globalThis.vennetTestDatabase = { database, directory };
  process.env.VENNET_TEST_DATABASE = database.url;
}
