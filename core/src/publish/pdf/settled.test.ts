import { describe, expect, test } from '@jest/globals';
import { settled } from './settled.js';

const spot = (id: string) => ({ t: 'anchor', id });
const [a, b] = [spot('a'), spot('b')];

describe('a spot in a line', () => {
  test('stands behind the first sign of its words, with what is shaped with it', () => {
    expect(settled(['see ', a, 'wick'])).toEqual(['see ', 'w', a, 'ick']);
    expect(settled(['x', a, b, ' wick'])).toEqual(['x', ' w', a, b, 'ick']);
    expect(settled(['x', a, 'ffi'])).toEqual(['x', 'ffi', a]);
    expect(settled(['x', a, 'e\u0301tude'])).toEqual(['x', 'e\u0301', a, 'tude']);
    expect(settled(['x', a, '👩‍🚒 x'])).toEqual(['x', '👩‍🚒', a, ' x']);
  });

  test('stands behind a word whose letters join', () => {
    expect(settled(['x', a, 'منارة البحر'])).toEqual(['x', 'منارة', a, ' البحر']);
    expect(settled(['x', a, 'दीप है'])).toEqual(['x', 'दीप', a, ' है']);
  });

  test('stands within what is linked or emphasised, and behind what has no words', () => {
    const link = (c: (object | string)[]) => ({ t: 'link', c }) as never;
    expect(settled(['x', a, link(['wick'])])).toEqual(['x', link(['w', a, 'ick'])]);
    expect(settled(['x', a, ' ', { t: 'mark', number: '1' }, ' x'])).toEqual([
      'x',
      ' ',
      { t: 'mark', number: '1' },
      a,
      ' x',
    ]);
  });

  test('stays at the start of its block', () => {
    expect(settled([a, b, 'wick', a, 'x'])).toEqual([a, b, 'wick', 'x', a]);
    expect(settled([a])).toEqual([a]);
    expect(settled([a, 'wick'], false)).toEqual(['w', a, 'ick']);
  });

  test('stays at the end of its line', () => {
    expect(settled(['x', a, { t: 'br' }, 'y'])).toEqual(['x', a, { t: 'br' }, 'y']);
    expect(settled(['x', a])).toEqual(['x', a]);
  });
});
