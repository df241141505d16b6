// npm run generate: describes the HTTP interface and makes the types of its client from the description.
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { root, say } from './setup.mjs';

// The client may not fit the server yet: what is built then is built all the same.
spawnSync('npx', ['--no-install', 'tsc', '-b', 'server'], { cwd: root, stdio: 'ignore' });
const { describedClient } = await import('../server/dist/describe.js');
for (const [path, text] of Object.entries(await describedClient())) {
  say(`Writing ${path}`);
  writeFileSync(`${root}${path}`, text);
}
