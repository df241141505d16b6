import { idOf, type Link } from '@vennet/core/manuscript';
import { Trash2 } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { NodeSelection } from 'prosemirror-state';
import type { Transform } from 'prosemirror-transform';
import type { EditorView } from 'prosemirror-view';
import { useId, useLayoutEffect, useRef, type RefObject } from 'react';
import { keepDraft, type Draft } from '../editor/state/kept-drafts.js';
import { linksIn } from '../editor/state/links.js';
import { draftIn, dropDraft, shutSlip } from '../editor/state/slip.js';
import { isAskedFor } from './asked-for.js';

/** The text that a slip stands beside. */
export interface SlipHost {
  view: EditorView;
  /** The text in which half-made drafts are kept, and how much further on their place is there: a note's is in the chapter. */
  keeper?: { view: EditorView; offset(): number };
}

/** What a slip is for that stands at a node of the text. */
export interface NodeSlipProps {
  view: EditorView;
  node: Node;
  position: number;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

/** The first field of a slip, which takes the focus when the slip is asked for, and `now` when that is always. */
export function useFirstField<Field extends HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement>(
  asked: number,
  now = false,
): RefObject<Field | null> {
  const field = useRef<Field>(null);
  useLayoutEffect(() => {
    const isAsked = isAskedFor(asked);
    // The slip finds its line after this; the text must stay where it is.
    if (isAsked || now) field.current?.focus({ preventScroll: true });
    if (isAsked && !now && field.current instanceof HTMLInputElement) field.current.select();
  }, [asked, now]);
  return field;
}

/** The draft where its words are now; it may have moved since it was drawn. */
export function draftNow({ state }: EditorView, draft: Draft): Draft {
  const now = draftIn(state);
  return now?.id === draft.id ? now : draft;
}

/** The link as the text has it now; `null` when it is gone. */
export function linkNow({ state }: EditorView, chapter: string, link: Link): Link | null {
  const same = linksIn(state.doc, chapter).filter(({ id }) => id === link.id);
  return same.find(({ from }) => from === link.from) ?? same[0] ?? null;
}

/** What slips do with what is new, and how they are closed. */
export function usesOfDraft({ view, keeper }: SlipHost, draft: Draft | null) {
  const drop = () => {
    if (!view.isDestroyed && draft && draftIn(view.state)?.id === draft.id)
      view.dispatch(dropDraft(view.state.tr));
  };
  return {
    drop,
    keep(values: object) {
      if (!draft || view.isDestroyed) return;
      const { id, what, from, to } = draftNow(view, draft);
      const offset = keeper?.offset() ?? 0;
      drop();
      const { state, dispatch } = keeper?.view ?? view;
      dispatch(keepDraft(closeHistory(state.tr), { id, what, from: from + offset, to: to + offset, values }));
    },
    close: () => view.dispatch(shutSlip(view.state.tr)),
    toText() {
      if (draft) view.dispatch(view.state.tr.scrollIntoView());
      view.focus();
    },
  };
}

/** Closes the slip of a node, and gives the caret back to the text. */
export const closing = (view: EditorView) => ({
  close: () => view.dispatch(shutSlip(view.state.tr)),
  toText: () => view.focus(),
});

/** Where a node stands now, by its id; `null` when it is gone. It may have moved since it was drawn. */
export function positionNow({ state, isDestroyed }: EditorView, node: Node, position: number): number | null {
  const isIt = (one: Node | null) => one?.type === node.type && idOf(one) === idOf(node);
  if (isDestroyed) return null;
  if (position < state.doc.content.size && isIt(state.doc.nodeAt(position))) return position;
  let found: number | null = null;
  state.doc.descendants((one, at) => {
    if (found === null && isIt(one)) found = at;
    return found === null;
  });
  return found;
}

/** Changes attributes of a node, in one step that is undone by itself. */
export function setAttributes(
  view: EditorView,
  node: Node,
  position: number,
  attributes: Record<string, unknown>,
): void {
  const at = positionNow(view, node, position);
  if (at === null || Object.keys(attributes).length === 0) return;
  const transaction = closeHistory(view.state.tr);
  for (const [name, value] of Object.entries(attributes)) transaction.setNodeAttribute(at, name, value);
  // A node that is selected stays so: its slip stays open.
  if (view.state.selection instanceof NodeSelection && view.state.selection.from === at)
    transaction.setSelection(NodeSelection.create(transaction.doc, at));
  view.dispatch(transaction);
}

/** What differs between two sets of values. */
export function whatDiffers<Values extends object>(values: Values, before: Values): Partial<Values> {
  const names = Object.keys(values) as (keyof Values)[];
  const other = names.filter((name) => JSON.stringify(values[name]) !== JSON.stringify(before[name]));
  return Object.fromEntries(other.map((name) => [name, values[name]])) as Partial<Values>;
}

/** Words of the author's own, kept when the field is left; without any, the `otherwise` ones hold. */
export function OwnWords({
  label,
  value,
  otherwise,
  change,
  keep,
}: {
  label: string;
  value: string;
  otherwise: string;
  change(words: string): void;
  keep(): void;
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
        value={value}
        placeholder={otherwise}
        onChange={({ target }) => change(target.value)}
        onBlur={keep}
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
