import { randomBytes } from 'node:crypto';
import { connectTo } from '../database/local-mariadb.js';

export interface OwnDatabase {
  url: string;
  drop(): Promise<void>;
}

/** An empty database for one application alone, on the MariaDB that the test run started: tests run side by side. */
export async function ownDatabase(): Promise<OwnDatabase> {
  const server = process.env.VENNET_TEST_DATABASE;
  if (!server) throw new Error('the tests of the server are run by “npm test”, which starts their database');
  const name = `vennet_${randomBytes(6).toString('hex')}`;
  const say = async (statement: string) => {
    const connection = await connectTo(server);
    await connection.query(statement);
    await connection.end();
  };
  await say(`CREATE DATABASE ${name} CHARACTER SET utf8mb4`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return { url: url.href, drop: () => say(`DROP DATABASE ${name}`) };
}
