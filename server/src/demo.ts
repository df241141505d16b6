import { DEMO_TIME_GATE, demoSites, startWorld } from '@vennet/world';
import { addDemoBooks } from './demo-books.js';
import { settingsFrom } from './platform/settings.js';
import { start, startFromCommand, type Running } from './run.js';

/** Starts Vennet with the stand-in world, and with the demo books that were never added to its data. */
async function startDemo(): Promise<Running> {
  const settings = settingsFrom(process.env);
  const visitPort = Number(process.env.VENNET_WORLD_PORT ?? 0);
  const running = await start(settings, async () => ({
    ...(await startWorld({ sites: demoSites, visitPort })),
    timeGate: DEMO_TIME_GATE,
  }));
  await addDemoBooks(running.app, settings.dataDirectory);
  return running;
}

const running = await startFromCommand(startDemo);
console.log(`\nVennet runs at ${running.address}\nThe demo book is in the Library. Press Ctrl+C to stop.\n`);
