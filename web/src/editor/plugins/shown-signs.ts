import { Plugin, PluginKey, type Command, type EditorState } from 'prosemirror-state';
import { DecorationSet } from 'prosemirror-view';
import { drawnByLine, type DrawnStretch } from './drawn-by-line.js';

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

const drawnIn = drawnByLine((line) => {
  const found: DrawnStretch[] = [];
  line.descendants((child, position) => {
    for (const { index, 0: sign } of child.text?.matchAll(UNSEEN) ?? []) {
      const from = position + index;
      found.push({ from, to: from + 1, attrs: { class: `unseen-sign unseen-${NAMES[sign] ?? ''}` } });
    }
  });
  return found;
});

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

export const areSignsShown = (state: EditorState): boolean => key.getState(state)?.shown ?? false;

export const showSigns: Command = (state, dispatch) => {
  if (!dispatch) return true;
  const shown = !areSignsShown(state);
  if (shown) localStorage.setItem(STORED, 'shown');
  else localStorage.removeItem(STORED);
  dispatch(state.tr.setMeta(key, shown));
  return true;
};
