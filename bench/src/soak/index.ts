import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkKillings } from './check-killings.js';
import { corpus } from './corpus.js';
import { documents } from './documents.js';
import { finished } from './finished.js';
import { manyExports } from './exports.js';
import { killings } from './killings.js';
import { mixedLoad } from './load.js';

/** The most that the server may hold, in MB. */
const MEMORY = 1024;
/** The most by which exports may make it grow, in MB. */
const GROWTH = 100;

/** Runs one part of the soak; gives whether it went well. */
export async function soak(
  part: string,
  { times, minutes }: { times: number; minutes: number },
): Promise<boolean> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-soak-'));
  try {
    if (part === 'killings') {
      const { acknowledged, missing } = await killings(directory, times);
      console.log(`${times} killings: ${acknowledged} saves acknowledged, ${missing} of them missing`);
      return missing === 0 && acknowledged > 0;
    }
    if (part === 'checks') {
      const { runs, lost, twice, wrong } = await checkKillings(directory, times);
      console.log(
        `${times} killings while links are checked, over ${runs} runs: ${lost} verdicts lost, ${wrong} wrong at the end, ${twice} asked twice that were not under way`,
      );
      return lost === 0 && wrong === 0 && twice === 0;
    }
    if (part === 'exports') {
      const { failed, first, last } = await manyExports(directory, times);
      console.log(
        `${times} exports of a changing book: ${failed} failed; the server and its processes held ${first.toFixed(0)} MB after the first, ${last.toFixed(0)} MB after the last`,
      );
      return failed === 0 && last < first + GROWTH;
    }
    if (part === 'corpus') {
      const amiss = await corpus(directory);
      for (const one of amiss.slice(0, 40)) console.log(`  ${one}`);
      console.log(`ten e-books of other makers, in and out in three forms: ${amiss.length} amiss`);
      return amiss.length === 0;
    }
    if (part === 'documents') {
      const amiss = await documents(directory, times);
      for (const one of amiss.slice(0, 40)) console.log(`  ${one}`);
      console.log(`documents of other makers in and out, and ${times} random books: ${amiss.length} amiss`);
      return amiss.length === 0;
    }
    if (part === 'finished') {
      const amiss = await finished(directory);
      for (const one of amiss.slice(0, 40)) console.log(`  ${one}`);
      console.log(`finished PDFs of other makers as books of pages: ${amiss.length} amiss`);
      return amiss.length === 0;
    }
    const { requests, faults, most, last, health } = await mixedLoad(directory, minutes);
    console.log(
      `${minutes} minutes of mixed load: ${requests} rounds, ${[...faults.values()].reduce((sum, one) => sum + one, 0)} faults; the server held ${most.toFixed(0)} MB at most, ${last.toFixed(0)} MB at the end; health in ${health.p99.toFixed(0)} ms at the 99th percentile, ${health.most.toFixed(0)} ms at the most`,
    );
    for (const [words, count] of faults) console.log(`  ${count} × ${words}`);
    return faults.size === 0 && most < MEMORY;
  } finally {
    await rm(directory, { recursive: true, force: true });
  }
}
