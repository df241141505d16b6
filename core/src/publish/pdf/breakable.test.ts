import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { breakable } from './breakable.js';
import { DEFAULT_PDF } from '../choices.js';
import { fitOf, sheetOf, SIGN } from './table-fit.js';

const SHEET = sheetOf(DEFAULT_PDF);

/** Where a line may break is shown as `|`. */
const shown = (text: string, most: number) => breakable(text, most).replaceAll('\u200b', '|');

describe('room to break', () => {
  test.each([
    ['a lamp at sea', 6, 'a lamp at sea'],
    ['lighthousekeepers', 8, 'ligh|thou|seke|eper|s'],
    ['lamp.example/tides/may', 12, 'lamp.|exampl|e/|tides/|may'],
    ['x1y2z3x1y2z3', 6, 'x1y|2z3|x1y|2z3'],
    ['one\u00a0two\u00a0three', 6, 'one two thr|ee'],
    ['灯台の光は夜を照らす', 4, '灯台の光は夜を照らす'],
    // A mark stays with its letter.
    ['e\u0301e\u0301e\u0301e\u0301', 2, 'e\u0301|e\u0301|e\u0301|e\u0301'],
  ])('in %j, at most %i signs without: %s', (text, most, wanted) => {
    expect(shown(text, most).replaceAll('\u00a0', '·')).toBe(wanted);
  });

  test('changes nothing that is read', () => {
    const read = (text: string) => text.replace(/[\u200b\u00ad]/g, '').replace(/\s/g, ' ');
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme', maxLength: 80 }),
        fc.integer({ min: 2, max: 40 }),
        (text, most) => {
          expect(read(breakable(text, most))).toBe(read(text));
        },
      ),
    );
  });
});

describe('the fit of a table', () => {
  const columns = (count: number, word: number, cell = word) =>
    Array.from({ length: count }, () => ({ word, cell }));
  test('is upright and of the usual size where its words fit', () => {
    expect(fitOf(columns(3, 10), SHEET.width, true, SHEET)).toMatchObject({ size: 9.5, turned: false });
  });
  test('shrinks before it turns, and turns only where it may', () => {
    expect(fitOf(columns(5, 11), SHEET.width, true, SHEET)).toMatchObject({ size: 7.5, turned: false });
    expect(fitOf(columns(8, 14), SHEET.width, true, SHEET)).toMatchObject({ turned: true });
    expect(fitOf(columns(8, 14), SHEET.width, false, SHEET)).toMatchObject({ size: 6.5, turned: false });
  });
  test('gives more to columns that hold more', () => {
    const { shares } = fitOf(
      [
        { word: 3, cell: 4 },
        { word: 9, cell: 200 },
      ],
      SHEET.width,
      true,
      SHEET,
    );
    expect(shares[1]).toBeGreaterThan(3 * shares[0]!);
  });
  test('lies within its width, and each column has room for a sign', () => {
    const need = fc.record({ word: fc.nat(60), cell: fc.nat(2_000) });
    fc.assert(
      fc.property(fc.array(need, { minLength: 1, maxLength: 60 }), fc.boolean(), (needs, mayTurn) => {
        const { widths, size, inset, turned } = fitOf(needs, SHEET.width, mayTurn, SHEET);
        expect(widths.every((width) => width >= SIGN * size)).toBe(true);
        expect(2 * inset * needs.length).toBeLessThan((turned ? SHEET.turned : SHEET.width) / 2);
      }),
    );
  });
});
