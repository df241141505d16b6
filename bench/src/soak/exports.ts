import { setTimeout as wait } from 'node:timers/promises';
import { vennet } from '@vennet/client';
import { end, memoryOf, serve } from './served.js';

/** So many exports in a row, in every form: all are made, and the server holds no more than after the first ones, in MB. */
export async function manyExports(
  directory: string,
  times: number,
): Promise<{ failed: number; first: number; last: number }> {
  const served = await serve(directory);
  const api = vennet(served.address);
  const [book] = await api.books();
  const id = book?.id ?? (await api.startBook({ title: 'Exports' })).id;
  let failed = 0;
  let first = 0;
  for (let count = 0; count < times; count++) {
    const started = await api.startExport(id, (['epub', 'pdf', 'web'] as const)[count % 3]!);
    let state = 'waiting';
    while (state === 'waiting' || state === 'running') {
      await wait(100);
      ({ state } = await api.export(started.id));
    }
    if (state !== 'done') failed++;
    if (count === 8) first = memoryOf(served.child.pid ?? 0);
  }
  const last = memoryOf(served.child.pid ?? 0);
  await end(served);
  return { failed, first, last };
}
