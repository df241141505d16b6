import { rm } from 'node:fs/promises';
import './start-database.js';

export default async function stopDatabase(): Promise<void> {
  const { vennetTestDatabase } = globalThis;
  if (!vennetTestDatabase) return;
  await vennetTestDatabase.database.stop();
  await rm(vennetTestDatabase.directory, { recursive: true, force: true });
}
