import { describe, expect, jest, test } from '@jest/globals';
import type { Manuscript, VersionedChapter } from '@vennet/core/wire';
import { schema } from '@vennet/core/manuscript';
import type { KeptSteps } from './kept-steps.js';
import type { Copies, LocalCopy } from './local-copies.js';
import type { Texts } from './texts.js';
import { createOpening } from './opening.js';
import { createBookStore } from './store.js';

const chapter = (id: string, words: string, version = 1): VersionedChapter => ({
  id,
  title: id,
  matter: 'main',
  leftOutOf: [],
  version,
  doc: { words },
});
const book = (id: string, ...chapters: VersionedChapter[]) =>
  ({ id, chapters, files: [], books: [] }) as unknown as Manuscript;

const typed = (words: string) =>
  schema.node('doc', null, [schema.node('paragraph', null, [schema.text(words)])]).toJSON() as object;

function opening(
  read: (id: string) => Promise<Manuscript>,
  { kept = [], left = [] }: { kept?: [string, LocalCopy][]; left?: KeptSteps[] } = {},
) {
  const store = createBookStore();
  const copied = new Map(kept);
  const copies = {
    keep: async (chapter: string, copy: LocalCopy) => void copied.set(chapter, copy),
    drop: jest.fn<Copies['drop']>(async (chapter) => void copied.delete(chapter)),
    of: async () => new Map(copied),
  };
  const audit = { tell: jest.fn(), nextNews: async () => {}, forget: jest.fn() };
  const texts = {
    merged: async (one: VersionedChapter) => one,
    adopt: jest.fn<Texts['adopt']>(async () => true),
    replace: jest.fn<Texts['replace']>(),
  };
  const steps = {
    takeLeft: async (_chapters: readonly string[], take: (one: KeptSteps) => Promise<void>) => {
      for (const one of left) await take(one);
    },
  };
  return {
    store,
    copies,
    copied,
    audit,
    texts,
    open: createOpening({ store, audit, texts, kept: steps, copies, read }),
  };
}
const leftBehind = (doc: object): KeptSteps => ({
  window: 'closed',
  chapter: 'c',
  version: 1,
  schema: 1,
  batch: null,
  steps: [],
  doc,
  at: '',
});

describe('opening a book', () => {
  test('goes on with the steps that a closed window has left behind', async () => {
    const steps = leftBehind(typed('mine'));
    const { open, texts, store } = opening(async () => book('b', chapter('c', 'old')), { left: [steps] });
    await open('b');
    await open('b');
    expect(texts.adopt.mock.calls).toEqual([[steps]]);
    expect(store.getState().conflicts.size).toBe(0);
  });

  test('shows both texts where such steps can’t be made any more', async () => {
    const theirs = chapter('c', 'theirs', 3);
    const { open, texts, store, copied } = opening(async () => book('b', theirs), {
      left: [leftBehind(typed('mine'))],
    });
    texts.adopt.mockResolvedValue(false);
    await open('b');
    expect(store.getState().conflicts.get('c')).toEqual({ mine: typed('mine'), theirs });
    // They are kept until the author has chosen.
    expect(copied.get('c')?.doc).toEqual(typed('mine'));
  });

  test('is open though the server is gone when it comes to what was left behind', async () => {
    const { open, texts, store } = opening(async () => book('b', chapter('c', 'old')), {
      left: [leftBehind(typed('mine'))],
    });
    texts.adopt.mockRejectedValue(new Error('away'));
    await open('b');
    expect(store.getState().book?.id).toBe('b');
  });

  test('takes whole texts that an earlier Vennet kept: as a change, or to choose between', async () => {
    const { open, texts, store, copies } = opening(
      async () => book('b', chapter('c', 'old'), chapter('d', 'theirs', 3), chapter('e', 'same', 3)),
      {
        kept: [
          ['c', { doc: typed('mine'), version: 1, at: '' }],
          ['d', { doc: typed('mine'), version: 2, at: '' }],
          ['e', { doc: { words: 'same' }, version: 2, at: '' }],
        ],
      },
    );
    await open('b');
    expect(texts.replace.mock.calls.map(([id, doc]) => [id, doc.toJSON()])).toEqual([['c', typed('mine')]]);
    expect([...store.getState().conflicts.keys()]).toEqual(['d']);
    // Of what is still to be chosen about, nothing is let go.
    expect(copies.drop.mock.calls).toEqual([['c'], ['e']]);
  });

  test('of two that are asked for shows the later one, whichever comes first', async () => {
    const answers = new Map<string, (book: Manuscript) => void>();
    const { store, open } = opening((id) => new Promise((resolve) => answers.set(id, resolve)));
    const [first, second] = [open('one'), open('two')];
    answers.get('two')!(book('two', chapter('c', 'two')));
    await second;
    answers.get('one')!(book('one', chapter('c', 'one')));
    await first;
    expect(store.getState().book?.id).toBe('two');
  });

  test('that is asked for twice is there for both, once the later answer has come', async () => {
    const answers: ((book: Manuscript) => void)[] = [];
    const { store, open } = opening(() => new Promise((resolve) => answers.push(resolve)));
    let isThere = false;
    const first = open('b').then(() => (isThere = true));
    const second = open('b');
    answers[0]!(book('b', chapter('c', 'old')));
    await new Promise((resolve) => setTimeout(resolve));
    expect(isThere).toBe(false);
    answers[1]!(book('b', chapter('c', 'new'), chapter('d', 'fresh')));
    await Promise.all([first, second]);
    expect(store.getState().book?.chapters).toHaveLength(2);
  });

  test('lets go of the book that was open when another one is opened', async () => {
    const { open, audit } = opening(async (id) => book(id, chapter('c', id)));
    await open('one');
    await open('one');
    expect(audit.forget).toHaveBeenCalledTimes(1);
    await open('two');
    expect(audit.forget).toHaveBeenCalledTimes(2);
  });
});
