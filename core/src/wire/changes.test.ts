import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { teller, withChanges } from './index.js';

const lists = fc
  .uniqueArray(fc.tuple(fc.constantFrom('a', 'b', 'c', 'd'), fc.record({ at: fc.nat(2) })), {
    selector: ([key]) => key,
  })
  .map((entries) => new Map(entries));

test('who takes in what is told has every list as it is, in its order', () => {
  fc.assert(
    fc.property(fc.array(lists, { maxLength: 8 }), (all) => {
      const tell = teller<{ at: number }>();
      let known: ReadonlyMap<string, { at: number }> = new Map();
      for (const list of all) {
        known = withChanges(known, tell(list));
        expect([...known]).toEqual([...list]);
      }
    }),
  );
});

test('what has not changed stays the very same', () => {
  const tell = teller<{ at: number }>();
  const first = withChanges(
    new Map(),
    tell(
      new Map([
        ['a', { at: 1 }],
        ['b', { at: 2 }],
      ]),
    ),
  );
  const moved = new Map([
    ['a', { at: 1 }],
    ['b', { at: 3 }],
  ]);
  const second = withChanges(first, tell(moved));
  expect(second.get('a')).toBe(first.get('a'));
  expect(second.get('b')).toEqual({ at: 3 });
  expect(withChanges(second, tell(new Map(moved)))).toBe(second);
});
