import { removeMark, removeNote } from '@vennet/core/edits';
import { attrsOf, groupedBy, markIdOf, schema, wordsOf } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { TextSelection, type EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useId, useState } from 'react';
import { ownWords, useBook } from '../book/store.js';
import { goToPlace } from '../editor/going/visited.js';
import { useEditor } from '../editor/state/store.js';
import { InsideFindings } from '../findings/InsideFindings.js';
import { Remark } from './Remark.js';
import {
  closing,
  OwnWords,
  positionNow,
  RemoveNode,
  setAttributes,
  type NodeSlipProps,
} from './slip-parts.js';
import { SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';

/** The slip of a note or of another mark of one: its words, edited in place with links and emphasis, and its way back. */
export function NoteSlip(props: NodeSlipProps) {
  const { view, node, position } = props;
  const isMark = node.type === schema.nodes.note_mark;
  const to = isMark ? attrsOf.noteMark(node).to : attrsOf.note(node).id;
  const note = isMark ? noteIn(view.state, to) : { node, position };
  return note ? <NearNote key={to} {...props} note={note} /> : <FarNote {...props} to={to} />;
}

interface Own {
  node: Node;
  position: number;
}

function noteIn({ doc }: EditorState, id: string): Own | null {
  let found: Own | null = null;
  doc.descendants((node, position) => {
    if (!found && node.type.name === 'note' && attrsOf.note(node).id === id) found = { node, position };
    return !found;
  });
  return found;
}

/** The caret goes on behind the mark that is selected. */
function goOnBehind(view: EditorView, node: Node, position: number): void {
  const at = positionNow(view, node, position);
  const { doc, tr } = view.state;
  const size = at === null ? 0 : (doc.nodeAt(at)?.nodeSize ?? 0);
  if (at !== null) view.dispatch(tr.setSelection(TextSelection.create(doc, at + size)));
  view.focus();
}

/** A note whose words stand in this chapter. */
function NearNote({ view, node, position, asked, note }: NodeSlipProps & { note: Own }) {
  const selected = { view, node, position };
  const { id, back } = attrsOf.note(note.node);
  const seen = useBook((store) => store.notes.get(id));
  const bookBack = useBook((store) => store.book?.structure.notes.back);
  const marks = seen?.marks ?? [];
  const empty = note.node.children.every((one) => wordsOf(one) === '');
  const slip = useSlip({
    stored: { back },
    write: (values) => setAttributes(view, note.node, note.position, { back: values.back.trim() }),
    ...closing(view),
    toText: () => goOnBehind(view, node, position),
  });
  return (
    <SlipForm label="Slip of the note" slip={slip} group>
      <p className="label">Note {seen?.number}</p>
      <Remark view={view} note={note.node} at={note.position} asked={asked} slip={slip} />
      {empty && node.type === schema.nodes.note && <SameNote {...selected} except={id} />}
      <OwnWords
        label="Words of its way back"
        value={slip.values.back}
        otherwise={bookBack || ownWords().back}
        change={(words) => slip.change({ back: words })}
        keep={() => slip.choose({ back: slip.values.back })}
      />
      {isFurther(node) && <BackToMark key={attrsOf.noteMark(node).back} {...selected} />}
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
      <InsideFindings id={id} />
      <div className="mt-3 flex flex-wrap">
        {marks.length > 1 && (
          <RemoveNode
            words="Remove this mark"
            {...selected}
            steps={(transform) => removeMark(transform, position)}
          />
        )}
        <RemoveNode words="Remove the note" {...selected} steps={(transform) => removeNote(transform, id)} />
      </div>
    </SlipForm>
  );
}

/** Makes a new mark one of a note that is there already. */
function SameNote({ view, position, node, except }: Omit<NodeSlipProps, 'asked'> & { except: string }) {
  const id = useId();
  const notes = useBook((store) => store.notes);
  const others = useOtherNotes(view.state, except);
  if (others.length === 0) return null;
  const take = (to: string) => {
    const mark = schema.nodes.note_mark.create({ id: markIdOf(attrsOf.note(node).id), to });
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
        {others.map(({ chapter, title, notes: own }) => (
          <optgroup key={chapter} label={title}>
            {own.map((one) => (
              <option key={one.id} value={one.id}>
                {notes.get(one.id)?.number} {one.words.slice(0, 50)}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </div>
  );
}

interface NotesOfChapter {
  chapter: string;
  title: string;
  notes: { id: string; words: string }[];
}

/** The notes of the book by their chapters, those of this one first. */
function useOtherNotes({ doc }: EditorState, except: string): NotesOfChapter[] {
  const places = useBook((store) => store.places);
  const chapters = useBook((store) => store.book?.chapters);
  const here = useEditor((store) => store.chapter);
  const own: NotesOfChapter['notes'] = [];
  doc.descendants((one) => {
    if (one.type.name === 'note' && attrsOf.note(one).id !== except)
      own.push({ id: attrsOf.note(one).id, words: one.children.map((text) => wordsOf(text)).join(' ') });
  });
  const elsewhere = groupedBy(
    [...places.values()].filter(({ kind, chapter }) => kind === 'note' && chapter !== here),
    ({ chapter }) => chapter,
  );
  return [
    { chapter: here, title: 'In this chapter', notes: own },
    ...(chapters ?? []).map(({ id, title }) => ({ chapter: id, title, notes: elsewhere.get(id) ?? [] })),
  ].filter(({ notes }) => notes.length > 0);
}

const isFurther = ({ type }: Node): boolean => type === schema.nodes.note_mark;

/** The words of the way back to one mark of several. */
function BackToMark({ view, node, position }: Omit<NodeSlipProps, 'asked'>) {
  const { back } = attrsOf.noteMark(node);
  const [words, setWords] = useState(back);
  return (
    <OwnWords
      label="Words of the way back to this mark"
      value={words}
      otherwise="as those of the note, with a number"
      change={setWords}
      keep={() => words.trim() !== back && setAttributes(view, node, position, { back: words.trim() })}
    />
  );
}

/** The slip of a mark whose note stands in another chapter, or nowhere. */
function FarNote({ to, view, node, position }: NodeSlipProps & { to: string }) {
  const known = useBook((store) => store.notes.has(to));
  const number = useBook((store) => store.notes.get(to)?.number);
  const words = useBook((store) => store.places.get(to)?.text);
  const slip = useSlip({
    stored: {},
    write: () => {},
    ...closing(view),
    toText: () => goOnBehind(view, node, position),
  });
  return (
    <SlipForm label="Slip of the note" slip={slip} group>
      {known ? (
        <>
          <p className="label">Note {number}, in another chapter</p>
          <p className="font-text text-[0.95rem]">{words}</p>
          <BackToMark key={attrsOf.noteMark(node).back} view={view} node={node} position={position} />
        </>
      ) : (
        <p>The note of this mark is not in the book.</p>
      )}
      <InsideFindings id={attrsOf.noteMark(node).id} />
      <div className="mt-3 flex gap-1.5">
        {known && (
          <button type="button" className="button" data-size="small" onClick={() => goToPlace(to)}>
            Go to the note
          </button>
        )}
        <RemoveNode words="Remove this mark" view={view} node={node} position={position} />
      </div>
    </SlipForm>
  );
}
