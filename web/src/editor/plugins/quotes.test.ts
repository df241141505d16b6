import { expect, test } from '@jest/globals';
import { schema } from '@vennet/core/manuscript';
import { paragraph } from '@vennet/core/testing';
import { inputRules } from 'prosemirror-inputrules';
import { EditorState, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { quotes } from './quotes.js';

/** What the editor has after a straight mark is typed into the second line, as a view hands it on. */
function typedInSecondLine(second: string, caret: number): { words: string; caret: number } {
  const rules = inputRules({ rules: quotes });
  const doc = schema.node('doc', null, [paragraph('low'), second ? paragraph(second) : paragraph()]);
  let state = EditorState.create({ doc, plugins: [rules], selection: TextSelection.create(doc, caret) });
  const view = {
    get state() {
      return state;
    },
    composing: false,
    dispatch: (tr: typeof state.tr) => (state = state.apply(tr)),
  } as unknown as EditorView;
  const at = doc.content.size - 1;
  rules.props.handleTextInput?.call(rules, view, at, at, '"', () => state.tr);
  return { words: state.doc.lastChild!.textContent, caret: state.selection.from };
}

test.each([
  ['', '“', 7],
  ['water', 'water”', 12],
])('a straight mark after “%s” is curved', (second, words, caret) => {
  expect(typedInSecondLine(second, caret - 1)).toEqual({ words, caret });
});

test('the caret goes where the mark was typed, even if the press before it is not known yet', () => {
  expect(typedInSecondLine('', 1)).toEqual({ words: '“', caret: 7 });
});
