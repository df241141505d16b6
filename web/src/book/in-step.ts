import { QueryObserver, type QueryClient } from '@tanstack/react-query';
import { queries as known } from '../api/queries.js';
import type { OpenBookStore } from './store.js';

/**
 * Keeps what the store has of the Shelf and of the verdicts in step with the server: they can change in another window or
 * by a check. The observers watch the book that is open.
 */
export function keepInStep(store: OpenBookStore, queries: QueryClient): void {
  let watched: string | null = null;
  let leave = () => {};
  const watch = (book: string) => {
    const verdicts = new QueryObserver(queries, known.verdicts(book));
    const files = new QueryObserver(queries, known.files(book));
    const stops = [
      verdicts.subscribe(({ data }) => data && store.getState().setVerdicts(data)),
      files.subscribe(({ data }) => {
        if (data && data !== store.getState().book?.files) store.getState().setDetails({ files: data });
      }),
    ];
    const { data } = verdicts.getCurrentResult();
    if (data) store.getState().setVerdicts(data);
    return () => stops.forEach((stop) => stop());
  };
  store.subscribe(({ book }) => {
    if ((book?.id ?? null) === watched) return;
    leave();
    watched = book?.id ?? null;
    leave = watched ? watch(watched) : () => {};
  });
}
