import { once } from 'node:events';
import { setTimeout as wait } from 'node:timers/promises';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { vennet } from '@vennet/client';
import { end, serve, type Served } from './served.js';

/**
 * A server that is killed again and again while it is written to, in turn with its database: whatever was acknowledged is there afterwards.
 * Gives how many words were acknowledged, and how many are missing.
 */
export async function killings(
  directory: string,
  times: number,
): Promise<{ acknowledged: number; missing: number }> {
  let served = await serve(directory);
  const { id: book } = await vennet(served.address).startBook({ title: 'Killed' });
  const acknowledged: string[] = [];
  for (let round = 0; round < times; round++) {
    const writing = write(served, book, round, acknowledged);
    await wait(500 + Math.random() * 2_000);
    if (round % 4 === 3) process.kill(served.database, 'SIGKILL');
    else served.child.kill('SIGKILL');
    if (round % 4 === 3) {
      // The database is brought back; the server goes on.
      await wait(8_000);
      writing.stop();
      await writing.done;
      continue;
    }
    if (served.child.exitCode === null && served.child.signalCode === null) await once(served.child, 'exit');
    writing.stop();
    await writing.done;
    served = await serve(directory);
  }
  const text = JSON.stringify((await vennet(served.address).manuscript(book)).chapters);
  await end(served);
  return {
    acknowledged: acknowledged.length,
    missing: acknowledged.filter((words) => !text.includes(words)).length,
  };
}

function write({ address }: Served, book: string, round: number, acknowledged: string[]) {
  let on = true;
  const client = vennet(address);
  const done = (async () => {
    for (let count = 0; on; count++) {
      const words = `w${round}x${count}.`;
      try {
        const [chapter] = (await client.manuscript(book)).chapters;
        const { taken } = await client.sendSteps(chapter!.id, {
          batch: crypto.randomUUID(),
          window: 'soak',
          version: chapter!.version,
          schema: SCHEMA_VERSION,
          steps: [
            {
              stepType: 'replace',
              from: 3,
              to: 3,
              slice: { content: [{ type: 'text', text: `${words} ` }] },
            },
          ],
        });
        if (taken) acknowledged.push(words);
      } catch {
        await wait(100);
      }
    }
  })();
  return { stop: () => void (on = false), done };
}
