import { describe, expect, test } from '@jest/globals';
import type { JobStatus } from '@vennet/core/wire';
import { Logger } from '@nestjs/common';
import { firstValueFrom, toArray } from 'rxjs';
import { WorkRefusal } from './in-process.js';
import { ShutdownError, type JobRun, type Unfinished } from './job.js';
import { Jobs } from './jobs.js';

// What these jobs break with is no news.
Logger.overrideLogger(false);

/** Jobs of one kind whose work goes on until the test says otherwise. */
function handled(atOnce = 1) {
  const jobs = new Jobs();
  const begun: string[] = [];
  const unfinished: [string, Unfinished][] = [];
  const work = new Map<string, { job: JobRun; done(): void; fail(error: unknown): void }>();
  jobs.handle('check', {
    atOnce,
    faultWords: 'A fault of Vennet’s own.',
    run: (id, job) => {
      begun.push(id);
      return new Promise<void>((done, fail) => {
        work.set(id, { job, done, fail });
        job.signal.addEventListener('abort', () => fail(job.signal.reason as Error));
      });
    },
    unfinished: async (id, end) => void unfinished.push([id, end]),
    stored: async (id) => (id === 'long over' ? { ...over, id } : null),
  });
  return { jobs, begun, unfinished, work };
}

const over: JobStatus = {
  id: '',
  kind: 'check',
  state: 'done',
  stage: '',
  done: 3,
  total: 3,
  message: '',
  wants: null,
  made: null,
};
const turn = () => new Promise((resolve) => setImmediate(resolve));

describe('jobs', () => {
  test('wait for their turn, so many of a kind at once, in the order in which they came', async () => {
    const { jobs, begun, work } = handled(2);
    jobs.handle('pages', { atOnce: 1, faultWords: '', run: async (id) => void begun.push(id) });
    for (const id of ['a', 'b', 'c', 'd']) jobs.add('check', id);
    jobs.add('pages', 'beside');
    await turn();
    expect(begun).toEqual(['a', 'b', 'beside']);
    expect(jobs.status('c')).toMatchObject({ state: 'waiting', kind: 'check' });
    work.get('b')!.done();
    await turn();
    expect(begun.slice(3)).toEqual(['c']);
    expect(jobs.status('b')?.state).toBe('done');
  });

  test('are stopped while they wait and while they run; each is stored as stopped', async () => {
    const { jobs, begun, unfinished } = handled();
    jobs.add('check', 'a');
    jobs.add('check', 'b');
    expect(await jobs.stop('b')).toBe(true);
    expect(await jobs.stop('a')).toBe(true);
    await turn();
    expect(await jobs.stop('a')).toBe(false);
    expect(begun).toEqual(['a']);
    expect(unfinished.map(([id, { state }]) => [id, state])).toEqual([
      ['b', 'stopped'],
      ['a', 'stopped'],
    ]);
    expect(jobs.status('a')).toMatchObject({ state: 'stopped', message: '' });
  });

  test('that refuse say why; those that break say that it is a fault of ours', async () => {
    const { jobs, work } = handled(2);
    jobs.add('check', 'a');
    jobs.add('check', 'b');
    work.get('a')!.fail(new WorkRefusal('This can’t be read.'));
    work.get('b')!.fail(new Error('in the worker'));
    await turn();
    expect(jobs.status('a')).toMatchObject({ state: 'failed', message: 'This can’t be read.' });
    expect(jobs.status('b')).toMatchObject({ state: 'failed', message: 'A fault of Vennet’s own.' });
  });

  test('can be waited for, with a way to let go', async () => {
    const { jobs, work } = handled();
    const first = jobs.run('check', 'a');
    const gone = new AbortController();
    const second = jobs.run('check', 'b', gone.signal);
    work.get('a')!.done();
    await first;
    gone.abort();
    await expect(second).rejects.toThrow('stopped');
    expect(jobs.status('b')?.state).toBe('stopped');
    const none = jobs.run('check', 'c', AbortSignal.abort());
    await expect(none).rejects.toThrow('stopped');
  });

  test('are followed from how they stand now to their end', async () => {
    const { jobs, work } = handled();
    jobs.add('check', 'other');
    jobs.add('check', 'a');
    const seen = firstValueFrom(jobs.events('a').pipe(toArray()));
    work.get('other')!.done();
    await turn();
    work.get('a')!.job.tell({ stage: 'Asking', done: 1, total: 2 });
    work.get('a')!.done();
    expect((await seen).map(({ id, state, done }) => [id, state, done])).toEqual([
      ['a', 'waiting', 0],
      ['a', 'running', 0],
      ['a', 'running', 1],
      ['a', 'done', 1],
    ]);
    const later = await firstValueFrom(jobs.events('a').pipe(toArray()));
    expect(later.map(({ state }) => state)).toEqual(['done']);
    expect(await firstValueFrom(jobs.events('long over').pipe(toArray()))).toMatchObject([{ done: 3 }]);
    expect(await firstValueFrom(jobs.events('never there').pipe(toArray()))).toEqual([]);
  });

  test('are let go as they are when the server ends, and nothing is stored of them', async () => {
    const { jobs, work, unfinished } = handled();
    jobs.add('check', 'a');
    const waits = jobs.run('check', 'b');
    const followed = firstValueFrom(jobs.events('a').pipe(toArray()));
    const ending = jobs.beforeApplicationShutdown();
    await expect(waits).rejects.toThrow(ShutdownError);
    await ending;
    expect(work.get('a')!.job.signal.reason).toBeInstanceOf(ShutdownError);
    expect(unfinished).toEqual([]);
    expect(await followed).toHaveLength(1);
  });
});
