import type { CheckRun } from '@vennet/core/wire';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, followCheck } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { saveAll } from '../book/saver.js';

export interface Checks {
  /** The newest first. */
  runs: CheckRun[];
  /** The run that is under way. */
  current: CheckRun | null;
  /** Checks all links, or only these addresses. */
  start(hrefs?: string[]): Promise<void>;
  stop(): Promise<void>;
}

const isOpen = (run: CheckRun) => run.state === 'waiting' || run.state === 'running';
/** Verdicts are fetched anew while a run goes on, at most once in this time in ms. */
const REFRESH = 1_500;

/** The check runs of a book: starts them, follows the one under way, stops it. */
export function useChecks(book: string): Checks {
  const [runs, setRuns] = useState<CheckRun[]>([]);
  const current = runs.find(isOpen) ?? null;
  const currentId = current?.id ?? null;
  const refreshed = useRef(0);
  const load = useCallback(() => api.checks(book).then(setRuns, tellFault), [book]);
  useEffect(() => void load(), [load]);
  useEffect(() => {
    if (!currentId) return;
    return followCheck(
      currentId,
      (run) => {
        setRuns((known) => known.map((one) => (one.id === run.id ? run : one)));
        const ended = !isOpen(run);
        if (ended || Date.now() - refreshed.current > REFRESH) {
          refreshed.current = Date.now();
          useBook.getState().loadVerdicts().catch(tellFault);
        }
        if (ended) useNotices.getState().announce(endWords(run));
      },
      () => void load(),
    );
  }, [currentId, load]);
  const start = async (hrefs?: string[]) => {
    try {
      await saveAll();
      await api.startCheck(book, hrefs);
      await load();
      // A short run may be over before anybody could listen to it.
      await useBook.getState().loadVerdicts();
      useNotices.getState().announce('Checking has begun.');
    } catch (error) {
      tellFault(error);
    }
  };
  const stop = async () => {
    if (current) await api.stopCheck(current.id).catch(tellFault);
  };
  return { runs, current, start, stop };
}

function endWords(run: CheckRun): string {
  if (run.state === 'stopped') return `The check was stopped after ${run.done} of ${run.total}.`;
  if (run.state === 'failed') return 'The check could not be finished.';
  const { broken = 0 } = run.verdicts;
  return `Checked ${run.total} destinations. ${broken} ${broken === 1 ? 'is' : 'are'} broken.`;
}
