import { describe, expect, test } from '@jest/globals';
import { directionOf, directionOfWords } from './index.js';

// Languages by their likely scripts (CLDR, likelySubtags), tags by their own.
test.each([
  ['ar', 'rtl'],
  ['he', 'rtl'],
  ['fa-IR', 'rtl'],
  ['ur', 'rtl'],
  ['yi', 'rtl'],
  ['az-Arab', 'rtl'],
  ['ar-Latn', 'ltr'],
  ['en', 'ltr'],
  ['ja', 'ltr'],
  ['und', 'ltr'],
  ['no tag', 'ltr'],
])('a book in %s runs %s', (tag, direction) => expect(directionOf(tag)).toBe(direction));

describe('the direction of words is that of their first letter (UAX #9, P2)', () => {
  test.each([
    ['lamp', 'ltr'],
    ['המנורה lamp', 'rtl'],
    ['12 (المنارة)', 'rtl'],
    ['灯台', 'ltr'],
    ['12, 13', null],
    ['', null],
  ])('%j: %s', (words, direction) => expect(directionOfWords(words)).toBe(direction));
});
