import { verdictOf } from '@vennet/core/reach';
import { Prober } from '@vennet/server/probe/prober';
import { destination, DESTINATIONS } from './destinations.js';

/** What came of one run: its time in ms, how many verdicts were as they should be, and the most memory, in bytes. */
export interface Probed {
  time: number;
  right: number;
  memory: number;
}

// One check run, in a process of its own, so that its memory is its own.
const port = Number(process.env.VENNET_BENCH_PORT);
const NOBODY = 1;
const prober = new Prober({
  standIn: {
    owns: () => true,
    portFor: (_host, protocol) => (protocol === 'http:' ? port : NOBODY),
    certificate: '',
  },
  atOnce: Number(process.env.VENNET_BENCH_AT_ONCE),
  rate: 0,
});
let memory = 0;
const look = setInterval(() => (memory = Math.max(memory, process.memoryUsage().rss)), 50);
const expected = new Map(
  Array.from({ length: DESTINATIONS }, (_, number) => {
    const { href, fails } = destination(number);
    return [href, fails === null ? 'sound' : fails === 'not-found' ? 'broken' : 'unreachable'];
  }),
);
let right = 0;
const start = performance.now();
await prober.probeAll(
  [...expected.keys()],
  (href, answer) => void (right += verdictOf(answer, href).verdict === expected.get(href) ? 1 : 0),
  new AbortController().signal,
);
const time = performance.now() - start;
clearInterval(look);
await prober.close();
process.send?.({ time, right, memory } satisfies Probed);
process.disconnect();
