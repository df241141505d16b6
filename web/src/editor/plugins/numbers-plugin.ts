import { idOf, placeIds, type Place } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { Plugin, PluginKey, type EditorState, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { useBook } from '../../book/store.js';

interface Shown {
  places: ReadonlyMap<string, Place>;
  decorations: DecorationSet;
}

const key = new PluginKey<Shown>('numbers');

/** Shows the numbers of headings, figures and tables before their words, as the whole book has them counted. */
export function numbersShown(chapter: string): Plugin {
  return new Plugin<Shown>({
    key,
    state: {
      init: (_config, { doc }) => show(doc, chapter),
      apply(transaction, before) {
        const { doc, mapping } = transaction;
        // Where a block is split, joined or brought back, its number does not go along by itself.
        if (transaction.getMeta(key) || doc.childCount !== transaction.before.childCount)
          return show(doc, chapter);
        if (!transaction.docChanged) return before;
        let isLost = false;
        const decorations = before.decorations.map(mapping, doc, { onRemove: () => (isLost = true) });
        return isLost ? show(doc, chapter) : { ...before, decorations };
      },
    },
    props: { decorations: (state) => key.getState(state)?.decorations },
    view(view) {
      const stop = useBook.subscribe(({ places }) => {
        const shown = key.getState(view.state);
        if (shown && shown.places !== places && isOther(view.state, shown, places))
          view.dispatch(view.state.tr.setMeta(key, true));
      });
      return { destroy: stop };
    },
  });
}

/** True for a change that only shows other numbers. */
export const showsNumbers = (transaction: Transaction): boolean => Boolean(transaction.getMeta(key));

/** Most changes of the text change no number: then nothing is drawn anew. */
function isOther({ doc }: EditorState, shown: Shown, places: ReadonlyMap<string, Place>): boolean {
  let other = false;
  doc.descendants((node) => {
    const id = idOf(node);
    if (id && !node.isInline) other ||= shown.places.get(id)?.label !== places.get(id)?.label;
    return !node.isTextblock && !other;
  });
  return other;
}

function show(doc: Node, chapter: string): Shown {
  const { places } = useBook.getState();
  const placeId = placeIds(chapter);
  const decorations: Decoration[] = [];
  doc.descendants((node, position) => {
    const id = placeId(node);
    const label = id ? places.get(id)?.label : '';
    if (label && node.type.name === 'heading') decorations.push(numbered(node, position, label));
    else if (label)
      node.forEach((child, offset) => {
        if (/caption$/.test(child.type.name)) decorations.push(numbered(child, position + 1 + offset, label));
      });
    return !node.isTextblock;
  });
  return { places, decorations: DecorationSet.create(doc, decorations) };
}

const numbered = (node: Node, position: number, label: string): Decoration =>
  Decoration.node(position, position + node.nodeSize, { 'data-number': label });
