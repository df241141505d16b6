import { html, startWorld, status, type Page } from '@vennet/world';
import { destination, isLarge } from './destinations.js';

// The hosts, in a process of their own. They answer plain HTTP; by HTTPS nobody is there.
const TEXT = 'The keeper of the lamp wrote down what he had seen from the gallery that night. '.repeat(40);
const pageWith = (number: number, text: string): Page =>
  html(`<!doctype html><title>Page ${number}</title><h1>Page ${number}</h1><p>${number} ${text}</p>`);
const LARGE = TEXT.repeat(Math.ceil(1_000_000 / TEXT.length));
const large = process.env.VENNET_BENCH_LARGE === '1';

const world = await startWorld({
  sites: [],
  fallback(_host, path) {
    const number = Number(/^\/p(\d+)$/.exec(path)?.[1] ?? NaN);
    if (Number.isNaN(number)) return status(404, 'No such page');
    const { latency: delay, fails } = destination(number);
    const page: Page =
      fails === 'not-found'
        ? status(404, 'No such page')
        : fails === 'fault'
          ? status(500, 'Fault')
          : fails === 'breaks'
            ? { answer: { kind: 'breaks' } }
            : pageWith(number, large && isLarge(number) ? LARGE : TEXT);
    return { ...page, delay };
  },
});
process.send?.({ port: world.visitPort });
process.once('disconnect', () => process.exit(0));
