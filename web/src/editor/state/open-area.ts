import type { Box } from '@vennet/core/manuscript';
import { create } from 'zustand';

/** What is open of the picture that is selected: one of its link areas, or a new one that is not made yet. */
interface OpenArea {
  area: string | null;
  draft: Box | null;
  /** What was said of the new one before it was put aside. */
  values: object | null;
}

export const useOpenArea = create<OpenArea>(() => ({ area: null, draft: null, values: null }));

export const openArea = (area: string | null) => useOpenArea.setState({ area, draft: null, values: null });
/** Begins a new area. */
export const draftArea = (draft: Box, values: object | null = null) =>
  useOpenArea.setState({ area: null, draft, values });
/** Moves the area that is new. */
export const moveDraftArea = (draft: Box) => useOpenArea.setState({ draft });
