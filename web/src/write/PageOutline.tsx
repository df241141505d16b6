import { entriesOf, openLevels, pageName, pagesOf, type EntryInText } from '@vennet/core/manuscript';
import { DropdownMenu } from 'radix-ui';
import { MoreHorizontal, Plus } from 'lucide-react';
import { useState } from 'react';
import {
  addEntries,
  levelEntry,
  moveEntry,
  removeEntry,
  renameEntry,
  titleFrom,
} from '../editor/changes/change-outline.js';
import { showOnPage } from '../editor/going/show-page.js';
import { useEditor } from '../editor/state/store.js';
import { focused } from '../parts/focused.js';
import { useNotices } from '../parts/notices.js';
import { usePageSeen } from './page-seen.js';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';

/** The outline of the finished file: its entries are gone to, added, renamed, moved and removed here. */
export function PageOutline() {
  const { view, state } = useEditor();
  const book = useBook((store) => store.book?.id ?? '');
  const { page } = usePageSeen();
  const [editing, setEditing] = useState<string | null>(null);
  if (!view || !state) return null;
  const entries = entriesOf(state.doc);
  const pages = new Map(pagesOf(state.doc).map(({ attrs }) => [attrs.id, attrs]));
  const deepen = openLevels();
  const add = () => {
    const here = [...pages.values()][page - 1];
    if (!here) return;
    const before = entries.findLast(({ attrs }) => (pages.get(attrs.page)?.number ?? 0) <= here.number);
    const title = `Page ${pageName(here)}`;
    const id = addEntries(
      view,
      [{ title, level: before?.attrs.level ?? 1, page: here.id, y: null }],
      before?.attrs.id ?? null,
    );
    setEditing(id);
  };
  const fromHeadings = async () => {
    const found = await api.pageHeadings(book).catch(() => []);
    const byNumber = new Map([...pages.values()].map(({ id, number }) => [number, id]));
    const wanted = found.flatMap(({ title, level, page: number, y }) => {
      const id = byNumber.get(number);
      return id ? [{ title: titleFrom(title), level, page: id, y }] : [];
    });
    addEntries(view, wanted, null);
    useNotices
      .getState()
      .tell(
        wanted.length === 0
          ? 'No line stands out by its size, so no heading was found.'
          : `${wanted.length} entries were made from lines in larger type. Undo takes them back.`,
      );
  };
  return (
    <nav aria-label="Outline" className="px-3 pb-6">
      {entries.length === 0 && (
        <p className="px-2 pb-2 text-sm text-soft">
          This file has no outline. With one, readers find their way from the side of the page.
        </p>
      )}
      <ul className="text-sm">
        {entries.map((entry) => (
          <li
            key={entry.attrs.id}
            className="group flex items-center"
            style={{ paddingLeft: `${deepen(entry.attrs.level) * 0.8 - 0.8}rem` }}
          >
            {editing === entry.attrs.id ? (
              <TitleField
                entry={entry}
                done={(title) => {
                  if (title !== null) renameEntry(view, entry.attrs.id, title);
                  setEditing(null);
                }}
              />
            ) : (
              <button
                type="button"
                className="min-w-0 grow cursor-pointer truncate rounded px-2 py-1 text-left hover:bg-wash"
                title={entry.title}
                onClick={() => showOnPage(view, { place: entry.attrs.id })}
              >
                {entry.title}
                <span className="text-xs text-soft"> {nameOf(pages.get(entry.attrs.page))}</span>
              </button>
            )}
            <DropdownMenu.Root>
              <DropdownMenu.Trigger className="button shrink-0 !px-1" data-look="quiet" data-size="small">
                <MoreHorizontal size={15} aria-hidden="true" />
                <span className="sr-only">What can be done with “{entry.title}”</span>
              </DropdownMenu.Trigger>
              <DropdownMenu.Portal>
                <DropdownMenu.Content className="menu" align="start">
                  {(
                    [
                      ['Rename it', () => setEditing(entry.attrs.id)],
                      ['Move it up', () => moveEntry(view, entry.attrs.id, -1)],
                      ['Move it down', () => moveEntry(view, entry.attrs.id, 1)],
                      ['A level deeper', () => levelEntry(view, entry.attrs.id, 1)],
                      ['A level higher', () => levelEntry(view, entry.attrs.id, -1)],
                      ['Remove it', () => removeEntry(view, entry.attrs.id)],
                    ] as const
                  ).map(([words, act]) => (
                    <DropdownMenu.Item key={words} className="menu-item" onSelect={act}>
                      {words}
                    </DropdownMenu.Item>
                  ))}
                </DropdownMenu.Content>
              </DropdownMenu.Portal>
            </DropdownMenu.Root>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-1">
        <button type="button" className="button" data-look="quiet" data-size="small" onClick={add}>
          <Plus size={15} aria-hidden="true" /> An entry for this page
        </button>
        {entries.length === 0 && (
          <button
            type="button"
            className="button"
            data-look="quiet"
            data-size="small"
            onClick={() => void fromHeadings()}
          >
            Make it from headings
          </button>
        )}
      </div>
    </nav>
  );
}

const nameOf = (page: { number: number; label: string } | undefined): string => (page ? pageName(page) : '');

function TitleField({ entry, done }: { entry: EntryInText; done(title: string | null): void }) {
  const [typed, setTyped] = useState(entry.title);
  return (
    <input
      className="field min-w-0 grow !py-0.5 text-sm"
      aria-label="Title of the entry"
      ref={focused}
      onFocus={(event) => event.target.select()}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') done(typed);
        if (event.key === 'Escape') done(null);
      }}
      onBlur={() => done(typed)}
    />
  );
}
