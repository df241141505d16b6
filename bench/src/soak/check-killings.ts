import { once } from 'node:events';
import { setTimeout as wait } from 'node:timers/promises';
import { vennet } from '@vennet/client';
import { isUnderWay } from '@vennet/core/wire';
import { page, startWorld, status, type Page } from '@vennet/world';
import { end, serve, type Served } from './served.js';

const HOSTS = 60;
const PAGES = 1_500;
/** Pages that may be under way, or answered and not stored yet, when the server or its database is killed. */
const UNDER_WAY = 160;

const isGone = (number: number) => number % 10 === 0;

/**
 * A server that is killed again and again while it checks links, in turn with its database. Gives how many verdicts were lost
 * that had been counted, how many are wrong at the end of a run, and how many pages were asked twice although nothing was under way.
 */
export async function checkKillings(
  directory: string,
  times: number,
): Promise<{ runs: number; lost: number; twice: number; wrong: number }> {
  const world = await startWorld({
    sites: [],
    fallback(_host, path): Page | null {
      const number = Number(/^\/p(\d+)$/.exec(path)?.[1] ?? NaN);
      if (Number.isNaN(number) || isGone(number)) return status(404, 'No such page');
      return {
        ...page(`Page ${number}`, [], `What stands on page ${number}.`),
        delay: 40 + (number % 7) * 20,
      };
    },
  });
  const start = () => serve(directory, 768, world.visitPort);
  let served = await start();
  const api = () => vennet(served.address);
  const links = Array.from(
    { length: PAGES },
    (_, number) => `<p><a href="http://h${number % HOSTS}.example/p${number}">Page ${number}</a></p>`,
  );
  const { id: book } = await api().bringIn(new Blob([`<h1>Links</h1>${links.join('')}`]), 'links.html');
  const result = { runs: 0, lost: 0, twice: 0, wrong: 0 };
  let killed = 0;
  while (killed < times) {
    const before = world.requests.length;
    const { id } = await api().startCheck(book);
    result.runs++;
    let killedInRun = 0;
    let counted = 0;
    for (;;) {
      const run = await api()
        .check(id)
        .catch(() => null);
      if (run && !isUnderWay(run)) break;
      if (run) counted = run.done;
      if (killed < times && counted > 0) {
        await wait(Math.random() * 1_500);
        counted = (await api().check(id)).done;
        served = await kill(served, killed % 4 === 3, start);
        killed++;
        killedInRun++;
        result.lost += Math.max(0, counted - (await doneIn(api(), id)));
      } else await wait(200);
    }
    const { state, verdicts } = await api().check(id);
    const gone = Array.from({ length: PAGES }, (_, number) => number).filter(isGone).length;
    result.wrong +=
      Math.abs((verdicts.broken ?? 0) - gone) + Math.abs((verdicts.sound ?? 0) - (PAGES - gone));
    if (state !== 'done') result.wrong++;
    const asked = world.requests.slice(before).filter((request) => /\/p\d+$/.test(request));
    result.twice += Math.max(0, asked.length - new Set(asked).size - killedInRun * UNDER_WAY);
  }
  await end(served);
  await world.stop();
  return result;
}

async function kill(served: Served, database: boolean, start: () => Promise<Served>): Promise<Served> {
  if (database) {
    // It is brought back, and the server goes on.
    process.kill(served.database, 'SIGKILL');
    await wait(8_000);
    return served;
  }
  served.child.kill('SIGKILL');
  await once(served.child, 'exit');
  return start();
}

/** How far a run is, as soon as the server and its database answer. */
async function doneIn(api: ReturnType<typeof vennet>, id: string): Promise<number> {
  for (;;) {
    const run = await api.check(id).catch(() => null);
    if (run) return run.done;
    await wait(300);
  }
}
