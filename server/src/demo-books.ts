import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join, relative, resolve } from 'node:path';
import { strToU8, zipSync, type Zippable } from 'fflate';
import type { Destination } from '@vennet/core/destination';
import { DEFAULT_STRUCTURE, type Place } from '@vennet/core/manuscript';
import { BooksService } from './books/books.service.js';
import { RepairsService } from './books/repairs.service.js';
import { BringInService } from './bring-in/bring-in.service.js';
import { PROJECT } from './platform/settings.js';
import { Reports } from './reports/reports.service.js';
import type { Running } from './run.js';
import { ShelfService } from './shelf/shelf.service.js';

/** What an e-book can't say of its files: who can open them and how they travel. */
const FILES: Record<string, Parameters<ShelfService['change']>[1]> = {
  'tide-table.pdf': { description: 'Safe hours on the sands at Gannel, to print and fold' },
  'low-waters-in-may.csv': { description: 'Date, time and height of each low water', travels: 'beside' },
  'skerrow-path.gpx': {
    description: 'From the bus to the light',
    travels: 'public',
    address: 'https://orrin-archive.example/files/skerrow-path.gpx',
  },
  'lantern-days.ics': { description: 'The last Saturday of September' },
  'bell-of-middle.wav': { description: 'One stroke, three times', travels: 'beside' },
  'key-to-the-charts.png': { description: 'What the marks on the charts mean' },
  'packing-list.txt': { description: 'With a note to myself', opensFor: 'author' },
  'measured-drawings.zip': { description: 'Of two of the towers', opensFor: 'reviewers' },
};

/** Books that belong together, by the name under which it is remembered that they were added. */
const DEMO: Readonly<Record<string, (app: Running['app']) => Promise<void>>> = {
  'orrin-sound': loadDemoBooks,
  leaflet: loadLeaflet,
};

/**
 * Adds each demo book once: one that is there stays as its author has changed it, one that was removed stays away, and one that comes with a later
 * version is added to data of today.
 */
export async function addDemoBooks(app: Running['app'], dataDirectory: string): Promise<void> {
  const path = join(dataDirectory, 'demo-books.json');
  const read = await readFile(path, 'utf8').catch(() => null);
  // Data from before this was remembered has the first ones.
  const isOld = read === null && (await app.get(BooksService).list()).length > 0;
  const added = new Set(isOld ? ['orrin-sound'] : (JSON.parse(read ?? '[]') as string[]));
  for (const [name, load] of Object.entries(DEMO)) {
    if (added.has(name)) continue;
    await load(app);
    added.add(name);
    await writeFile(path, JSON.stringify([...added]));
  }
}

/** The demo book and its companion. Links between them stand as made-up addresses until both are there. */
export async function loadDemoBooks(app: Running['app']): Promise<void> {
  const books = app.get(BooksService);
  const shelf = app.get(ShelfService);
  const repairs = app.get(RepairsService);
  const words = await bringInDemo(app, 'keepers-words');
  const lights = await bringInDemo(app, 'small-lights');
  await books.change(lights, {
    title: 'Small Lights',
    subtitle: 'Walks to the minor lighthouses of the Orrin Sound',
    structure: { ...DEFAULT_STRUCTURE, numbering: 'decimal' },
  });
  for (const { id, name } of await shelf.ofBook(lights)) if (FILES[name]) await shelf.change(id, FILES[name]);
  const lead = (from: string, href: string, destination: Destination) =>
    repairs.repair(from, { target: { href }, repair: { type: 'destination', destination } });
  await lead(words, 'https://small-lights.example/', { kind: 'book', book: lights });
  await lead(lights, 'https://keepers-words.example/', { kind: 'book', book: words });
  const wick = (await app.get(Reports).read<Place[]>(words, 'places')).find(
    (place) => place.words === 'Wick',
  );
  await lead(lights, 'https://keepers-words.example/#wick', { kind: 'book', book: words, place: wick?.id });
}

/** A finished PDF as its printer hands it over; its second edition lies beside it, to be brought in by whoever tries it. */
async function loadLeaflet(app: Running['app']): Promise<void> {
  const name = 'across-the-sound.pdf';
  await bringInFile(app, name, await readFile(resolve(PROJECT, 'demo', 'leaflet', name)));
}

/** A demo book lies in the project as the unpacked files of an e-book, and comes in like any other. */
async function bringInDemo(app: Running['app'], name: string): Promise<string> {
  const directory = resolve(PROJECT, 'demo', name);
  const archive: Zippable = { mimetype: [strToU8('application/epub+zip'), { level: 0 }] };
  for (const entry of await readdir(directory, { recursive: true, withFileTypes: true }))
    if (entry.isFile()) {
      const path = join(entry.parentPath, entry.name);
      archive[relative(directory, path)] = new Uint8Array(await readFile(path));
    }
  return bringInFile(app, `${name}.epub`, zipSync(archive));
}

/** A file that is brought in is taken from where it lies, so it is a copy. */
async function bringInFile(app: Running['app'], name: string, bytes: Uint8Array): Promise<string> {
  const temporary = await mkdtemp(join(tmpdir(), 'vennet-demo-'));
  try {
    const path = join(temporary, name);
    await writeFile(path, bytes);
    return (await app.get(BringInService).bringIn({ path, name })).id;
  } finally {
    await rm(temporary, { recursive: true, force: true });
  }
}
