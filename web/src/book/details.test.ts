import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { UnreachableError } from '@vennet/client';
import type { BookChanges, Manuscript } from '@vennet/core/wire';
import { createDetails } from './details.js';
import { createBookStore } from './store.js';

const book = {
  id: 'b',
  title: 'Tides',
  subtitle: '',
  chapters: [],
  files: [],
  books: [],
} as unknown as Manuscript;

function started(
  changeBook: (id: string, changes: BookChanges) => Promise<unknown>,
  kept = new Map<string, string>(),
) {
  const store = createBookStore();
  store.setState({ book });
  const fault = jest.fn();
  const details = createDetails({
    store,
    api: { changeBook: changeBook as never },
    kept: {
      getItem: (key) => kept.get(key) ?? null,
      setItem: (key, value) => void kept.set(key, value),
      removeItem: (key) => void kept.delete(key),
    },
    fault,
  });
  return { store, details, kept, fault };
}

// A server that is away is asked again and again.
beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('what is said of a book', () => {
  test('shows at once, goes together, and is kept no longer than until the server has it', async () => {
    const sent: BookChanges[] = [];
    const { store, details, kept } = started(async (_id, changes) => void sent.push(changes));
    details.change({ title: 'Ebb', publication: { publisher: 'One' } });
    details.change({ subtitle: 'A start', publication: { rights: 'Mine' } });
    expect(store.getState().book).toMatchObject({
      title: 'Ebb',
      subtitle: 'A start',
      publication: { publisher: 'One', rights: 'Mine' },
    });
    expect(kept.size).toBe(1);
    await details.settled();
    expect(sent).toEqual([
      { title: 'Ebb', subtitle: 'A start', publication: { publisher: 'One', rights: 'Mine' } },
    ]);
    expect([kept.size, details.state.getState().state]).toEqual([0, 'kept']);
  });

  test('waits in the browser while the server is away, and is sent by a later page', async () => {
    const first = started(() => Promise.reject(new UnreachableError()));
    first.details.change({ title: 'Ebb' });
    await first.details.settled();
    expect(first.details.state.getState().state).toBe('unreachable');
    const sent: BookChanges[] = [];
    const later = started(async (_id, changes) => void sent.push(changes), first.kept);
    later.details.goOn();
    expect(later.store.getState().book?.title).toBe('Ebb');
    await later.details.settled();
    expect([sent, later.kept.size]).toEqual([[{ title: 'Ebb' }], 0]);
  });

  test('that is refused is told, and does not stand in the way of what comes next', async () => {
    const { details, fault, kept } = started(() => Promise.reject(new Error('No title')));
    details.change({ title: '' });
    await details.settled();
    expect(fault).toHaveBeenCalledTimes(1);
    expect([kept.size, details.state.getState().state]).toEqual([0, 'kept']);
  });
});
