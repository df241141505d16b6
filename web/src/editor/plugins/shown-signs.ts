import type { Node } from 'prosemirror-model';
import { Plugin, PluginKey } from 'prosemirror-state';
import { Decoration, DecorationSet, type EditorView } from 'prosemirror-view';

/** Signs that nobody sees: spaces that no line breaks at, and where words may be divided. */
const UNSEEN = /[\u00a0\u00ad\u2009\u200b\u2011\u202f]/g;

const NAMES: Readonly<Record<string, string>> = {
  '\u00a0': 'nbsp',
  '\u202f': 'nbsp',
  '\u2009': 'nbsp',
  '\u00ad': 'shy',
  '\u200b': 'shy',
  '\u2011': 'hyphen',
};

const key = new PluginKey<{ shown: boolean; drawn: DecorationSet }>('shown signs');
const STORED = 'vennet.shown-signs';

/** Where such signs stand in a line, as long as the line is the same. */
const known = new WeakMap<Node, readonly { at: number; name: string }[]>();

function unseenIn(line: Node): readonly { at: number; name: string }[] {
  const before = known.get(line);
  if (before) return before;
  const found: { at: number; name: string }[] = [];
  line.descendants((child, position) => {
    for (const { index, 0: sign } of child.text?.matchAll(UNSEEN) ?? [])
      found.push({ at: position + index, name: NAMES[sign] ?? '' });
  });
  known.set(line, found);
  return found;
}

function drawnIn(doc: Node): DecorationSet {
  const drawn: Decoration[] = [];
  doc.descendants((node, position) => {
    if (!node.isTextblock) return true;
    for (const { at, name } of unseenIn(node))
      drawn.push(
        Decoration.inline(position + 1 + at, position + 2 + at, { class: `unseen-sign unseen-${name}` }),
      );
    return false;
  });
  return DecorationSet.create(doc, drawn);
}

/** Shows spaces that hold words together, soft hyphens and their like, as long as the author wishes. */
export function shownSigns(): Plugin {
  return new Plugin({
    key,
    state: {
      init: (_config, { doc }) => {
        const shown = localStorage.getItem(STORED) !== null;
        return { shown, drawn: shown ? drawnIn(doc) : DecorationSet.empty };
      },
      apply(transaction, before) {
        const shown = (transaction.getMeta(key) as boolean | undefined) ?? before.shown;
        if (!shown) return before.shown ? { shown, drawn: DecorationSet.empty } : before;
        return before.shown && !transaction.docChanged ? before : { shown, drawn: drawnIn(transaction.doc) };
      },
    },
    props: { decorations: (state) => key.getState(state)?.drawn },
  });
}

export const areSignsShown = (state: Parameters<typeof key.getState>[0]): boolean =>
  key.getState(state)?.shown ?? false;

export function showSigns(state: EditorView['state'], dispatch?: EditorView['dispatch']): boolean {
  if (!dispatch) return true;
  const shown = !areSignsShown(state);
  if (shown) localStorage.setItem(STORED, 'shown');
  else localStorage.removeItem(STORED);
  dispatch(state.tr.setMeta(key, shown));
  return true;
}
