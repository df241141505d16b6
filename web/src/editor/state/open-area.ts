import type { Box } from '@vennet/core/manuscript';
import { create } from 'zustand';

/** Where a new area is to be: on a page it may cover lines of words. */
export interface DraftBox extends Box {
  lines?: readonly Box[];
  words?: string;
}

/** What is open of the picture or page that is selected: one of its link areas, or a new one that is not made yet. */
interface OpenArea {
  area: string | null;
  draft: DraftBox | null;
  /** What was said of the new one before it was put aside. */
  values: object | null;
  /** The next area of a page is drawn wherever the pointer is pressed, over words too. */
  isDrawing: boolean;
}

export const useOpenArea = create<OpenArea>(() => ({
  area: null,
  draft: null,
  values: null,
  isDrawing: false,
}));

export const openArea = (area: string | null) => useOpenArea.setState({ area, draft: null, values: null });
/** Begins a new area. */
export const draftArea = (draft: DraftBox, values: object | null = null) =>
  useOpenArea.setState({ area: null, draft, values, isDrawing: false });
/** Moves the area that is new. */
export const moveDraftArea = (draft: DraftBox) => useOpenArea.setState({ draft });
export const letDraw = (isDrawing: boolean) => useOpenArea.setState({ isDrawing });
