import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { PageFind } from './PageFind.js';
import { PageOutline } from './PageOutline.js';
import { Thumbnails } from './Thumbnails.js';

const TABS = { outline: 'Outline', pages: 'Pages', find: 'Find' };

/** What stands left of the pages: their outline, small pictures of them, or what is searched for. */
export function PagesPanel() {
  const [tab, setTab] = useState<string>('pages');
  return (
    <Tabs.Root value={tab} onValueChange={setTab} asChild>
      <aside
        aria-label="Outline and pages"
        className="relative flex w-64 shrink-0 flex-col overflow-y-auto border-r border-line max-lg:max-h-[30vh] max-lg:w-full max-lg:border-r-0 max-lg:border-b"
      >
        <Tabs.List aria-label="Left of the pages" className="mb-2 flex gap-1 px-3 pt-2">
          {Object.entries(TABS).map(([value, words]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="cursor-pointer border-b-2 border-transparent px-2 py-1 text-sm text-soft hover:border-strong-line data-[state=active]:border-amber data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {words}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="outline" tabIndex={-1}>
          <PageOutline />
        </Tabs.Content>
        <Tabs.Content value="pages" tabIndex={-1}>
          <Thumbnails />
        </Tabs.Content>
        <Tabs.Content value="find" tabIndex={-1}>
          <PageFind />
        </Tabs.Content>
      </aside>
    </Tabs.Root>
  );
}
