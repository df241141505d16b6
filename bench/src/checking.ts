import { Prober } from '@vennet/server/probe/prober';
import { page, startWorld } from '@vennet/world';
import { line } from './floor.js';

const DESTINATIONS = 2_000;
const HOSTS = 100;
const DELAY = 50; // ms
const AT_ONCE = 32;

/** Checking 2,000 destinations on 100 hosts that answer in 50 ms each, 32 at once, against what the waiting alone takes. */
export async function benchChecking(): Promise<void> {
  const world = await startWorld({ sites: [], fallback: () => ({ ...page(''), delay: DELAY }) });
  const prober = new Prober({ standIn: world, atOnce: AT_ONCE });
  const hrefs = Array.from(
    { length: DESTINATIONS },
    (_, index) => `http://h${index % HOSTS}.example/${index}`,
  );
  const start = performance.now();
  let sound = 0;
  await prober.probeAll(
    hrefs,
    (_href, answer) => void (sound += answer.outcome === 'status' && answer.status === 200 ? 1 : 0),
    new AbortController().signal,
  );
  const time = performance.now() - start;
  await prober.close();
  await world.stop();
  if (sound !== DESTINATIONS) throw new Error(`only ${sound} of ${DESTINATIONS} were answered`);
  line(
    'Checking 2,000 destinations',
    time,
    'the waiting alone (2,000 x 50 ms / 32)',
    (DESTINATIONS * DELAY) / AT_ONCE,
    1.3,
  );
}
