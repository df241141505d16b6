import { expect, jest, test } from '@jest/globals';
import { createSlip } from './slip-machine.js';

const made = (stored: { words: string }) => {
  const write = jest.fn();
  const use = { stored, write, close: jest.fn(), toText: jest.fn() };
  return { slip: createSlip(use), use, write };
};

test('a slip does what follows at once, also when one thing leads to the next', () => {
  const { slip, use, write } = made({ words: 'a' });
  // The caret that is given back to the text leaves the slip: nothing is written twice.
  slip.use({ ...use, toText: () => slip.act({ does: 'leave' }) });
  slip.act({ does: 'change', more: { words: 'b' } });
  slip.act({ does: 'accept' });
  expect(write.mock.calls).toEqual([[{ words: 'b' }, { words: 'a' }]]);
});

test('a slip is not set back by a text that was drawn before its own words came into it', () => {
  const { slip, use } = made({ words: 'a' });
  slip.act({ does: 'choose', more: { words: 'b' } });
  slip.use({ ...use, stored: { words: 'a' } });
  expect(slip.state().draft).toEqual({ words: 'b' });
  slip.use({ ...use, stored: { words: 'b' } });
  slip.use({ ...use, stored: { words: 'undone' } });
  expect(slip.state()).toMatchObject({ draft: { words: 'undone' }, stored: { words: 'undone' } });
});

test('whoever shows a slip hears of every change', () => {
  const { slip } = made({ words: 'a' });
  const changed = jest.fn();
  const leave = slip.subscribe(changed);
  slip.act({ does: 'change', more: { words: 'b' } });
  leave();
  slip.act({ does: 'change', more: { words: 'c' } });
  expect(changed).toHaveBeenCalledTimes(1);
});
