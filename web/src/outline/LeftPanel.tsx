import type { Manuscript } from '@vennet/core/wire';
import { Tabs } from 'radix-ui';
import { RemoveBookmark } from './RemoveBookmark.js';
import { BookmarkList } from './BookmarkList.js';
import { Outline } from './Outline.js';

/** What stands left of the text: the outline of the book, or its bookmarks. */
export function LeftPanel({ book, open }: { book: Manuscript; open: string }) {
  return (
    <Tabs.Root defaultValue="outline" asChild>
      <aside
        aria-label="Outline and bookmarks"
        className="flex w-64 shrink-0 flex-col overflow-y-auto border-r border-line max-lg:max-h-40 max-lg:w-full max-lg:border-r-0 max-lg:border-b"
      >
        <Tabs.List aria-label="Left of the text" className="mb-2 flex gap-1 px-3 pt-2">
          {Object.entries({ outline: 'Outline', bookmarks: 'Bookmarks' }).map(([value, words]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="cursor-pointer border-b-2 border-transparent px-2 py-1 text-sm text-soft hover:border-strong-line data-[state=active]:border-amber data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {words}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="outline">
          <Outline book={book} open={open} />
        </Tabs.Content>
        <Tabs.Content value="bookmarks">
          <BookmarkList />
        </Tabs.Content>
        <RemoveBookmark />
      </aside>
    </Tabs.Root>
  );
}
