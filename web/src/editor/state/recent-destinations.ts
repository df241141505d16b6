import { hrefOf, type Destination } from '@vennet/core/destination';
import { create } from 'zustand';

/** Destinations that links were made to lately, the newest first. */
export const useRecentDestinations = create<{ recent: readonly Destination[] }>(() => ({ recent: [] }));

const MOST = 12;

export function rememberDestination(destination: Destination): void {
  const href = hrefOf(destination);
  useRecentDestinations.setState(({ recent }) => ({
    recent: [destination, ...recent.filter((one) => hrefOf(one) !== href)].slice(0, MOST),
  }));
}

export const rememberPlace = (place: string): void => rememberDestination({ kind: 'place', place });
