import { expect, test } from '@jest/globals';
import { DEFAULT_LOOK, faultInLook, FRAME_LINES, schema, underlineOf, UNDERLINES, WEIGHTS } from './index.js';
import { faultInFrame } from './look.js';

test('a look is taken with each of its choices, and refused with any other', () => {
  for (const underline of UNDERLINES) expect(faultInLook({ ...DEFAULT_LOOK, underline })).toBeNull();
  for (const weight of WEIGHTS) expect(faultInLook({ ...DEFAULT_LOOK, weight })).toBeNull();
  expect([UNDERLINES, WEIGHTS, FRAME_LINES]).toEqual([
    ['solid', 'dotted', 'none'],
    ['regular', 'strong'],
    ['solid', 'dashed', 'dotted'],
  ]);
  const wrong: [object | null, RegExp][] = [
    [null, /object/],
    [{ ...DEFAULT_LOOK, light: 'red' }, /#rrggbb/],
    [{ ...DEFAULT_LOOK, dark: '#12345' }, /#rrggbb/],
    [{ ...DEFAULT_LOOK, underline: 'wavy' }, /underline/],
    [{ ...DEFAULT_LOOK, weight: 'bold' }, /weight/],
    [{ ...DEFAULT_LOOK, size: 3 }, /size/],
  ];
  for (const [look, words] of wrong) expect(faultInLook(look)).toMatch(words);
  expect(UNDERLINES.map((underline) => underlineOf({ ...DEFAULT_LOOK, underline }))).toEqual([
    'underline solid',
    'underline dotted',
    'none',
  ]);
});

test('a frame is at most 8 points wide, of a line that can be drawn', () => {
  const frame = { line: 'solid', width: 8, colour: '#000000' };
  for (const line of FRAME_LINES) expect(faultInFrame({ ...frame, line })).toBeNull();
  expect(faultInFrame({ ...frame, width: 0.1 })).toBeNull();
  for (const width of [0, 8.1, -1, 'x', Number.NaN])
    expect(faultInFrame({ ...frame, width })).toMatch(/points/);
  expect(faultInFrame({ ...frame, line: 'double' })).toMatch(/line/);
  expect(faultInFrame({ ...frame, colour: 'black' })).toMatch(/#rrggbb/);
  expect(faultInFrame(null)).toMatch(/object/);
});

test('a picture is 5 to 100 percent as wide as the text, or as wide as it is', () => {
  const figure = (width: unknown) => () => schema.node('figure', { enclosure: 'e', width }).check();
  for (const width of [5, 100, 37.5, null]) expect(figure(width)).not.toThrow();
  for (const width of [4.9, 100.1, '50', Number.NaN]) expect(figure(width)).toThrow(/5 to 100/);
});
