import { useQuery, useQueryClient } from '@tanstack/react-query';
import { counted } from '@vennet/core/language';
import { isUnderWay, type CheckRun } from '@vennet/core/wire';
import { useEffect, useRef } from 'react';
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
  /** Checks all links, or only these addresses. */
  start(hrefs?: string[]): Promise<void>;
  stop(): Promise<void>;
}

/** Verdicts are fetched anew while a run goes on, at most once in this time in ms. */
const REFRESH = 1_500;

/** The check runs of a book: starts them, follows the one under way, stops it. */
export function useChecks(book: string): Checks {
  const client = useQueryClient();
  const { data: runs = [] } = useQuery(queries.checks(book));
  const current = runs.find(isUnderWay) ?? null;
  const currentId = current?.id ?? null;
  const refreshed = useRef(0);
  useEffect(() => {
    if (!currentId) return;
    const { queryKey } = queries.checks(book);
    return followCheck(
      currentId,
      (run) => {
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
  const start = async (hrefs?: string[]) => {
    try {
      await openBook().texts.saveAll();
      await api.startCheck(book, { hrefs });
      await client.invalidateQueries(queries.checks(book));
      // A short run may be over before anybody could listen to it.
      await client.invalidateQueries(queries.verdicts(book));
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
  return `Checked ${counted(run.total, 'destination', 'destinations')}. ${counted(broken, 'is', 'are')} broken.`;
}
