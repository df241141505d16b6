import { wordsOf } from '@vennet/core/manuscript';
import { StickyNote } from 'lucide-react';
import { NodeSelection } from 'prosemirror-state';
import { useEditor } from '../editor/state/store.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { useBook } from '../book/store.js';
import { saidBy } from '../book/said.js';

/** One line for one note: its number and how it begins. Pressed, its slip opens. */
export function ClosedNote({ id, at }: { id: string; at: number }) {
  const state = useEditor((store) => store.state);
  const node = state && at < state.doc.content.size ? state.doc.nodeAt(at) : null;
  const noteId = (node?.attrs.to ?? id) as string;
  const note = useBook((store) => store.notes.get(noteId));
  const finding = useBook((store) =>
    store.inside.find(({ subject }) => subject.id === id || subject.id === noteId),
  );
  const words =
    node?.type.name === 'note'
      ? node.children.map((one) => wordsOf(one, saidBy)).join(' ') || 'Without words yet'
      : 'Once more';
  const open = () => {
    const { view } = useEditor.getState();
    if (!view || !/^note/.test(view.state.doc.nodeAt(at)?.type.name ?? '')) return;
    view.dispatch(view.state.tr.setSelection(NodeSelection.create(view.state.doc, at)));
    view.focus();
  };
  return (
    <button
      type="button"
      onClick={open}
      title={words}
      className="flex h-[30px] w-full cursor-pointer items-center gap-2 border-l-2 border-line pl-2.5 text-left text-[0.88rem] hover:border-amber hover:bg-ground"
    >
      <span className="inline-flex shrink-0 items-center gap-1 text-soft">
        <StickyNote size={15} aria-hidden="true" />
        <span className="sr-only">Note</span>
        <span className="tabular-nums">{note?.number}</span>
      </span>
      <span className="truncate">{words}</span>
      {finding && <SeverityMark severity={finding.severity} />}
    </button>
  );
}
