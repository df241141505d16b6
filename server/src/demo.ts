import { demoSites, startWorld } from '@vennet/world';
import { BooksService } from './books/books.service.js';
import { loadDemoBooks } from './demo-books.js';
import { settingsFrom } from './platform/settings.js';
import { start, startFromCommand, type Running } from './run.js';

/** Starts Vennet with the stand-in world and, where there is no book yet, brings the demo book in. */
async function startDemo(): Promise<Running> {
  const settings = settingsFrom(process.env);
  const visitPort = Number(process.env.VENNET_WORLD_PORT ?? 0);
  const running = await start(settings, () => startWorld({ sites: demoSites, visitPort }));
  const books = running.app.get(BooksService);
  if ((await books.list()).length === 0) await loadDemoBooks(running.app);
  return running;
}

const running = await startFromCommand(startDemo);
console.log(`\nVennet runs at ${running.address}\nThe demo book is in the Library. Press Ctrl+C to stop.\n`);
