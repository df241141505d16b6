import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { describedClient } from './describe.js';
import { PROJECT } from './platform/settings.js';

test('the typed client is the one that “npm run generate” makes of the routes', async () => {
  for (const [path, text] of Object.entries(await describedClient()))
    expect([path, await readFile(join(PROJECT, path), 'utf8')]).toEqual([path, text]);
});
