import type { PageSpot } from '@vennet/core/manuscript';
import type { UnnamedSpot } from '@vennet/core/repair';
import { create } from 'zustand';

/** A spot that becomes a place when the link to it is made: a bookmark on its words, or an item with an id. */
export interface SpotToName extends UnnamedSpot {
  /** The id that its place will have. */
  id: string;
  /** Of a spot on a page: the page, and where on it. */
  onPage?: PageToName;
}

/** A spot of a page that becomes a place when it is led to. */
export interface PageToName {
  chapter: string;
  page: string;
  spot: PageSpot;
}

/** What was pointed at: a place that has a name, or a spot that gets one when it is led to. */
export type PointedAt = { place: string } | { spot: SpotToName } | { onPage: PageToName };

/** Who waits for the author to press a spot of the text. */
export const usePointing = create<{ take: ((at: PointedAt) => void) | null }>(() => ({ take: null }));

export const isPointing = (): boolean => usePointing.getState().take !== null;

export const stopPointing = (): void => usePointing.setState({ take: null });
