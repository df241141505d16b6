import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { ApiError, UnreachableError } from '@vennet/client';
import { schema } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import type { ChapterSave, ChapterSaved, Manuscript, VersionedChapter } from '@vennet/core/wire';
import type { Copies, LocalCopy } from './local-copies.js';
import { beingFilledIn } from './open-slips.js';
import { createSaver } from './saver.js';
import { createBookStore } from './store.js';

const saying = (words: string) =>
  schema.node('doc', null, [schema.node('paragraph', null, words === '' ? [] : [schema.text(words)])]);
const json = (words: string) => saying(words).toJSON() as object;
const chapter = (words: string, version = 1): VersionedChapter => ({
  id: 'c',
  title: 'One',
  matter: 'main',
  leftOutOf: [],
  version,
  doc: json(words),
});

function started() {
  const store = createBookStore();
  store.getState().take({ chapters: [chapter('')] } as unknown as Manuscript, NO_SURROUNDINGS, new Map());
  const kept = new Map<string, LocalCopy>();
  const copies: Copies = {
    keep: async (id, copy) => void kept.set(id, copy),
    keepNow: (id, copy) => void kept.set(id, copy),
    drop: async (id) => void kept.delete(id),
    of: async () => kept,
  };
  const notices = { tell: jest.fn(), announce: jest.fn() };
  const save = jest.fn<(id: string, text: ChapterSave) => Promise<ChapterSaved>>();
  save.mockImplementation(async (id, { version }) => ({ id, version: version + 1, title: 'One' }));
  const saver = createSaver({ store, copies, notices, save });
  const state = () => saver.state.getState().state;
  return { store, kept, notices, save, saver, state };
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('what is typed', () => {
  test('is kept in the browser after a moment, sent after a pause, and let go when it is stored', async () => {
    const { saver, kept, save, state, store } = started();
    saver.edited('c', saying('a'));
    saver.edited('c', saying('ab'));
    expect([state(), kept.size]).toEqual(['unsaved', 0]);
    await jest.advanceTimersByTimeAsync(200);
    expect(kept.get('c')).toMatchObject({ doc: json('ab'), version: 1 });
    expect(save).not.toHaveBeenCalled();
    await jest.advanceTimersByTimeAsync(800);
    expect(save.mock.calls).toEqual([['c', { version: 1, doc: json('ab') }]]);
    expect([state(), kept.size]).toEqual(['saved', 0]);
    expect(store.getState().book?.chapters[0]?.version).toBe(2);
  });

  test('while a save is under way goes with the next one, on the version that it made', async () => {
    const { saver, save, state } = started();
    let answer: (saved: ChapterSaved) => void = () => {};
    save.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    saver.edited('c', saying('a'));
    await jest.advanceTimersByTimeAsync(1000);
    saver.edited('c', saying('ab'));
    await jest.advanceTimersByTimeAsync(1000);
    expect(save).toHaveBeenCalledTimes(1);
    answer({ id: 'c', version: 2, title: 'One' });
    await jest.advanceTimersByTimeAsync(1000);
    expect(save.mock.calls[1]).toEqual(['c', { version: 2, doc: json('ab') }]);
    expect(state()).toBe('saved');
  });

  test('waits and is tried again while the server does not answer', async () => {
    const { saver, save, state, kept, notices } = started();
    save.mockRejectedValueOnce(new UnreachableError());
    saver.edited('c', saying('a'));
    await jest.advanceTimersByTimeAsync(1000);
    expect([state(), kept.size]).toEqual(['unreachable', 1]);
    expect(notices.announce).toHaveBeenCalledWith(expect.stringContaining('kept in this browser'));
    await jest.advanceTimersByTimeAsync(2500);
    expect([state(), kept.size]).toEqual(['saved', 0]);
  });

  const stale = (current: VersionedChapter) =>
    new ApiError({ type: '', title: '', status: 409, detail: 'Changed elsewhere.', current });

  test('on a text that was changed elsewhere is not sent over it: both are kept', async () => {
    const { saver, save, state, store, kept } = started();
    save.mockRejectedValueOnce(stale(chapter('theirs', 5)));
    saver.edited('c', saying('mine'));
    await jest.advanceTimersByTimeAsync(1000);
    expect(state()).toBe('conflict');
    expect(store.getState().conflicts.get('c')).toEqual({ mine: json('mine'), theirs: chapter('theirs', 5) });
    expect(kept.size).toBe(1);
    await saver.saveAll();
    expect(save).toHaveBeenCalledTimes(1);
  });

  test('that was stored although the answer was lost is no conflict', async () => {
    const { saver, save, state, store, kept } = started();
    save.mockRejectedValueOnce(stale(chapter('mine', 2)));
    saver.edited('c', saying('mine'));
    await jest.advanceTimersByTimeAsync(1000);
    expect([state(), kept.size, store.getState().conflicts.size]).toEqual(['saved', 0, 0]);
  });

  test('that is refused stays in the browser, and its author is told why', async () => {
    const { saver, save, state, kept, notices } = started();
    save.mockRejectedValueOnce(new ApiError({ type: '', title: '', status: 422, detail: 'Not so.' }));
    saver.edited('c', saying('a'));
    await jest.advanceTimersByTimeAsync(1000);
    expect([state(), kept.size]).toEqual(['refused', 1]);
    expect(notices.tell.mock.calls[0]![0]).toBe('Not so. Your text is kept in this browser.');
  });

  test('is sent at once where everything has to be there, with what is being filled in beside the text', async () => {
    const { saver, save, state } = started();
    const done = beingFilledIn(() => saver.edited('c', saying('accepted')));
    await saver.saveAll();
    done();
    expect(save.mock.calls[0]![1].doc).toEqual(json('accepted'));
    expect(state()).toBe('saved');
  });

  test('in the last moment is kept when the page goes away', () => {
    const { saver, kept } = started();
    saver.edited('c', saying('last'));
    saver.keepLast();
    expect(kept.get('c')?.doc).toEqual(json('last'));
  });
});
