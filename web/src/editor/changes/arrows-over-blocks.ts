import type { Node, ResolvedPos } from 'prosemirror-model';
import { NodeSelection, Selection, TextSelection, type Command } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/** Blocks that stand for themselves: gone to by arrow, they are selected, as one step. */
const OWN_STEP = new Set(['figure', 'contents', 'rule', 'room']);

/** The block beside a spot, as seen from the end of the block that it is in, and where it stands. */
function blockBeside($at: ResolvedPos, direction: 1 | -1): { node: Node; at: number } | null {
  for (let depth = $at.depth; depth > 0; depth--) {
    const parent = $at.node(depth - 1);
    const index = $at.index(depth - 1) + direction;
    if (index < 0 || index >= parent.childCount) {
      if ($at.node(depth).type.spec.isolating) return null;
      continue;
    }
    const node = parent.child(index);
    return { node, at: direction === 1 ? $at.after(depth) : $at.before(depth) - node.nodeSize };
  }
  return null;
}

/** Takes over where the browser has put the caret: when keys come faster than its events, the state does not know yet. */
function catchUp(view: EditorView): void {
  const caret = view.root instanceof Document ? view.root.getSelection() : null;
  if (!caret?.isCollapsed || !caret.focusNode || !view.dom.contains(caret.focusNode)) return;
  const at = view.posAtDOM(caret.focusNode, caret.focusOffset);
  const { doc, tr, selection } = view.state;
  if (at < 0 || at > doc.content.size || at === selection.head || !doc.resolve(at).parent.inlineContent)
    return;
  view.dispatch(tr.setSelection(TextSelection.create(doc, at)));
}

/** Selects the picture, the list or the rule that an arrow key would jump over; from there the next arrow goes on. */
export const arrowOverBlock =
  (key: 'up' | 'down' | 'left' | 'right'): Command =>
  (given, dispatch, view) => {
    if (view && given.selection instanceof TextSelection) catchUp(view);
    const state = view?.state ?? given;
    const { selection } = state;
    const direction = key === 'down' || key === 'right' ? 1 : -1;
    if (selection instanceof NodeSelection && OWN_STEP.has(selection.node.type.name)) {
      const { from, node } = selection;
      const inside = direction === 1 && node.firstChild?.isTextblock ? from + 2 : null;
      const beside = state.doc.resolve(direction === 1 ? selection.to : from);
      const next =
        inside === null
          ? (ownStep(direction === 1 ? beside.nodeAfter : beside.nodeBefore) &&
              NodeSelection.create(
                state.doc,
                direction === 1 ? selection.to : from - beside.nodeBefore!.nodeSize,
              )) ||
            Selection.findFrom(beside, direction)
          : TextSelection.create(state.doc, inside);
      if (!next) return false;
      dispatch?.(state.tr.setSelection(next).scrollIntoView());
      return true;
    }
    if (!selection.empty || !(selection instanceof TextSelection) || !view?.endOfTextblock(key, state))
      return false;
    const beside = blockBeside(selection.$from, direction);
    if (!beside || !ownStep(beside.node)) return false;
    dispatch?.(state.tr.setSelection(NodeSelection.create(state.doc, beside.at)).scrollIntoView());
    return true;
  };

const ownStep = (node: Node | null): boolean => node !== null && OWN_STEP.has(node.type.name);

/** Within a caption, up leads to the picture that it is of. */
export const fromCaption: Command = (state, dispatch, view) => {
  const { selection } = state;
  const { $from } = selection;
  if (!selection.empty || $from.parent.type.name !== 'caption' || !view?.endOfTextblock('up', state))
    return false;
  dispatch?.(state.tr.setSelection(NodeSelection.create(state.doc, $from.before() - 1)).scrollIntoView());
  return true;
};
