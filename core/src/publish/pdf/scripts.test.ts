import { expect, test } from '@jest/globals';
import { bookOf, heading, paragraph } from '../../testing/books.js';
import { scriptFonts, scriptOf } from './scripts.js';

test.each([
  ['a', 'Latin'],
  ['λ', 'Greek'],
  ['ع', 'Arabic'],
  ['灯', 'Chinese and Japanese'],
  ['ꓐ', 'Other letters'],
  ['7', null],
  ['–', null],
  [' ', null],
])('%s is of the script %s', (sign, script) => expect(scriptOf(sign)).toBe(script));

test('each script of a book is told with its fonts, and what is missing with where it is to be had', () => {
  const book = bookOf([heading(1, 'Lamp'), paragraph('λύχνος 灯台')]);
  const used = new Map([
    // Two parts of one family are one font.
    [
      'Latin',
      new Map([
        ['A-Regular', 4],
        ['B', 5],
        ['A-Bold', 2],
      ]),
    ],
    ['Greek', new Map([['A-Regular', 6]])],
    ['Chinese and Japanese', new Map([['A-Regular', 2]])],
  ]);
  const fonts = scriptFonts(book, used, new Set('灯台'), (name) => ({
    family: name.replace(/-.*/, ''),
    from: 'shipped',
  }));
  const told = Object.fromEntries(
    fonts.map(({ script, fonts: all, missing, debian }) => [
      script,
      [all.map(({ family }) => family), missing, debian],
    ]),
  );
  expect(told).toEqual({
    Latin: [['A', 'B'], 0, ''],
    Greek: [['A'], 0, ''],
    'Chinese and Japanese': [[], 2, 'fonts-noto-cjk'],
  });
});
