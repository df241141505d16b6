import type { VersionedChapter } from '@vennet/core/wire';
import { create } from 'zustand';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { goTo } from '../editor/going/visited.js';

/** What is asked before something is done with a chapter. */
export type ChapterAsk = { rename: VersionedChapter } | { remove: VersionedChapter };

export const useChapterAsk = create<{ ask: ChapterAsk | null }>(() => ({ ask: null }));
export const askAbout = (ask: ChapterAsk | null): void => useChapterAsk.setState({ ask });

const toChapter = (chapter: string): void => {
  const { book } = useBook.getState();
  if (book) goTo(`/books/${book.id}/write/${chapter}`);
};

/** Joins a chapter to the one before it, and goes there. */
export async function joined(chapter: VersionedChapter): Promise<void> {
  const into = await openBook().bulk.joinChapter(chapter);
  if (into) toChapter(into);
}

/** Splits a chapter before a block, and goes to the new one. */
export async function split(chapter: string, before: number): Promise<void> {
  const fresh = await openBook().bulk.splitChapter(chapter, before);
  if (fresh) toChapter(fresh);
}
