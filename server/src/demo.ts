import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, relative, resolve } from 'node:path';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { BooksService } from './books/books.service.js';
import { BringInService } from './bring-in/bring-in.service.js';
import { start, startFromCommand, type Running } from './run.js';
import { PROJECT, settingsFrom } from './settings.js';

/** Starts Vennet with the stand-in world and, where there is no book yet, brings the demo book in. */
async function startDemo(): Promise<Running> {
  const settings = settingsFrom(process.env);
  const visitPort = Number(process.env.VENNET_WORLD_PORT ?? 0);
  const running = await start(settings, { world: true, visitPort });
  const books = running.app.get(BooksService);
  if ((await books.list()).length === 0) await loadDemoBook(running.app.get(BringInService), books);
  return running;
}

/** The demo book lies in the project as the unpacked files of an e-book, and comes in like any other. */
async function loadDemoBook(bringing: BringInService, books: BooksService): Promise<void> {
  const directory = resolve(PROJECT, 'demo/small-lights');
  const archive: Zippable = { mimetype: [strToU8('application/epub+zip'), { level: 0 }] };
  for (const entry of await readdir(directory, { recursive: true, withFileTypes: true }))
    if (entry.isFile()) {
      const path = join(entry.parentPath, entry.name);
      archive[relative(directory, path)] = new Uint8Array(await readFile(path));
    }
  const temporary = await mkdtemp(join(tmpdir(), 'vennet-demo-'));
  try {
    const file = join(temporary, 'small-lights.epub');
    await writeFile(file, zipSync(archive));
    const { id } = await bringing.bringIn(file, 'small-lights.epub');
    await books.change(id, {
      title: 'Small Lights',
      subtitle: 'Walks to the minor lighthouses of the Orrin Sound',
    });
  } finally {
    await rm(temporary, { recursive: true, force: true });
  }
}

const running = await startFromCommand(startDemo);
console.log(`\nVennet runs at ${running.address}\nThe demo book is in the Library. Press Ctrl+C to stop.\n`);
