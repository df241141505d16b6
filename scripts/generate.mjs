// npm run generate: describes the HTTP interface, makes the types of its client from the description, and lists the catalogue.
import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { root, say } from './setup.mjs';

// The client may not fit the server yet: what is built then is built all the same.
spawnSync('npx', ['--no-install', 'tsc', '-b', 'server'], { cwd: root, stdio: 'ignore' });
const { describedClient } = await import('../server/dist/describe.js');
const { CATALOGUE, listed } = await import('../world/dist/index.js');
const made = { ...(await describedClient()), 'docs/catalogue.md': listed(CATALOGUE) };
for (const [path, text] of Object.entries(made)) {
  say(`Writing ${path}`);
  writeFileSync(`${root}${path}`, text);
}
