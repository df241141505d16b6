import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { start } from '@vennet/server/run';

/** Serves until whoever asked for it goes. */
const directory = process.argv[2] ?? '';
const running = await start({
  port: 0,
  dataDirectory: directory,
  databaseUrl: null,
  webDirectory: null,
  logLevel: 'silent',
});
const database = Number(readFileSync(join(directory, 'mariadb/data/vennet.pid'), 'utf8'));
process.send?.({ address: running.address, database });
process.once('disconnect', () => void running.stop().then(() => process.exit(0)));
