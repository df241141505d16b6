import type { Place } from '@vennet/core/manuscript';
import { Bookmark, Pencil, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { goToPlace } from '../editor/going/visited.js';
import { useBookmarks, type BookmarkSort } from '../editor/changes/bookmarks.js';
import { repairInside } from '../editor/changes/repair-inside.js';
import { useUses } from '../leads-to/UseList.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { useBook } from '../book/store.js';
import { beginDrag, endDrag } from './drag.js';
import { message } from '@vennet/core/language';

/** Every bookmark of the book by name or by position, with its uses. */
export function BookmarkList() {
  const places = useBook((store) => store.places);
  const { sort, setSort, shown, setShown } = useBookmarks();
  const bookmarks = useMemo(() => {
    const all = [...places.values()].filter(({ kind }) => kind === 'bookmark');
    return sort === 'name' ? all.sort((one, other) => one.words.localeCompare(other.words)) : all;
  }, [places, sort]);
  return (
    <section aria-label="Bookmarks" className="px-3 pb-4">
      <div className="mb-2 space-y-1.5 px-2 text-sm">
        <label className="flex items-center gap-2">
          <span className="text-soft">Sorted by</span>
          <select
            className="field !w-auto !py-0"
            value={sort}
            onChange={(event) => setSort(event.target.value as BookmarkSort)}
          >
            <option value="position">position</option>
            <option value="name">name</option>
          </select>
        </label>
        <label className="flex items-center gap-2 text-soft">
          <input
            type="checkbox"
            className="accent-amber"
            checked={shown}
            onChange={(event) => setShown(event.target.checked)}
          />
          Marked in the text
        </label>
      </div>
      {bookmarks.length === 0 ? (
        <p className="px-2 text-soft">No bookmark yet. Select words and press Ctrl+Alt+B, or Cmd+Alt+B.</p>
      ) : (
        <ul>
          {bookmarks.map((place) => (
            <li key={place.id}>
              <BookmarkEntry place={place} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function BookmarkEntry({ place }: { place: Place }) {
  const { id, words, chapter } = place;
  const uses = useUses(id);
  const title = useBook((store) => store.book?.chapters.find((one) => one.id === chapter)?.title);
  const finding = useBook((store) => store.inside.find(({ subject }) => subject.id === id));
  const [renaming, setRenaming] = useState(false);
  if (renaming) return <Rename place={place} done={() => setRenaming(false)} />;
  return (
    <div className="outline-row">
      <button
        type="button"
        draggable
        onDragStart={(event) => beginDrag(event, { kind: 'place', id }, words)}
        onDragEnd={endDrag}
        onClick={() => goToPlace(id)}
        className="flex min-w-0 grow cursor-pointer items-start gap-1.5 rounded px-2 py-1 text-left text-sm hover:bg-raised"
      >
        <Bookmark size={13} aria-hidden="true" className="mt-1 shrink-0 text-soft" />
        <span className="min-w-0">
          <span className="block break-words">{words}</span>
          <span className="block text-xs text-soft">
            {title},{' '}
            {message('{count, plural, =0 {not used} one {used once} other {used # times}}', {
              count: uses.length,
            })}
          </span>
        </span>
        {finding && <SeverityMark severity={finding.severity} />}
      </button>
      <button
        type="button"
        className="outline-more"
        title={`Rename “${words}”`}
        onClick={() => setRenaming(true)}
      >
        <Pencil size={13} aria-hidden="true" />
        <span className="sr-only">Rename “{words}”</span>
      </button>
      <button
        type="button"
        className="outline-more"
        title={`Remove “${words}”`}
        onClick={() => useBookmarks.getState().askToRemove(id)}
      >
        <Trash2 size={13} aria-hidden="true" />
        <span className="sr-only">Remove “{words}”</span>
      </button>
    </div>
  );
}

function Rename({ place: { id, words, chapter }, done }: { place: Place; done(): void }) {
  const [name, setName] = useState(words);
  const accept = () => {
    done();
    if (name.trim() !== '' && name.trim() !== words)
      void repairInside(
        { id, kind: 'bookmark', chapter, at: 0, words },
        { type: 'rename-bookmark', name: name.trim() },
      );
  };
  return (
    <form
      className="px-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        accept();
      }}
    >
      <label className="label" htmlFor={`rename-${id}`}>
        Name of the bookmark
      </label>
      <input
        id={`rename-${id}`}
        className="field"
        value={name}
        // eslint-disable-next-line jsx-a11y/no-autofocus -- the author asked for this field
        autoFocus
        onChange={(event) => setName(event.target.value)}
        onBlur={accept}
        onKeyDown={(event) => event.key === 'Escape' && done()}
      />
    </form>
  );
}
