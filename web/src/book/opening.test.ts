import { describe, expect, jest, test } from '@jest/globals';
import type { Manuscript, VersionedChapter } from '@vennet/core/wire';
import type { Copies, LocalCopy } from './local-copies.js';
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

function opening(read: (id: string) => Promise<Manuscript>, kept: [string, LocalCopy][] = []) {
  const store = createBookStore();
  const copies: Copies = {
    keep: async () => {},
    keepNow: () => {},
    drop: jest.fn<Copies['drop']>(async () => {}),
    of: async () => new Map(kept),
  };
  const audit = { tell: jest.fn(), nextNews: async () => {}, forget: jest.fn() };
  const unsent = jest.fn();
  return { store, copies, audit, unsent, open: createOpening({ store, audit, copies, read, unsent }) };
}

describe('opening a book', () => {
  test('takes text that was not acknowledged from this browser, and has it saved', async () => {
    const { store, open, unsent, copies } = opening(
      async () => book('b', chapter('c', 'old'), chapter('d', 'same')),
      [
        ['c', { doc: { words: 'typed' }, version: 1, at: '' }],
        ['d', { doc: { words: 'same' }, version: 1, at: '' }],
      ],
    );
    await open('b');
    expect(store.getState().book?.chapters.map(({ doc }) => doc)).toEqual([
      { words: 'typed' },
      { words: 'same' },
    ]);
    expect(unsent.mock.calls.map(([one]) => (one as VersionedChapter).id)).toEqual(['c']);
    // What was stored already needs no copy any more.
    expect(copies.drop).toHaveBeenCalledWith('d');
  });

  test('keeps both texts where the server has a newer one', async () => {
    const theirs = chapter('c', 'theirs', 3);
    const { store, open, unsent } = opening(
      async () => book('b', theirs),
      [['c', { doc: { words: 'mine' }, version: 2, at: '' }]],
    );
    await open('b');
    expect(store.getState().conflicts.get('c')).toEqual({ mine: { words: 'mine' }, theirs });
    expect(unsent).not.toHaveBeenCalled();
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

  test('lets go of the book that was open; one that comes anew counts as loaded again', async () => {
    const { store, open, audit } = opening(async (id) => book(id, chapter('c', id)));
    await open('one');
    const { loads } = store.getState();
    await open('one');
    expect(store.getState().loads).toBe(loads + 1);
    expect(audit.forget).toHaveBeenCalledTimes(1);
    await open('two');
    expect(audit.forget).toHaveBeenCalledTimes(2);
  });
});
