import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isChanged, slipReducer, type SlipAction, type SlipEffect, type SlipState } from './slip-reducer.js';

interface Values {
  to: string;
  note: string;
}

/** An address has a dot in it. */
const faultsIn = ({ to }: Values): (keyof Values)[] => (to.includes('.') ? [] : ['to']);
const THERE: SlipState<Values> = {
  stored: { to: 'a.example', note: '' },
  draft: { to: 'a.example', note: '' },
  isNew: false,
  isSettled: false,
};
const NEW: SlipState<Values> = {
  ...THERE,
  stored: { to: '', note: '' },
  draft: { to: '', note: '' },
  isNew: true,
};

/** What comes of several things that happen one after the other. */
function after(state: SlipState<Values>, ...actions: SlipAction<Values>[]) {
  const effects: SlipEffect<Values>[] = [];
  for (const action of actions) {
    const step = slipReducer(faultsIn, state, action);
    state = step.state;
    effects.push(...step.effects);
  }
  return { state, effects };
}

const change = (more: Partial<Values>): SlipAction<Values> => ({ does: 'change', more });
const ACCEPT: SlipAction<Values> = { does: 'accept' };
const LEAVE: SlipAction<Values> = { does: 'leave' };
const SET_BACK: SlipAction<Values> = { does: 'set-back' };

describe('the slip of something that is there', () => {
  test('writes what is accepted, once, and gives the caret back', () => {
    const now = { to: 'b.example', note: '' };
    expect(after(THERE, change({ to: 'b.example' }), ACCEPT, ACCEPT, LEAVE).effects).toEqual([
      { write: now, before: THERE.stored },
      'to-text',
      'to-text',
    ]);
  });

  test('takes what is picked and accepted in one press', () => {
    expect(after(THERE, { does: 'accept', more: { to: 'c.example' } }).effects[0]).toEqual({
      write: { to: 'c.example', note: '' },
      before: THERE.stored,
    });
  });

  test('does not accept what can’t be: the author is brought to it, and nothing typed is lost', () => {
    const { state, effects } = after(THERE, change({ to: 'nowhere', note: 'n' }), ACCEPT);
    expect(effects).toEqual([{ faults: ['to'] }]);
    expect(state.draft).toEqual({ to: 'nowhere', note: 'n' });
  });

  test('is set back and closed by Esc', () => {
    const { state, effects } = after(THERE, change({ to: 'b.example' }), SET_BACK);
    expect(effects).toEqual(['close', 'to-text']);
    expect(isChanged(state)).toBe(false);
  });

  test('when it is left, keeps what is valid and sets back what is not', () => {
    const { state, effects } = after(THERE, change({ to: 'nowhere', note: 'n' }), LEAVE);
    expect(effects).toEqual([{ write: { to: 'a.example', note: 'n' }, before: THERE.stored }]);
    expect(state.draft).toEqual({ to: 'a.example', note: 'n' });
    expect(after(THERE, LEAVE).effects).toEqual([]);
    expect(after(THERE, change({ to: 'nowhere' }), LEAVE).effects).toEqual([]);
  });

  test('keeps a choice at once, and what is typed beside it waits', () => {
    const { state, effects } = after(THERE, change({ note: 'n' }), {
      does: 'choose',
      more: { to: 'b.example' },
    });
    expect(effects).toEqual([{ write: { to: 'b.example', note: '' }, before: THERE.stored }]);
    expect(state.draft).toEqual({ to: 'b.example', note: 'n' });
    expect(isChanged(state)).toBe(true);
  });

  test('follows the text field by field: what the author has changed stays', () => {
    const { state } = after(THERE, change({ note: 'n' }), {
      does: 'follow',
      stored: { to: 'b.example', note: 'from elsewhere' },
    });
    expect(state).toMatchObject({
      draft: { to: 'b.example', note: 'n' },
      stored: { to: 'b.example', note: 'from elsewhere' },
    });
  });
});

describe('the slip of something new', () => {
  const whole = { to: 'a.example', note: '' };

  test('is made by accepting, and by going on elsewhere once it is whole', () => {
    expect(after(NEW, change({ to: 'a.example' }), ACCEPT, LEAVE).effects).toEqual([
      { write: whole, before: NEW.stored },
      'to-text',
    ]);
    expect(after(NEW, change({ to: 'a.example' }), LEAVE, LEAVE).effects).toEqual([
      { write: whole, before: NEW.stored },
    ]);
  });

  test('is put aside when it is left half-made, and let go when nothing was said of it', () => {
    const half = { to: 'somewhere', note: '' };
    expect(after(NEW, change({ to: 'somewhere' }), LEAVE).effects).toEqual([{ keep: half }]);
    expect(after(NEW, LEAVE).effects).toEqual(['drop']);
    expect(after({ ...NEW, draft: half }, LEAVE).effects).toEqual([{ keep: half }]);
  });

  test('is let go by Esc, whatever was said of it', () => {
    expect(after(NEW, change({ to: 'somewhere' }), SET_BACK, LEAVE).effects).toEqual(['drop', 'to-text']);
  });

  test('waits to be accepted with a choice and with a repair', () => {
    const { state, effects } = after(NEW, { does: 'choose', more: { to: 'a.example' } });
    expect([state.draft, effects]).toEqual([whole, []]);
  });
});

const words = fc.constantFrom('', 'nowhere', 'a.example', 'b.example');
const fields = fc.record({ to: words, note: words }, { requiredKeys: [] });
const actions = fc.array(
  fc.oneof(
    fields.map((more): SlipAction<Values> => ({ does: 'change', more })),
    fields.map((more): SlipAction<Values> => ({ does: 'choose', more })),
    fc.constantFrom(ACCEPT, LEAVE, SET_BACK),
    fc
      .record({ to: fc.constantFrom('a.example', 'c.example'), note: words })
      .map((stored): SlipAction<Values> => ({ does: 'follow', stored })),
  ),
);

describe('whatever happens to a slip', () => {
  test('something new is made, kept or let go at most once, and nothing comes after', () => {
    fc.assert(
      fc.property(actions, (all) => {
        const { effects } = after(NEW, ...all.filter(({ does }) => does !== 'follow'));
        const ends = effects.filter(
          (one) => one === 'drop' || (typeof one === 'object' && !('faults' in one)),
        );
        expect(ends.length).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('what is accepted or left is in the text, unless it can’t be', () => {
    fc.assert(
      fc.property(actions, fc.constantFrom(ACCEPT, LEAVE), (all, last) => {
        const { state } = after(THERE, ...all, last);
        const isRefused = last === ACCEPT && faultsIn(state.draft).length > 0;
        expect(isChanged(state)).toBe(isRefused ? isChanged(state) : false);
        if (last === LEAVE) expect(state.draft).toEqual(state.stored);
      }),
    );
  });
});
