import { useQuery, useQueryClient } from '@tanstack/react-query';
import { counted } from '@vennet/core/language';
import { isUnderWay, type CheckRun, type NewCheck } from '@vennet/core/wire';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { followCheck } from '../api/follow.js';
import { queries } from '../api/queries.js';
import { openBook } from '../book/open-book.js';
import { tellFault, useNotices } from '../parts/notices.js';

export interface Checks {
  /** The newest first. */
  runs: CheckRun[];
  /** The run that is under way. */
  current: CheckRun | null;
  /** How fast the run goes, in destinations a second, and the time that is left, in ms; `null` while nobody can tell. */
  pace: { rate: number; left: number } | null;
  /** Checks all links, or only some. */
  start(what?: NewCheck): Promise<void>;
  stop(): Promise<void>;
  /** Lets a run that was stopped go on. */
  goOn(run: CheckRun): Promise<void>;
}

/** A pace is told when so much of a run has been seen, in ms. */
const SEEN_ENOUGH = 2_000;

/** Verdicts are fetched anew while a run goes on, at most once in this time in ms. */
const REFRESH = 1_500;

/** The check runs of a book: starts them, follows the one under way, stops it. */
export function useChecks(book: string): Checks {
  const client = useQueryClient();
  const { data: runs = [] } = useQuery(queries.checks(book));
  const current = runs.find(isUnderWay) ?? null;
  const currentId = current?.id ?? null;
  const refreshed = useRef(0);
  const began = useRef({ id: '', at: 0, done: 0 });
  const [pace, setPace] = useState<Checks['pace']>(null);
  useEffect(() => {
    if (!currentId) return;
    const { queryKey } = queries.checks(book);
    return followCheck(
      currentId,
      (run) => {
        if (began.current.id !== run.id) began.current = { id: run.id, at: Date.now(), done: run.done };
        setPace(paceOf(run, began.current));
        client.setQueryData(queryKey, (known) => known?.map((one) => (one.id === run.id ? run : one)));
        const ended = !isUnderWay(run);
        if (ended || Date.now() - refreshed.current > REFRESH) {
          refreshed.current = Date.now();
          void client.invalidateQueries(queries.verdicts(book));
        }
        if (ended) useNotices.getState().announce(endWords(run));
      },
      () => void client.invalidateQueries({ queryKey }),
    );
  }, [currentId, book, client]);
  const begin = async (work: () => Promise<unknown>, words: string) => {
    try {
      await work();
      await client.invalidateQueries(queries.checks(book));
      // A short run may be over before anybody could listen to it.
      await client.invalidateQueries(queries.verdicts(book));
      useNotices.getState().announce(words);
    } catch (error) {
      tellFault(error);
    }
  };
  const start = (what: NewCheck = {}) =>
    begin(async () => {
      await openBook().texts.saveAll();
      await api.startCheck(book, what);
    }, 'Checking has begun.');
  const goOn = (run: CheckRun) => begin(() => api.goOn(run.id), 'Checking goes on.');
  const stop = async () => {
    if (current) await api.stopCheck(current.id).catch(tellFault);
  };
  return { runs, current, pace, start, stop, goOn };
}

function paceOf({ done, total }: CheckRun, began: { at: number; done: number }): Checks['pace'] {
  const time = Date.now() - began.at;
  const rate = time > SEEN_ENOUGH ? ((done - began.done) / time) * 1000 : 0;
  return rate > 0 ? { rate, left: ((total - done) / rate) * 1000 } : null;
}

function endWords(run: CheckRun): string {
  if (run.state === 'stopped') return `The check was stopped after ${run.done} of ${run.total}.`;
  if (run.state === 'failed') return 'The check could not be finished.';
  const { broken = 0 } = run.verdicts;
  const changes = run.changes ? ` ${counted(run.changes, 'is', 'are')} otherwise than before.` : '';
  return `Checked ${counted(run.total, 'destination', 'destinations')}. ${counted(broken, 'is', 'are')} broken.${changes}`;
}
