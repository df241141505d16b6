import { describe, expect, test } from '@jest/globals';
import Color from 'colorjs.io';
import fc from 'fast-check';
import { DEFAULT_LOOK } from '../manuscript/index.js';
import { contrast, contrastsOf } from './index.js';

describe('contrast (WCAG 2.2, relative luminance)', () => {
  // Known pairs, written from memory and confirmed by the reference library below.
  test.each([
    ['#000000', '#ffffff', 21],
    ['#767676', '#ffffff', 4.54],
    ['#777777', '#ffffff', 4.48],
    ['#949494', '#ffffff', 3.03],
    ['#ff0000', '#ffffff', 4.0],
    ['#0000ff', '#ffffff', 8.59],
  ])('%s on %s is %d to one', (one, other, ratio) => {
    expect(contrast(one, other)).toBeCloseTo(ratio, 2);
    expect(contrast(other, one)).toBe(contrast(one, other));
  });

  test('is what colorjs.io computes, for any two colours', () => {
    const colour = fc
      .integer({ min: 0, max: 0xffffff })
      .map((value) => `#${value.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(colour, colour, (one, other) => {
        expect(contrast(one, other)).toBeCloseTo(new Color(one).contrastWCAG21(other), 2);
      }),
    );
  });
});

describe('the look of links', () => {
  test('as it comes can be read on both pages and told from the words around', () => {
    expect(contrastsOf(DEFAULT_LOOK)).toMatchObject([
      { page: 'light', readable: true, told: true },
      { page: 'dark', readable: true, told: true },
    ]);
  });

  test('without an underline needs 3:1 against the words around (G183)', () => {
    const [light] = contrastsOf({ ...DEFAULT_LOOK, light: '#0b2a33', underline: 'none' });
    expect(light).toMatchObject({ readable: true, told: false });
    expect(contrastsOf({ ...DEFAULT_LOOK, light: '#c8c8c8' })[0]).toMatchObject({
      readable: false,
      told: true,
    });
  });
});
