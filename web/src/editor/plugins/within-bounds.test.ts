import { afterEach, describe, expect, test } from '@jest/globals';
import { BOUNDS, schema } from '@vennet/core/manuscript';
import { paragraph } from '@vennet/core/testing';
import type { Node } from 'prosemirror-model';
import { EditorState, type Transaction } from 'prosemirror-state';
import { wrapIn } from 'prosemirror-commands';
import { useNotices } from '../../parts/notices.js';
import { withinBounds } from './within-bounds.js';

const stateOf = (...blocks: Node[]) =>
  EditorState.create({ doc: schema.node('doc', null, blocks), plugins: [withinBounds()] });
const words = () => useNotices.getState().notices.map((notice) => notice.words);
afterEach(() => useNotices.setState({ notices: [] }));

describe('a change', () => {
  test('within the bounds goes through', () => {
    const state = stateOf(paragraph('low'));
    expect(state.apply(state.tr.insertText(' at nine', 4)).doc.textContent).toBe('low at nine');
    expect(words()).toEqual([]);
  });

  test.each<[string, (state: EditorState) => Transaction, RegExp]>([
    [
      'a line that is too long',
      ({ tr }) => tr.insertText('x'.repeat(BOUNDS.line), 2),
      /at most 100,000 signs/,
    ],
    ['a sign that no file can carry', ({ tr }) => tr.insertText('\u0002', 2), /U\+0002/],
    ['too many marks on one letter', ({ tr }) => tr.insertText('\u0301'.repeat(40), 2), /combining marks/],
  ])('to %s is refused, and the text stays', (_name, change, why) => {
    const state = stateOf(paragraph('low'));
    expect(state.apply(change(state)).doc).toBe(state.doc);
    expect(words().join()).toMatch(why);
  });

  test('that nests too deep is refused, with the key that makes a quotation', () => {
    let state = stateOf(paragraph('low'));
    for (let count = 0; count < 14; count++)
      wrapIn(schema.nodes.quotation)(state, (one) => (state = state.apply(one)));
    let depth = 0;
    for (
      let node: Node | null = state.doc.firstChild;
      node?.type.name === 'quotation';
      node = node.firstChild
    )
      depth++;
    expect(depth).toBe(BOUNDS.containers);
    expect(words().join()).toContain(`nest at most ${BOUNDS.containers} deep`);
  });

  test('of another hand goes through, and so does one to a text from before a bound was drawn', () => {
    const state = stateOf(paragraph('low'));
    const other = state.tr.insertText('\u0002', 2).setMeta('rebased', 0);
    const next = state.apply(other);
    expect(next.doc.textContent).toBe('l\u0002ow');
    expect(next.apply(next.tr.insertText('!', 3)).doc.textContent).toBe('l\u0002!ow');
  });
});
