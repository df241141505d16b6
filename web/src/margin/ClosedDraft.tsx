import { attrsOf, flatText, OBJECT } from '@vennet/core/manuscript';
import { PencilLine } from 'lucide-react';
import { NodeSelection, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { askForSlip, openDraft } from '../editor/state/slip.js';
import { takeUpDraft, type Draft } from '../editor/state/kept-drafts.js';
import { draftArea } from '../editor/state/open-area.js';
import { useEditor } from '../editor/state/store.js';
import type { AreaValues } from '../slips/AreaSlip.js';

const KINDS: Record<Draft['what'], string> = {
  link: 'New link',
  bookmark: 'New bookmark',
  area: 'New link area',
};

/** One line for something that was left half-made. Pressed, its slip is open again with what was said. */
export function ClosedDraft({ draft }: { draft: Draft }) {
  const doc = useEditor((store) => store.state?.doc);
  const words = doc
    ? flatText(doc, draft.from, Math.min(draft.to, doc.content.size)).replaceAll(OBJECT, '').trim()
    : '';
  const said = `${KINDS[draft.what]}, not finished${words ? `: ${words}` : ''}`;
  const open = () => {
    const { view } = useEditor.getState();
    if (view) takeUp(view, draft);
  };
  return (
    <button
      type="button"
      onClick={open}
      title={said}
      className="flex h-[30px] w-full cursor-pointer items-center gap-2 border-l-2 border-dashed border-strong-line pl-2.5 text-left text-[0.88rem] text-soft hover:border-amber hover:bg-ground"
    >
      <PencilLine size={15} aria-hidden="true" className="shrink-0" />
      <span className="truncate">{said}</span>
    </button>
  );
}

/** Goes on with a draft where it was left: in its note, at its picture, or at its words. */
export function takeUp(view: EditorView, draft: Draft): void {
  const { tr, doc } = view.state;
  const $from = doc.resolve(draft.from);
  for (let depth = $from.depth; depth > 0; depth--)
    if ($from.node(depth).type.name === 'note') {
      // The note takes its draft up by itself when its slip opens.
      view.dispatch(askForSlip(tr.setSelection(NodeSelection.create(doc, $from.before(depth)))));
      return;
    }
  if (draft.what === 'area') {
    const { figure, box } = draft.values as AreaValues & { figure: string };
    let position: number | null = null;
    doc.descendants((node, at) => {
      if (node.type.name === 'figure' && attrsOf.figure(node).id === figure) position = at;
      return position === null;
    });
    if (position === null) return view.dispatch(takeUpDraft(tr, draft));
    view.dispatch(takeUpDraft(tr, draft).setSelection(NodeSelection.create(doc, position)));
    draftArea(box, draft.values);
    return;
  }
  const words = TextSelection.between($from, doc.resolve(draft.to));
  view.dispatch(openDraft(takeUpDraft(tr, draft).setSelection(words), draft));
}
