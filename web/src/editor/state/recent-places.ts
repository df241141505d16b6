import { create } from 'zustand';

/** Places that links were made to lately, the newest first. */
export const useRecentPlaces = create<{ recent: string[] }>(() => ({ recent: [] }));

const MOST = 12;

export function rememberPlace(place: string): void {
  useRecentPlaces.setState(({ recent }) => ({
    recent: [place, ...recent.filter((one) => one !== place)].slice(0, MOST),
  }));
}
