import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { start } from '@vennet/server/run';

/** Serves until whoever asked for it goes. */
const directory = process.argv[2] ?? '';
const worldPort = Number(process.env.VENNET_SOAK_WORLD ?? 0);
/** A world that is in another process, and outlives this one. */
const world = async () => ({
  owns: (hostname: string) => hostname.endsWith('.example'),
  portFor: (_hostname: string, protocol: string) => (protocol === 'http:' ? worldPort : NOBODY),
  certificate: '',
  visitPort: worldPort,
  stop: async () => {},
});
const NOBODY = 1;
const running = await start(
  { port: 0, dataDirectory: directory, databaseUrl: null, webDirectory: null, logLevel: 'silent' },
  worldPort > 0 ? world : undefined,
);
const database = Number(readFileSync(join(directory, 'mariadb/data/vennet.pid'), 'utf8'));
process.send?.({ address: running.address, database });
process.once('disconnect', () => void running.stop().then(() => process.exit(0)));
