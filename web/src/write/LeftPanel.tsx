import type { Manuscript } from '@vennet/core/wire';
import { Tabs } from 'radix-ui';
import { useEffect } from 'react';
import { FindPanel } from '../find/FindPanel.js';
import { fold, showLeft, useLeft, type LeftTab } from '../find/left-tab.js';
import { BookmarkList } from '../outline/BookmarkList.js';
import { FirstSteps } from '../outline/FirstSteps.js';
import { Outline } from '../outline/Outline.js';
import { RemoveBookmark } from '../outline/RemoveBookmark.js';

const TABS: Record<LeftTab, string> = { outline: 'Outline', bookmarks: 'Bookmarks', find: 'Find' };

/** What stands left of the text: the outline of the book, its bookmarks, or what is searched for. */
export function LeftPanel({ book, open }: { book: Manuscript; open: string }) {
  const { tab, isFolded } = useLeft();
  // Where there is little room a chapter that was chosen is what is looked at.
  useEffect(() => fold(true), [open]);
  return (
    <Tabs.Root value={tab} onValueChange={(value) => showLeft(value as LeftTab)} asChild>
      <aside
        aria-label="Outline and bookmarks"
        data-folded={isFolded ? '' : undefined}
        className="group flex w-64 shrink-0 flex-col overflow-y-auto border-r border-line max-lg:max-h-[45vh] max-lg:w-full max-lg:border-r-0 max-lg:border-b"
      >
        <Tabs.List aria-label="Left of the text" className="mb-2 flex gap-1 px-3 pt-2">
          {Object.entries(TABS).map(([value, words]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              onClick={() => fold(isFolded ? false : value === tab)}
              className="cursor-pointer border-b-2 border-transparent px-2 py-1 text-sm text-soft hover:border-strong-line data-[state=active]:border-amber data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {words}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="outline" tabIndex={-1} className="max-lg:group-data-folded:hidden">
          <Outline book={book} open={open} />
          <FirstSteps key={book.id} book={book} />
        </Tabs.Content>
        <Tabs.Content value="bookmarks" tabIndex={-1} className="max-lg:group-data-folded:hidden">
          <BookmarkList />
        </Tabs.Content>
        <Tabs.Content value="find" tabIndex={-1} className="max-lg:group-data-folded:hidden">
          <FindPanel book={book} open={open} />
        </Tabs.Content>
        <RemoveBookmark />
      </aside>
    </Tabs.Root>
  );
}
