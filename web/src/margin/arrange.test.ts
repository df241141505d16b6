import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arrange, GAP, SLIP, topOfOpen } from './arrange.js';

const STEP = SLIP + GAP;

describe('closed slips', () => {
  test('stand beside their lines where there is room', () => {
    expect(arrange([0, 100, 300], null)).toEqual([0, 100, 300]);
  });

  test('on one line stand one below the other', () => {
    expect(arrange([10, 10, 12, 200], null)).toEqual([10, 10 + STEP, 10 + 2 * STEP, 200]);
  });

  test('keep clear of the open one: those of lines above stand over it, the others under it', () => {
    const open = { line: 100, top: 90, height: 200 };
    expect(arrange([95, 120, 400], open)).toEqual([90 - GAP - SLIP, 290 + GAP, 400]);
  });

  const lines = fc.array(fc.nat(2000), { maxLength: 40 }).map((all) => all.sort((one, other) => one - other));
  const open = fc.option(fc.record({ line: fc.nat(2000), top: fc.nat(2000), height: fc.nat(600) }));

  test('never lie on each other, nor on the open one, and keep their order', () => {
    fc.assert(
      fc.property(lines, open, (all, shown) => {
        const tops = arrange(all, shown);
        expect(tops).toHaveLength(all.length);
        tops.forEach((top, index) => {
          if (index > 0) expect(top - tops[index - 1]!).toBeGreaterThanOrEqual(STEP);
          if (shown) expect(top + SLIP <= shown.top || top >= shown.top + shown.height).toBe(true);
        });
      }),
    );
  });
});

describe('the open slip', () => {
  test('stands beside its line, or as far above as it must to be seen whole', () => {
    expect(topOfOpen({ line: 100, bottom: 800, height: 300 })).toBe(90);
    expect(topOfOpen({ line: 700, bottom: 800, height: 300 })).toBe(800 - 300 - 2 * GAP);
    expect(topOfOpen({ line: 5, bottom: 800, height: 300 })).toBe(0);
  });
});
