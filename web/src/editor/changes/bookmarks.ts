import { removeBookmark } from '@vennet/core/edits';
import type { Destination } from '@vennet/core/destination';
import type { Link } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { create } from 'zustand';
import { useEditor } from '../state/store.js';
import { useBook } from '../../book/store.js';
import { repairInside } from './repair-inside.js';
import { openBook } from '../../book/open-book.js';

export type BookmarkSort = 'name' | 'position';

const SHOWN = 'vennet.bookmarks-shown';

interface BookmarkStore {
  sort: BookmarkSort;
  /** Bookmarks are marked in the text. Kept in this browser. */
  shown: boolean;
  /** A bookmark in use that is about to be removed. */
  removing: string | null;
  setSort(sort: BookmarkSort): void;
  setShown(shown: boolean): void;
  /** Removes a bookmark at once when nothing leads to it, else asks what becomes of the links. */
  askToRemove(id: string): void;
  stay(): void;
}

export const useBookmarks = create<BookmarkStore>((set) => ({
  sort: 'position',
  shown: localStorage.getItem(SHOWN) !== 'no',
  removing: null,
  setSort: (sort) => set({ sort }),
  setShown(shown) {
    localStorage.setItem(SHOWN, shown ? 'yes' : 'no');
    set({ shown });
  },
  askToRemove(id) {
    if (usesOf(id).length > 0) set({ removing: id });
    else void remove(id);
  },
  stay: () => set({ removing: null }),
}));

/** The links of the book that lead to a place. */
export const usesOf = (place: string): Link[] =>
  useBook
    .getState()
    .links.filter(({ destination }) => destination.kind === 'place' && destination.place === place);

async function remove(id: string): Promise<void> {
  const { view, chapter } = useEditor.getState();
  const place = useBook.getState().places.get(id);
  if (view && (!place || place.chapter === chapter)) {
    const transaction = closeHistory(view.state.tr);
    removeBookmark(transaction, id);
    view.dispatch(transaction);
    view.focus();
  } else if (place)
    await repairInside(
      { id, kind: 'bookmark', chapter: place.chapter, at: 0, words: place.words },
      { type: 'remove-bookmark' },
    );
}

/** Removes a bookmark; the links that led to it lead elsewhere, or become plain words. */
export async function removeInUse(id: string, instead: Destination | null): Promise<void> {
  const book = useBook.getState().book?.id;
  useBookmarks.getState().stay();
  if (!book) return;
  const links = usesOf(id).map((link) => link.id);
  const repair = instead
    ? { type: 'destination' as const, destination: instead }
    : { type: 'unlink' as const };
  if (await openBook().bulk.repair({ target: { links }, repair })) await remove(id);
}
