import { addBookmark, renameBookmark, type BookmarkSpan } from '@vennet/core/edits';
import { flatText, OBJECT } from '@vennet/core/manuscript';
import { Trash2 } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import { TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useId, useLayoutEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { takenIds } from '../editor/state/taken-ids.js';
import { dropDraft, type Draft } from '../editor/state/slip.js';
import { isAskedFor } from './asked-for.js';
import { useBookmarks } from '../editor/changes/bookmarks.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import { UseList } from '../leads-to/UseList.js';

/** The slip of a bookmark, or of a new one: its name, and what leads to it. One button and one key accept it. */
export function BookmarkSlip({
  view,
  bookmark,
  draft,
  asked,
}: {
  view: EditorView;
  bookmark: BookmarkSpan | null;
  draft: Draft | null;
  asked: number;
}) {
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  const at = draft ?? bookmark;
  const words = at ? flatText(view.state.doc, at.from, at.to).replaceAll(OBJECT, '').trim() : '';
  const old = bookmark?.name ?? '';
  const [name, setName] = useState(bookmark ? old : words.slice(0, 80));
  useLayoutEffect(() => {
    if (!draft && !isAskedFor(asked)) return;
    field.current?.focus({ preventScroll: true });
    field.current?.select();
  }, [asked, draft]);
  if (!at) return null;
  const accept = (event?: FormEvent) => {
    event?.preventDefault();
    const called = name.trim() || words;
    if (called === '') return field.current?.focus();
    const transaction = dropDraft(closeHistory(view.state.tr));
    if (draft) {
      addBookmark(transaction, { from: draft.from, to: draft.to, name: called }, takenIds());
      transaction.setSelection(TextSelection.create(transaction.doc, draft.to));
    } else if (bookmark && called !== old) renameBookmark(transaction, bookmark.id, called);
    view.dispatch(transaction);
    view.focus();
  };
  const leave = () => {
    if (draft) view.dispatch(dropDraft(view.state.tr));
    else setName(old);
    view.focus();
  };
  const pressed = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    leave();
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Esc is the form's, from any of its fields
    <form
      onSubmit={accept}
      onKeyDown={pressed}
      aria-label={draft ? 'Slip of a new bookmark' : 'Slip of the bookmark'}
      className="slip"
    >
      <label className="label" htmlFor={`${id}-name`}>
        Name of the bookmark
      </label>
      <input
        ref={field}
        id={`${id}-name`}
        className="field"
        value={name}
        placeholder={words}
        onChange={(event) => setName(event.target.value)}
      />
      {bookmark && <UseList place={bookmark.id} />}
      {bookmark && <InsideFindings id={bookmark.id} />}
      <div className="mt-3 flex flex-wrap items-center gap-1.5">
        {(draft ?? (name.trim() !== old && name.trim() !== '')) && (
          <button type="submit" className="button" data-look="main" data-size="small">
            {draft ? 'Make the bookmark' : 'Call it so'}{' '}
            <kbd className="font-ui font-normal opacity-80">Enter</kbd>
          </button>
        )}
        {draft && (
          <button type="button" className="button" data-look="quiet" data-size="small" onClick={leave}>
            Not now
          </button>
        )}
        {bookmark && (
          <button
            type="button"
            className="button first:-ml-2.5"
            data-look="quiet"
            data-size="small"
            onClick={() => useBookmarks.getState().askToRemove(bookmark.id)}
          >
            <Trash2 size={15} aria-hidden="true" /> Remove
          </button>
        )}
      </div>
    </form>
  );
}
