import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { line } from '../floor.js';
import { destination, DESTINATIONS, HOSTS } from './destinations.js';
import type { Probed } from './prober.process.js';

const AT_ONCE = 32;
const PER_HOST = 4;
/** The most memory that the run may take, in bytes. */
const MEMORY = 300 * 2 ** 20;

/**
 * Checking 10,000 destinations at 500 hosts of mixed latency, 5 % of them failing, against the least time that their latency and the
 * limits (32 at once, 4 a host) allow; and the same with a page of 1 MB behind each hundredth.
 */
export async function benchChecking(): Promise<void> {
  for (const large of [false, true]) {
    const hosts = start('hosts', { VENNET_BENCH_LARGE: large ? '1' : '' });
    const [{ port }] = (await once(hosts, 'message')) as [{ port: number }];
    const prober = start('prober', {
      VENNET_BENCH_PORT: String(port),
      VENNET_BENCH_AT_ONCE: String(AT_ONCE),
    });
    const [{ time, right, memory }] = (await once(prober, 'message')) as [Probed];
    hosts.disconnect();
    if (right !== DESTINATIONS) throw new Error(`only ${right} of ${DESTINATIONS} verdicts are right`);
    const what = `Checking ${DESTINATIONS} destinations${large ? ', each hundredth of 1 MB' : ''}`;
    line(what, time, 'the latency within the limits', floor(), 1.15);
    const kept = memory <= MEMORY ? 'kept' : 'MISSED';
    console.log(`  its memory: ${Math.round(memory / 2 ** 20)} MB at most  (bar 300 MB: ${kept})`);
  }
}

/** The least time that the latencies allow: all of them over the requests at once, those of the slowest host over its own. */
function floor(): number {
  const all = Array.from({ length: DESTINATIONS }, (_, number) => destination(number));
  const sum = (some: typeof all) => some.reduce((total, { latency, asked }) => total + latency * asked, 0);
  const hosts = Array.from({ length: HOSTS }, (_, host) =>
    sum(all.filter((_one, number) => number % HOSTS === host)),
  );
  return Math.max(sum(all) / AT_ONCE, Math.max(...hosts) / PER_HOST);
}

const start = (name: string, env: Record<string, string>): ChildProcess =>
  fork(fileURLToPath(new URL(`./${name}.process.js`, import.meta.url)), { env: { ...process.env, ...env } });
