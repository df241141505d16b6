// npm run generate: describes the HTTP interface and makes the types of its client from the description.
import { writeFileSync } from 'node:fs';
import { root, run, say } from './setup.mjs';

run('npx', ['--no-install', 'tsc', '-b', 'server']);
const { describedClient } = await import('../server/dist/describe.js');
for (const [path, text] of Object.entries(await describedClient())) {
  say(`Writing ${path}`);
  writeFileSync(`${root}${path}`, text);
}
