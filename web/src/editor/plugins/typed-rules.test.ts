import { expect, test } from '@jest/globals';
import { schema } from '@vennet/core/manuscript';
import { paragraph } from '@vennet/core/testing';
import { textblockTypeInputRule, undoInputRule, wrappingInputRule } from 'prosemirror-inputrules';
import { EditorState, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { quotes } from './quotes.js';
import { typedRules } from './typed-rules.js';

const rules = [
  ...quotes,
  wrappingInputRule(/^\s*[-*]\s$/, schema.nodes.bullet_list),
  textblockTypeInputRule(/^(#{1,3})\s$/, schema.nodes.heading, (match) => ({ level: match[1]!.length })),
];

/** What the editor has after a sign is typed at the end of the second line, as a view hands it on. */
function typedInSecondLine(second: string, sign: string, caret: number): EditorState {
  const plugins = typedRules(rules);
  const doc = schema.node('doc', null, [paragraph('low'), second ? paragraph(second) : paragraph()]);
  let state = EditorState.create({ doc, plugins, selection: TextSelection.create(doc, caret) });
  const view = {
    get state() {
      return state;
    },
    composing: false,
    dispatch: (tr: typeof state.tr) => (state = state.apply(tr)),
  } as unknown as EditorView;
  const at = doc.content.size - 1;
  const [making] = plugins;
  making!.props.handleTextInput?.call(making!, view, at, at, sign, () => state.tr);
  return state;
}

/** The last line, and where the caret is in which line. */
const seen = ({ doc, selection: { $from } }: EditorState) => [
  doc.lastChild!.type.name,
  doc.textContent.slice('low'.length),
  $from.node(1) === doc.lastChild,
  $from.parentOffset,
];

// 1 is in the first line: a press that is not known yet. 6 and more are in the second.
test.each([
  ['', '"', ['paragraph', '“', true, 1]],
  ['water', '"', ['paragraph', 'water”', true, 6]],
  ['-', ' ', ['bullet_list', '', true, 0]],
  ['##', ' ', ['heading', '', true, 0]],
])(
  'after “%s”, “%s” is made what it means, and the caret stands there, wherever it was',
  (second, sign, said) => {
    for (const caret of [1, 6 + second.length])
      expect(seen(typedInSecondLine(second, sign, caret))).toEqual(said);
  },
);

test('Backspace right after takes it back', () => {
  let state = typedInSecondLine('water', '"', 11);
  undoInputRule(state, (tr) => (state = state.apply(tr)));
  expect(state.doc.lastChild!.textContent).toBe('water"');
});
