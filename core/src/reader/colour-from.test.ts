import { expect, test } from '@jest/globals';
import { colourFrom } from './index.js';

// CSS Color Module Level 4: 5.2 (hex), 6.1 (names), 5.1 (rgb).
test.each([
  ['teal', '#008080'],
  ['RebeccaPurple', '#663399'],
  ['#abc', '#aabbcc'],
  ['#0B5A6B', '#0b5a6b'],
  ['rgb(255 0 0)', '#ff0000'],
  [' navy ', '#000080'],
  ['sea blue', null],
  ['#12', null],
  ['transparent', null],
  ['', null],
])('%s', (words, colour) => expect(colourFrom(words)).toBe(colour));
