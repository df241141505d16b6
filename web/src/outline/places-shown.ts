import { create } from 'zustand';

const KEPT = 'vennet.places-shown';

/** Whether the outline shows all places, or headings alone. Kept in this browser. */
export const usePlacesShown = create<{ shown: boolean; setShown(shown: boolean): void }>((set) => ({
  shown: localStorage.getItem(KEPT) !== 'no',
  setShown(shown) {
    localStorage.setItem(KEPT, shown ? 'yes' : 'no');
    set({ shown });
  },
}));
