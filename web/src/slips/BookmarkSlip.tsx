import { addBookmark, renameBookmark, type BookmarkSpan } from '@vennet/core/edits';
import { flatText, OBJECT } from '@vennet/core/manuscript';
import { Trash2 } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import { TextSelection } from 'prosemirror-state';
import { useId } from 'react';
import { useBookmarks } from '../editor/changes/bookmarks.js';
import type { Draft } from '../editor/state/kept-drafts.js';
import { dropDraft } from '../editor/state/slip.js';
import { takenIds } from '../editor/state/taken-ids.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import { UseList } from '../leads-to/UseList.js';
import { draftNow, useFirstField, usesOfDraft, type SlipHost } from './slip-parts.js';
import { AcceptButton, SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';

interface BookmarkSlipProps extends SlipHost {
  bookmark: BookmarkSpan | null;
  draft: Draft | null;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

/** The slip of a bookmark, or of a new one: its name, and what leads to it. */
export function BookmarkSlip({ bookmark, draft, asked, ...host }: BookmarkSlipProps) {
  const { view } = host;
  const id = useId();
  const field = useFirstField<HTMLInputElement>(asked, draft !== null);
  const { from, to } = draft ?? bookmark ?? { from: 0, to: 0 };
  const words = flatText(view.state.doc, from, Math.min(to, view.state.doc.content.size))
    .replaceAll(OBJECT, '')
    .trim();

  const write = ({ name }: { name: string }) => {
    const called = name.trim() || words;
    const transaction = dropDraft(closeHistory(view.state.tr));
    if (draft) {
      const now = draftNow(view, draft);
      addBookmark(transaction, { from: now.from, to: now.to, name: called }, takenIds());
      transaction.setSelection(TextSelection.create(transaction.doc, now.to));
    } else if (bookmark && name.trim() !== '') renameBookmark(transaction, bookmark.id, called);
    view.dispatch(transaction);
  };
  const slip = useSlip<{ name: string }>({
    stored: { name: bookmark?.name ?? words.slice(0, 80) },
    isNew: draft !== null,
    kept: draft?.values as { name: string } | null | undefined,
    faultsIn: ({ name }) => (name.trim() || words ? [] : ['name']),
    write,
    ...usesOfDraft(host, draft),
    toFault: () => field.current?.focus(),
  });
  return (
    <SlipForm label={draft ? 'Slip of a new bookmark' : 'Slip of the bookmark'} slip={slip}>
      <label className="label" htmlFor={`${id}-name`}>
        Name of the bookmark
      </label>
      <input
        ref={field}
        id={`${id}-name`}
        className="field"
        value={slip.values.name}
        placeholder={words}
        onChange={(event) => slip.change({ name: event.target.value })}
      />
      {bookmark && <UseList place={bookmark.id} />}
      {bookmark && <InsideFindings id={bookmark.id} />}
      <div className="mt-3 flex flex-wrap items-center gap-1.5">
        {(draft ?? (slip.isChanged && slip.values.name.trim() !== '')) && (
          <AcceptButton words={draft ? 'Make the bookmark' : 'Call it so'} />
        )}
        {draft && (
          <button type="button" className="button" data-look="quiet" data-size="small" onClick={slip.setBack}>
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
    </SlipForm>
  );
}
