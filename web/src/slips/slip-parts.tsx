import { Trash2 } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import type { EditorView } from 'prosemirror-view';
import { useId, useLayoutEffect, useRef, type RefObject } from 'react';
import { isAskedFor } from './asked-for.js';

/** What a slip is for that stands at a node of the text. */
export interface NodeSlipProps {
  view: EditorView;
  node: Node;
  position: number;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

/** The first field of a slip, which takes the focus when the slip is asked for. */
export function useFirstField<Field extends HTMLElement>(asked: number): RefObject<Field | null> {
  const field = useRef<Field>(null);
  useLayoutEffect(() => {
    if (isAskedFor(asked)) field.current?.focus({ preventScroll: true });
  }, [asked]);
  return field;
}

/** Changes attributes of a node, in one step that is undone by itself. */
export function setAttributes(view: EditorView, position: number, attributes: Record<string, unknown>): void {
  const transaction = closeHistory(view.state.tr);
  for (const [name, value] of Object.entries(attributes)) transaction.setNodeAttribute(position, name, value);
  view.dispatch(transaction);
}

/** Words of the author's own, kept when the field is left; without any, the `otherwise` ones hold. */
export function OwnWords({
  label,
  value,
  otherwise,
  keep,
}: {
  label: string;
  value: string;
  otherwise: string;
  keep(words: string): void;
}) {
  const id = useId();
  return (
    <>
      <label className="label mt-2.5" htmlFor={id}>
        {label}
      </label>
      <input
        id={id}
        className="field"
        key={value}
        defaultValue={value}
        placeholder={otherwise}
        onBlur={({ target }) => target.value.trim() !== value && keep(target.value.trim())}
      />
    </>
  );
}

/** Takes the node of a slip out of the text; `steps` say how, where more goes than the node. */
export function RemoveNode({
  words,
  view,
  node,
  position,
  steps = (transform) => void transform.delete(position, position + node.nodeSize),
}: Omit<NodeSlipProps, 'asked'> & { words: string; steps?: (transform: Transform) => void }) {
  const remove = () => {
    const transaction = closeHistory(view.state.tr);
    steps(transaction);
    view.dispatch(transaction);
    view.focus();
  };
  return (
    <button
      type="button"
      className="button first:-ml-2.5"
      data-look="quiet"
      data-size="small"
      onClick={remove}
    >
      <Trash2 size={15} aria-hidden="true" /> {words}
    </button>
  );
}
