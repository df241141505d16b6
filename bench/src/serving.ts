import { fork, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { vennet } from '@vennet/client';
import type { StepsAnswer, StepsSent } from '@vennet/core/wire';
import { line } from './floor.js';

const READERS = 50;
const SAVERS = 20;
const ROUNDS = 15;

/** What the process that serves says of itself. */
export interface Serving {
  /** Of Vennet with its demo books, and of a bare handler that sends what it is given. */
  address: string;
  bare: string;
}

/**
 * 50 readers of the links of the demo book at once, against a bare handler that sends the same bytes; 20 savers at once, each in a chapter of a book
 * of its own, against 20 who commit one row each to the same database. Compared are the times at the 95th percentile.
 */
export async function benchServing(): Promise<void> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-bench-'));
  const child = fork(fileURLToPath(new URL('./serving.process.js', import.meta.url)), [directory], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  try {
    const [serving] = (await once(child, 'message')) as [Serving];
    await benchReaders(serving);
    await benchSavers(serving);
  } finally {
    await ended(child);
    await rm(directory, { recursive: true, force: true });
  }
}

async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null) return;
  const exit = once(child, 'exit');
  child.disconnect();
  await exit;
}

async function benchReaders({ address, bare }: Serving): Promise<void> {
  const books = await vennet(address).books();
  const [book] = books.sort((one, other) => other.links - one.links);
  const links = `${address}/api/books/${book!.id}/links`;
  const headers = { 'accept-encoding': 'identity' };
  const bytes = await (await fetch(links, { headers })).arrayBuffer();
  await fetch(bare, { method: 'PUT', body: bytes });
  const read = (url: string) => async () => {
    const answer = await fetch(url, { headers });
    if ((await answer.arrayBuffer()).byteLength !== bytes.byteLength) throw new Error('other bytes came');
  };
  const [time, floor] = await compared(READERS, read(links), read(bare));
  line(
    `Links of the demo book for ${READERS} readers`,
    time,
    'a bare handler that sends the same bytes',
    floor,
    3,
  );
}

async function benchSavers({ address, bare }: Serving): Promise<void> {
  const client = vennet(address);
  const savers = await Promise.all(
    Array.from({ length: SAVERS }, async (_, index) => {
      const { id } = await client.startBook({ title: `Book ${index}` });
      const [chapter] = (await client.manuscript(id)).chapters;
      return { id: chapter!.id, version: chapter!.version };
    }),
  );
  let count = 0;
  // What is typed, as the interface sends it: a step at the beginning of the paragraph after the heading.
  const save = async (index: number) => {
    const saver = savers[index]!;
    const slice = { content: [{ type: 'text', text: `Low at nine, ${count++}. ` }] };
    const body: StepsSent = {
      batch: `batch-${index}-${count}`,
      window: `window-${index}`,
      version: saver.version,
      schema: SCHEMA_VERSION,
      steps: [{ stepType: 'replace', from: 3, to: 3, slice }],
    };
    const headers = { 'content-type': 'application/json' };
    const url = `${address}/api/chapters/${saver.id}/steps`;
    const answer = await fetch(url, { method: 'POST', headers, body: JSON.stringify(body) });
    const { version, taken } = (await answer.json()) as StepsAnswer;
    if (!taken) throw new Error('a save was not taken');
    saver.version = version;
  };
  const commit = async (index: number) => {
    const answer = await fetch(`${bare}row/${index}`, { method: 'POST' });
    if (!answer.ok) throw new Error('a row was not committed');
  };
  const [time, floor] = await compared(SAVERS, save, commit);
  line(`${SAVERS} savers at once`, time, 'one row committed to the same database, by as many', floor, 4);
}

/** The times at the 95th percentile of two works that many do at once; they take turns, so that both meet the machine in the same state. */
async function compared(
  many: number,
  work: (index: number) => Promise<void>,
  floor: (index: number) => Promise<void>,
): Promise<[number, number]> {
  const times: [number[], number[]] = [[], []];
  for (let round = -2; round < ROUNDS; round++)
    for (const [which, one] of [work, floor].entries()) {
      const took = await Promise.all(
        Array.from({ length: many }, async (_, index) => {
          const start = performance.now();
          await one(index);
          return performance.now() - start;
        }),
      );
      // The first rounds only warm up.
      if (round >= 0) times[which]!.push(...took);
    }
  return [percentile(times[0]), percentile(times[1])];
}

const percentile = (times: number[]): number =>
  times.sort((one, other) => one - other)[Math.ceil(times.length * 0.95) - 1] ?? 0;
