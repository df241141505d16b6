import type { Box } from '@vennet/core/manuscript';
import { create } from 'zustand';

/** What is open of the picture that is selected: one of its link areas, or a new one that is not made yet. */
interface OpenArea {
  area: string | null;
  draft: Box | null;
}

export const useOpenArea = create<OpenArea>(() => ({ area: null, draft: null }));

export const openArea = (area: string | null) => useOpenArea.setState({ area, draft: null });
export const draftArea = (draft: Box | null) => useOpenArea.setState({ area: null, draft });
