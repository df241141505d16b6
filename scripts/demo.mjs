// npm run demo: everything from a fresh clone to a running Vennet with the demo book. `-- --fresh` starts anew.
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { build, fail, needNpmPackages, needPackages, root, say } from './setup.mjs';

needPackages('mariadb-server');
needNpmPackages();
build();
if (process.argv.includes('--fresh')) {
  const data = resolve(process.env.VENNET_DATA ?? `${root}.vennet`);
  const holder = existsSync(`${data}/vennet.lock`) ? Number(readFileSync(`${data}/vennet.lock`, 'utf8')) : 0;
  if (holder && existsSync(`/proc/${holder}`))
    fail(`Vennet is running on this data (process ${holder}). Stop it first.`);
  say('Starting anew: the data of earlier demos is removed');
  rmSync(data, { recursive: true, force: true });
}
say('Starting');
await import('../server/dist/demo.js');
