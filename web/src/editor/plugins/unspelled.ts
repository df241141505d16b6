import { Plugin } from 'prosemirror-state';
import type { DecorationSet } from 'prosemirror-view';
import { drawnByLine, type DrawnStretch } from './drawn-by-line.js';

/** What is an address, or looks like one: with a scheme, of email, or a name with dots between its parts. */
const ADDRESS =
  /(?:https?:\/\/|www\.|mailto:)\S+|[^\s@]{1,64}@[^\s@]{1,255}|[\p{L}\p{N}_-]{1,63}(?:\.[\p{L}\p{N}_-]{1,63})+(?:\/\S*)?/giu;

const UNSPELLED = { spellcheck: 'false' };

/** Where code, addresses and refused links stand in a line. */
const drawnIn = drawnByLine((line) => {
  if (line.type.spec.code) return [{ from: 0, to: line.content.size, attrs: UNSPELLED }];
  const found: DrawnStretch[] = [];
  line.forEach((child, offset) => {
    if (!child.isText) return;
    const stretches = child.marks.some(({ type }) => type.name === 'code' || type.name === 'unlinked')
      ? [{ index: 0, 0: child.text ?? '' }]
      : (child.text ?? '').matchAll(ADDRESS);
    for (const { index, 0: words } of stretches)
      found.push({ from: offset + index, to: offset + index + words.length, attrs: UNSPELLED });
  });
  return found;
});

/** The browser looks at the spelling of words, never at that of addresses and code. */
export function unspelled(): Plugin {
  return new Plugin({
    state: {
      init: (_config, { doc }) => drawnIn(doc),
      apply: (transaction, before: DecorationSet) =>
        transaction.docChanged ? drawnIn(transaction.doc) : before,
    },
    props: {
      decorations(state) {
        return this.getState(state);
      },
    },
  });
}
