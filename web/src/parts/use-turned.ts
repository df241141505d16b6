import { useState } from 'react';

/** What the author has ticked otherwise than it was at first; `turn` ticks each of some, or unticks it. */
export function useTurned(): [ReadonlySet<string>, (...keys: string[]) => void] {
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const turn = (...keys: string[]) => {
    const next = new Set(turned);
    for (const key of keys) if (!next.delete(key)) next.add(key);
    setTurned(next);
  };
  return [turned, turn];
}
