import { expect, test } from '@jest/globals';
import { bookOf, heading, paragraph } from '../../testing/books.js';
import { whereShapeless } from './shapeless.js';

test('signs without a shape are told once each, with the words around and what has fonts for them', () => {
  const book = bookOf(
    [heading(1, 'One'), paragraph('The lamp is called 灯 in the east, and 灯 again.')],
    [heading(1, 'Two'), paragraph('A face: 🙂. ', 'Made up: \u{ff000}. Joined: \u200d.')],
  );
  expect(whereShapeless(book, new Set(['灯', '🙂', '\u{ff000}', '\u200d', 'Ω']))).toEqual([
    {
      sign: '灯',
      chapter: 'Chapter 1',
      words: 'The lamp is called 灯 in the east, and 灯 …',
      fonts: 'fonts-noto-cjk',
    },
    {
      sign: '🙂',
      chapter: 'Chapter 2',
      words: 'A face: 🙂. Made up: \u{ff000}. Joined: …',
      fonts: 'fonts-noto-color-emoji',
    },
    {
      sign: '\u{ff000}',
      chapter: 'Chapter 2',
      words: 'A face: 🙂. Made up: \u{ff000}. Joined: \u200d.',
      fonts: '',
    },
    { sign: 'Ω', chapter: '', words: '', fonts: 'fonts-noto-core' },
  ]);
});
