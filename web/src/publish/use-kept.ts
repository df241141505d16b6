import { useQuery, useQueryClient, type QueryKey, type UseQueryOptions } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { tellFault } from '../parts/notices.js';

/** How long nothing is to be changed before it is kept, in ms. */
const QUIET = 350;

export interface Kept<Value> {
  /** `undefined` before it is read. */
  value: Value | undefined;
  /** As it is after changes that are not shown yet. */
  now(): Value | undefined;
  /** Shows it at once, and keeps it soon. */
  put(next: Value): void;
}

/** Something that is read from the server, changed here, and kept there without being asked for. */
export function useKept<Value, Key extends QueryKey>(
  query: UseQueryOptions<Value, Error, Value, Key> & { queryKey: Key },
  keep: (value: Value) => Promise<unknown>,
): Kept<Value> {
  const client = useQueryClient();
  const { data: read } = useQuery(query);
  // What the author has just done is seen at once; the query tells of it later.
  const [done, setDone] = useState<Value | undefined>();
  const value = done ?? read;
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const waiting = useRef<Value | undefined>(undefined);

  const keepNow = () => {
    clearTimeout(timer.current);
    const next = waiting.current;
    waiting.current = undefined;
    if (next !== undefined)
      keep(next).catch((fault: unknown) => {
        tellFault(fault);
        setDone(undefined);
        void client.invalidateQueries({ queryKey: query.queryKey });
      });
  };
  const kept = useRef(keepNow);
  useEffect(() => void (kept.current = keepNow));
  // What was changed last is kept when the room is left.
  useEffect(() => () => kept.current(), []);

  return {
    value,
    now: () => waiting.current ?? value,
    put(next) {
      setDone(next);
      client.setQueryData<Value>(query.queryKey, next);
      waiting.current = next;
      clearTimeout(timer.current);
      timer.current = setTimeout(() => kept.current(), QUIET);
    },
  };
}
