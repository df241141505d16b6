import { beforeEach, describe, expect, test } from '@jest/globals';
import { schema } from '@vennet/core/manuscript';
import { history, redo, undo } from 'prosemirror-history';
import { EditorState, type Transaction } from 'prosemirror-state';
import { Step } from 'prosemirror-transform';
import { keptDrafts } from '../plugins/kept-drafts.js';
import { DraftStep, keepDraft, keptIn, takeUpDraft, type Draft } from './kept-drafts.js';

const doc = schema.node('doc', null, [schema.node('paragraph', null, [schema.text('the tide tables')])]);
const DRAFT: Draft = { id: 'd', from: 5, to: 9, what: 'link', values: { to: 'half' } };
const store = new Map<string, string>();
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  },
});
beforeEach(() => store.clear());

let state: EditorState;
const dispatch = (transaction: Transaction) => void (state = state.apply(transaction));
const words = () => keptIn(state).map(({ from, to }) => state.doc.textBetween(from, to));
beforeEach(() => {
  state = EditorState.create({ doc, plugins: [history(), keptDrafts('c')] });
});

describe('a draft that was left half-made', () => {
  test('stays with its words, and leaves the text as it is', () => {
    dispatch(keepDraft(state.tr, DRAFT));
    expect(state.doc).toBe(doc);
    dispatch(state.tr.insertText('see ', 1));
    expect(words()).toEqual(['tide']);
    dispatch(state.tr.delete(9, 13));
    expect(keptIn(state)).toMatchObject([{ from: 9, to: 9, values: { to: 'half' } }]);
  });

  test('is undone and done again in its turn', () => {
    dispatch(state.tr.insertText('x', 1));
    dispatch(
      keepDraft(state.tr, { ...DRAFT, from: 6, to: 10 })
        .setMeta('addToHistory', true)
        .setTime(10_000),
    );
    dispatch(state.tr.insertText('y', 1).setTime(20_000));
    undo(state, dispatch);
    expect([state.doc.textContent, words()]).toEqual(['xthe tide tables', ['tide']]);
    undo(state, dispatch);
    expect([state.doc.textContent, words()]).toEqual(['xthe tide tables', []]);
    redo(state, dispatch);
    expect(words()).toEqual(['tide']);
    dispatch(takeUpDraft(state.tr, keptIn(state)[0]!).setTime(30_000));
    expect(words()).toEqual([]);
    undo(state, dispatch);
    expect(words()).toEqual(['tide']);
  });

  test('is found again by its words in a text that was changed elsewhere', () => {
    store.set('vennet.drafts:c', JSON.stringify([{ ...DRAFT, words: 'tide' }]));
    const text = 'low water, the tide tables, and tide';
    const other = schema.node('doc', null, [schema.node('paragraph', null, [schema.text(text)])]);
    state = EditorState.create({ doc: other, plugins: [keptDrafts('c')] });
    expect(words()).toEqual(['tide']);
    expect(keptIn(state)[0]!.from).toBe(text.indexOf('tide') + 1);
    const without = schema.node('doc', null, [schema.node('paragraph', null, [schema.text('no')])]);
    state = EditorState.create({ doc: without, plugins: [keptDrafts('c')] });
    expect(keptIn(state)).toMatchObject([{ from: 3, to: 3, values: { to: 'half' } }]);
  });

  test('is a step like every other: it can be written down and read', () => {
    const step = new DraftStep(DRAFT, true);
    const read = Step.fromJSON(schema, JSON.parse(JSON.stringify(step.toJSON())) as object);
    expect(read).toEqual(step);
    expect(step.invert().invert()).toEqual(step);
  });
});
