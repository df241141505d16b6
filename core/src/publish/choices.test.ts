import { expect, test } from '@jest/globals';
import { DEFAULT_PDF, faultInPdfChoices, PAGE_SIZES, pageSize } from './choices.js';

test('pages have their sizes, and one of one’s own the one that is said', () => {
  // ISO 216 and ANSI Y14.1; trade sizes are common practice.
  expect(PAGE_SIZES.a4).toEqual({ width: 210, height: 297 });
  expect(PAGE_SIZES.letter.width / 25.4).toBeCloseTo(8.5, 6);
  expect(pageSize({ ...DEFAULT_PDF, page: '6x9' }).height / 25.4).toBeCloseTo(9, 6);
  expect(pageSize({ ...DEFAULT_PDF, page: 'own', width: 100, height: 150 })).toEqual({
    width: 100,
    height: 150,
  });
});

test('margins that leave no room, and heads without a margin, are told with what to do', () => {
  expect(faultInPdfChoices(DEFAULT_PDF)).toBeNull();
  expect(faultInPdfChoices({ ...DEFAULT_PDF, page: 'eink-6', inner: 40 })).toMatch(/leave 34 mm.*width/);
  expect(faultInPdfChoices({ ...DEFAULT_PDF, top: 80, bottom: 75 })).toMatch(/leave 55 mm.*height/);
  expect(faultInPdfChoices({ ...DEFAULT_PDF, top: 6, head: 'title' })).toMatch(/upper margin of 10 mm/);
  expect(faultInPdfChoices({ ...DEFAULT_PDF, bottom: 6 })).toMatch(/lower margin of 10 mm/);
});
