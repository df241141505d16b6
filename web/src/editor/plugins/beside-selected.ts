import { schema } from '@vennet/core/manuscript';
import { NodeSelection, Plugin, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';

/**
 * Notes, references, lists and pictures are selected when they are gone to. What is typed or pasted then does not take
 * their place: it goes after those within a line, and below those that stand for themselves, where nothing is typed.
 */
export function besideSelected(): Plugin {
  return new Plugin({
    props: {
      handleTextInput(view, _from, _to, text) {
        const { selection } = view.state;
        if (!isAtom(selection)) return false;
        if (selection.node.isInline) {
          stepBeside(view);
          const { from } = view.state.selection;
          const insert = () => view.state.tr.insertText(text, from);
          // As if the caret had been there: quotation marks and addresses are seen to by the others.
          if (!view.someProp('handleTextInput', (handle) => handle(view, from, from, text, insert)))
            view.dispatch(insert().scrollIntoView());
        }
        return true;
      },
      handlePaste(view, event) {
        if (event.clipboardData?.files.length === 0) stepBeside(view);
        return false;
      },
      handleDOMEvents: {
        compositionstart(view) {
          stepBeside(view);
          return false;
        },
      },
    },
  });
}

const isAtom = (selection: unknown): selection is NodeSelection =>
  selection instanceof NodeSelection && (selection.node.isAtom || selection.node.type.name === 'figure');

function stepBeside(view: EditorView): void {
  const { selection, tr } = view.state;
  if (!isAtom(selection)) return;
  const { to } = selection;
  if (selection.node.isInline) tr.setSelection(TextSelection.create(tr.doc, to));
  else tr.insert(to, schema.node('paragraph')).setSelection(TextSelection.create(tr.doc, to + 1));
  view.dispatch(tr);
}
