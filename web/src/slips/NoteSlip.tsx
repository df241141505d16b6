import { removeMark, removeNote } from '@vennet/core/edits';
import { markIdOf, schema, wordsOf } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { TextSelection, type EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useEffect, useId, useLayoutEffect, useRef, useState } from 'react';
import { linkAtSelection } from '../editor/state/links.js';
import { askedIn, draftIn } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { ownWords, useBook } from '../book/store.js';
import { isAskedFor } from './asked-for.js';
import { keyOfLink, OpenSlip } from './LinkSlip.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import { NoteEditor } from '../editor/note-editor.js';
import { withWords } from '../book/said.js';
import { RemoveNode, setAttributes, type NodeSlipProps } from './slip-parts.js';
import { goToPlace } from '../editor/going/visited.js';

/** The slip of a note or of another mark of one: its words, edited in place with links and emphasis, and its way back. */
export function NoteSlip({ view, node, position, asked }: NodeSlipProps) {
  const to = node.type === schema.nodes.note_mark ? (node.attrs.to as string) : (node.attrs.id as string);
  const own = node.type === schema.nodes.note ? { node, position } : noteIn(view.state, to);
  const seen = useBook((store) => store.notes.get(to));
  if (!own) return <FarNote view={view} node={node} position={position} to={to} />;
  return (
    <div role="group" aria-label="Slip of the note" className="slip">
      <p className="label">Note {seen?.number}</p>
      <Remark key={to} view={view} note={own.node} at={own.position} asked={asked} />
      <MoreOfNote view={view} node={node} position={position} note={own} />
    </div>
  );
}

interface Own {
  node: Node;
  position: number;
}

function noteIn({ doc }: EditorState, id: string): Own | null {
  let found: Own | null = null;
  doc.descendants((node, position) => {
    if (!found && node.type.name === 'note' && node.attrs.id === id) found = { node, position };
    return !found;
  });
  return found;
}

/** The remark, in an editor of its own; the slip of a link in it opens below. */
function Remark({ view, note, at, asked }: { view: EditorView; note: Node; at: number; asked: number }) {
  const box = useRef<HTMLDivElement>(null);
  const editor = useRef<NoteEditor | null>(null);
  const spot = useRef(at);
  const chapter = useEditor((store) => store.chapter);
  const [inner, setInner] = useState<{ view: EditorView; state: EditorState } | null>(null);
  useLayoutEffect(() => {
    spot.current = at;
  }, [at]);
  useEffect(() => {
    if (!box.current) return;
    const made = new NoteEditor(note, {
      place: box.current,
      outer: view,
      chapter,
      position: () => spot.current,
      changed: (now) => setInner({ view: now, state: now.state }),
      leave: () => view.focus(),
    });
    editor.current = made;
    setInner({ view: made.view, state: made.view.state });
    return () => {
      made.destroy();
      editor.current = null;
    };
    // The editor takes over later versions of the note by itself.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- made once for a note
  }, [view, chapter]);
  useLayoutEffect(() => editor.current?.update(note), [note]);
  useEffect(() => {
    if (isAskedFor(asked) && editor.current) {
      const { view: now } = editor.current;
      now.dispatch(now.state.tr.setSelection(TextSelection.atEnd(now.state.doc)));
      now.focus();
    }
  }, [asked]);
  const draft = inner ? draftIn(inner.state) : null;
  const found = inner ? linkAtSelection(inner.state, chapter) : null;
  const link = found && inner ? withWords(found, inner.state.doc.nodeAt(found.from)) : null;
  return (
    <>
      <div ref={box} className="field !p-0" />
      {inner && (link ?? draft) && (
        <div className="mt-2">
          <OpenSlip
            key={draft ? 'draft' : keyOfLink(link)}
            view={inner.view}
            link={draft ? null : link}
            draft={draft}
            asked={askedIn(inner.state)}
            words={draft ? inner.state.doc.textBetween(draft.from, draft.to, ' ', ' ') : ''}
          />
        </div>
      )}
    </>
  );
}

/** The way back of a note, its marks, and what can be done with it. */
function MoreOfNote({ note, ...selected }: Omit<NodeSlipProps, 'asked'> & { note: Own }) {
  const { view, node } = selected;
  const id = useId();
  const noteId = note.node.attrs.id as string;
  const seen = useBook((store) => store.notes.get(noteId));
  const bookBack = useBook((store) => store.book?.structure.notes.back);
  const [back, setBack] = useState(note.node.attrs.back as string);
  const empty = note.node.children.every((one) => wordsOf(one) === '');
  const keep = () => {
    if (back !== note.node.attrs.back) setAttributes(view, note.position, { back: back.trim() });
  };
  const marks = seen?.marks ?? [];
  return (
    <>
      {empty && node.type === schema.nodes.note && <SameNote {...selected} except={noteId} />}
      <div className="mt-2.5">
        <label className="label" htmlFor={`${id}-back`}>
          Words of its way back
        </label>
        <input
          id={`${id}-back`}
          className="field"
          value={back}
          placeholder={bookBack || ownWords().back}
          onChange={(event) => setBack(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
        />
      </div>
      {marks.length > 1 && (
        <p className="mt-2 flex flex-wrap items-center gap-1 text-sm">
          <span className="text-soft">Its marks</span>
          {marks.map((mark, index) => (
            <button
              key={mark.id}
              type="button"
              className="button"
              data-size="small"
              onClick={() => goToPlace(mark.id)}
            >
              {index + 1}
            </button>
          ))}
        </p>
      )}
      <InsideFindings id={noteId} />
      <div className="mt-3 flex flex-wrap">
        {marks.length > 1 && (
          <RemoveNode
            words="Remove this mark"
            {...selected}
            steps={(transform) => removeMark(transform, selected.position)}
          />
        )}
        <RemoveNode
          words="Remove the note"
          {...selected}
          steps={(transform) => removeNote(transform, noteId)}
        />
      </div>
    </>
  );
}

/** Makes a new mark one of a note that is there already. */
function SameNote({ view, position, node, except }: Omit<NodeSlipProps, 'asked'> & { except: string }) {
  const id = useId();
  const others: { id: string; words: string }[] = [];
  view.state.doc.descendants((one) => {
    if (one.type.name === 'note' && one.attrs.id !== except)
      others.push({ id: one.attrs.id as string, words: one.children.map((text) => wordsOf(text)).join(' ') });
  });
  const notes = useBook((store) => store.notes);
  if (others.length === 0) return null;
  const take = (to: string) => {
    const mark = schema.nodes.note_mark.create({ id: markIdOf(node.attrs.id as string), to });
    view.dispatch(closeHistory(view.state.tr).replaceWith(position, position + node.nodeSize, mark));
    view.focus();
  };
  return (
    <div className="mt-2.5">
      <label className="label" htmlFor={id}>
        Or lead to a note that is there
      </label>
      <select id={id} className="field" value="" onChange={(event) => take(event.target.value)}>
        <option value="">A note of its own</option>
        {others.map((one) => (
          <option key={one.id} value={one.id}>
            {notes.get(one.id)?.number} {one.words.slice(0, 50)}
          </option>
        ))}
      </select>
    </div>
  );
}

/** The slip of a mark whose note stands in another chapter, or nowhere. */
function FarNote({ to, ...selected }: Omit<NodeSlipProps, 'asked'> & { to: string }) {
  const known = useBook((store) => store.notes.has(to));
  return (
    <div role="group" aria-label="Slip of the note" className="slip">
      <p>
        {known
          ? 'The words of this note stand in another chapter.'
          : 'The note of this mark is not in the book.'}
      </p>
      <InsideFindings id={selected.node.attrs.id as string} />
      <div className="mt-3 flex gap-1.5">
        {known && (
          <button type="button" className="button" data-size="small" onClick={() => goToPlace(to)}>
            Go to the note
          </button>
        )}
        <RemoveNode words="Remove this mark" {...selected} />
      </div>
    </div>
  );
}
