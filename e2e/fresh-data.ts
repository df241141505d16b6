import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '@vennet/server/database/free-port';
import { Vennet } from './vennet.js';

/** Starts the demo once on an empty folder, as a newcomer does; what it has made is what every test file begins with. */
export default async function makeFreshData(): Promise<() => Promise<void>> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-fresh-'));
  const vennet = new Vennet(directory, await freePort());
  await vennet.start();
  await vennet.stop();
  process.env.VENNET_FRESH_DATA = directory;
  return () => rm(directory, { recursive: true, force: true });
}
