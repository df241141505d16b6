import { flatText, OBJECT } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { TextSelection, type EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { withWords } from '../book/said.js';
import { readingOf } from '../editor/changes/change-references.js';
import { NoteEditor } from '../editor/note-editor.js';
import { keptIn, takeUpDraft } from '../editor/state/kept-drafts.js';
import { linkAtSelection } from '../editor/state/links.js';
import { askedIn, draftIn, isShut, openDraft } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { isAskedFor } from './asked-for.js';
import { LinkSlip } from './LinkSlip.js';
import type { Slip } from './use-slip.js';

interface RemarkProps {
  view: EditorView;
  note: Node;
  /** Where the note stands in the chapter. */
  at: number;
  asked: number;
  /** The slip of the note, which Enter and Esc in the words accept and close too. */
  slip: Pick<Slip<never>, 'setBack'> & { accept(): void };
}

/** The remark, in an editor of its own; the slip of a link in it opens below. */
export function Remark({ view, note, at, asked, slip }: RemarkProps) {
  const box = useRef<HTMLDivElement>(null);
  const editor = useRef<NoteEditor | null>(null);
  const now = useRef({ at, note, slip });
  const chapter = useEditor((store) => store.chapter);
  const [inner, setInner] = useState<{ view: EditorView; state: EditorState } | null>(null);
  useLayoutEffect(() => {
    now.current = { at, note, slip };
  });
  useEffect(() => {
    if (!box.current) return;
    const made = new NoteEditor(now.current.note, {
      place: box.current,
      outer: view,
      chapter,
      position: () => now.current.at,
      changed: (own) => setInner({ view: own, state: own.state }),
      accept: () => now.current.slip.accept(),
      leave: () => now.current.slip.setBack(),
    });
    editor.current = made;
    setInner({ view: made.view, state: made.view.state });
    return () => {
      made.destroy();
      editor.current = null;
    };
  }, [view, chapter]);
  useLayoutEffect(() => editor.current?.update(note), [note]);
  useEffect(() => {
    if (isAskedFor(asked) && editor.current) {
      const { view: own } = editor.current;
      own.dispatch(own.state.tr.setSelection(TextSelection.atEnd(own.state.doc)));
      own.focus();
    }
  }, [asked]);
  const ownView = inner?.view;
  // What was left half-made in this note is worked on again when the note is.
  useEffect(() => {
    if (ownView) takeUp(view, ownView, now.current.at + 1);
  }, [ownView, view, asked]);

  if (!inner) return <div ref={box} className="field !p-0" />;
  const { state } = inner;
  const draft = draftIn(state);
  const found = isShut(state) ? null : linkAtSelection(state, chapter);
  const link = found && withWords(found, state.doc.nodeAt(found.from));
  return (
    <>
      <div ref={box} className="field !p-0" />
      {(link ?? draft) && (
        <div className="mt-2">
          <LinkSlip
            key={draft?.id ?? link?.id}
            view={inner.view}
            keeper={{ view, offset: () => now.current.at + 1 }}
            link={draft ? null : link}
            reading={readingOf(state.doc, draft ? null : link)}
            draft={draft}
            asked={askedIn(state)}
            words={draft ? flatText(state.doc, draft.from, draft.to).replaceAll(OBJECT, '') : ''}
          />
        </div>
      )}
    </>
  );
}

function takeUp(outer: EditorView, own: EditorView, start: number): void {
  const end = start + own.state.doc.content.size;
  const kept = keptIn(outer.state).find(({ from, to }) => start <= from && to <= end);
  if (!kept) return;
  outer.dispatch(takeUpDraft(outer.state.tr, kept));
  own.dispatch(openDraft(own.state.tr, { ...kept, from: kept.from - start, to: kept.to - start }));
}
