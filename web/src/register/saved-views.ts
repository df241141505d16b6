import { useState } from 'react';
import type { View } from './view.js';

/** A view under a name, as it is kept in this browser. */
export interface SavedView {
  name: string;
  view: View;
}

const KEY = 'vennet-register-views';
const MOST = 30;

function stored(): SavedView[] {
  try {
    const list = JSON.parse(localStorage.getItem(KEY) ?? '[]') as SavedView[];
    return Array.isArray(list)
      ? list.filter(({ name, view }) => typeof name === 'string' && Array.isArray(view?.columns))
      : [];
  } catch {
    return [];
  }
}

/** The views that were kept, for all books, and the ways to keep one and to let one go. */
export function useSavedViews() {
  const [views, setViews] = useState(stored);
  const set = (list: SavedView[]) => {
    setViews(list);
    try {
      localStorage.setItem(KEY, JSON.stringify(list));
    } catch {
      // A browser that keeps nothing forgets them with the page.
    }
  };
  return {
    views,
    keep: (name: string, view: View) =>
      set([...views.filter((one) => one.name !== name), { name, view }].slice(-MOST)),
    drop: (name: string) => set(views.filter((one) => one.name !== name)),
  };
}
