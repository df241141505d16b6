import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { SCHEMA_VERSION } from '@vennet/core/manuscript';
import { vennet } from '@vennet/client';
import { end, memoryOf, serve } from './served.js';

/** After so many exports the server has come to what it holds. The last of them is of the form that is the last of all, whose process waits for more. */
const SETTLED = 9;
const FORMATS = ['pdf', 'pdf', 'epub', 'pdf', 'web'] as const;

/**
 * So many exports of a book whose text changes between them: all are made, and the server with the processes that work for it
 * holds no more than after the first ones, in MB.
 */
export async function manyExports(
  directory: string,
  times: number,
): Promise<{ failed: number; first: number; last: number }> {
  const served = await serve(directory);
  const api = vennet(served.address);
  const { id } = await api.bringIn(new Blob([longPage()]), 'long.html');
  const held = () => memoryOf(served.child.pid ?? 0) + childrenOf(served.child.pid ?? 0, served.database);
  let failed = 0;
  let first = 0;
  for (let count = 0; count < times; count++) {
    const { chapters } = await api.manuscript(id);
    const { id: chapter, version } = chapters[count % chapters.length]!;
    const slice = { content: [{ type: 'text', text: `${count} ` }] };
    await api.sendSteps(chapter, {
      batch: crypto.randomUUID(),
      window: 'exports',
      version,
      schema: SCHEMA_VERSION,
      steps: [{ stepType: 'replace', from: 1, to: 1, slice }],
    });
    const started = await api.startExport(id, FORMATS[count % FORMATS.length]!);
    let state = 'waiting';
    while (state === 'waiting' || state === 'running') {
      await wait(100);
      ({ state } = await api.export(started.id));
    }
    if (state !== 'done') failed++;
    if (count === Math.min(SETTLED, times - 1)) first = held();
  }
  const last = held();
  await end(served);
  return { failed, first, last };
}

/** A book of about 60,000 words with 1,500 links. */
function longPage(): string {
  const section = (number: number) =>
    `<h2>Section ${number}</h2>${Array.from(
      { length: 5 },
      (_, index) =>
        `<p>${'The lamp burns over the sea at night. '.repeat(10)}<a href="https://h${index}.example/${number}">Lamp ${number}.${index}</a></p>`,
    ).join('')}`;
  const chapter = (number: number) =>
    `<h1>Chapter ${number}</h1>${Array.from({ length: 10 }, (_, index) => section(number * 10 + index)).join('')}`;
  return `<!doctype html><html lang="en"><body>${Array.from({ length: 30 }, (_, index) => chapter(index)).join('')}`;
}

/** What the processes that a server has started hold, but for its database, in MB. */
function childrenOf(pid: number, database: number): number {
  try {
    const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').map(Number);
    return children.filter((one) => one !== database).reduce((sum, one) => sum + memoryOf(one), 0);
  } catch {
    return 0;
  }
}
