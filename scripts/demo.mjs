// npm run demo: everything from a fresh clone to a running Vennet with the demo book. `-- --fresh` starts anew.
import { rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { build, needNpmPackages, needPackages, root, say } from './setup.mjs';

needPackages('mariadb-server');
needNpmPackages();
build();
if (process.argv.includes('--fresh')) {
  say('Starting anew: the data of earlier demos is removed');
  rmSync(resolve(process.env.VENNET_DATA ?? `${root}.vennet`), { recursive: true, force: true });
}
say('Starting');
await import('../server/dist/demo.js');
