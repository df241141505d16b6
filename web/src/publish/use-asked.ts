import { MOST_ASKED, type AddressVerdict } from '@vennet/core/wire';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { tellFault } from '../parts/notices.js';

/** How many addresses are asked for in one go: each go is seen when it is done. */
const GO = Math.min(10, MOST_ASKED);

export interface Asked {
  verdicts: ReadonlyMap<string, AddressVerdict>;
  /** How many of how many are done; `null` while nothing is asked. */
  progress: { done: number; all: number } | null;
  ask(): void;
  stop(): void;
}

/** Asks for addresses of a file from anywhere, a few at a time, until they are done or it is stopped. */
export function useAsked(addresses: readonly string[]): Asked {
  const [verdicts, setVerdicts] = useState<ReadonlyMap<string, AddressVerdict>>(new Map());
  const [progress, setProgress] = useState<Asked['progress']>(null);
  const gone = useRef<AbortController | null>(null);
  useEffect(() => () => gone.current?.abort(), []);
  const run = async (signal: AbortSignal) => {
    const all = addresses.length;
    for (let at = 0; at < all && !signal.aborted; at += GO) {
      setProgress({ done: at, all });
      const found = await api.askAddresses(addresses.slice(at, at + GO), signal);
      setVerdicts((known) => new Map([...known, ...found.map((one) => [one.href, one] as const)]));
    }
  };
  return {
    verdicts,
    progress,
    ask() {
      const own = new AbortController();
      gone.current = own;
      run(own.signal)
        .catch((error: unknown) => own.signal.aborted || tellFault(error))
        .finally(() => gone.current === own && setProgress(null));
    },
    stop() {
      gone.current?.abort();
      setProgress(null);
    },
  };
}
