import { describe, expect, test } from '@jest/globals';
import { bookOf, figure, heading, paragraph, structured, table } from '../testing/books.js';
import { placesOf, type Matter, type Numbering } from './index.js';
import { roman } from './numbering.js';

const matters: Matter[] = ['front', 'main', 'main', 'main', 'back', 'back'];
const plain = bookOf(
  [heading(1, 'Preface', 'preface'), figure('chart', 'The Sound')],
  [
    heading(1, 'Tides', 'tides'),
    heading(2, 'Springs', 'springs'),
    heading(3, 'In March', 'march'),
    heading(2, 'Neaps', 'neaps'),
    table('hours', 'Safe hours', 'x'),
  ],
  [
    heading(1, 'Lamps', 'lamps'),
    // A level is jumped over.
    heading(4, 'Wicks', 'wicks'),
    schema('Not counted', 'left'),
    heading(3, 'Below what is not counted', 'below'),
    heading(2, 'Oil', 'oil'),
    figure('lamp', 'A lamp'),
  ],
  [paragraph('No heading at the top'), heading(2, 'Glass', 'glass')],
  [heading(1, 'Questions', 'questions'), heading(2, 'Why?', 'why')],
  [heading(1, 'Addresses', 'addresses'), table('who', 'Who to ask', 'y')],
);
const book = {
  ...plain,
  chapters: plain.chapters.map((one, index) => ({ ...one, matter: matters[index]! })),
};

function schema(words: string, id: string) {
  const node = heading(2, words, id);
  return node.type.create({ ...node.attrs, uncounted: true }, node.content);
}

/** Worked out by hand. Letters for the sections of back matter and numbers of figures through the book are common practice. */
const EXPECTED: Record<Numbering, Record<string, string>> = {
  none: {},
  decimal: {
    tides: '1',
    springs: '1.1',
    march: '1.1.1',
    neaps: '1.2',
    lamps: '2',
    wicks: '2.1',
    oil: '2.2',
    glass: '2.3',
    questions: 'A',
    why: 'A.1',
    addresses: 'B',
    chart: 'Figure 1',
    lamp: 'Figure 2',
    hours: 'Table 1',
    who: 'Table 2',
    c2: '1',
    c3: '2',
    c5: 'A',
    c6: 'B',
  },
  parts: {
    tides: 'Part I',
    springs: '1',
    march: '1.1',
    neaps: '2',
    lamps: 'Part II',
    wicks: '3',
    oil: '4',
    glass: '5',
    questions: 'A',
    why: 'A.1',
    addresses: 'B',
    chart: 'Figure 1',
    lamp: 'Figure 2',
    hours: 'Table 1',
    who: 'Table 2',
    c2: 'Part I',
    c3: 'Part II',
    c5: 'A',
    c6: 'B',
  },
};

describe('numbers', () => {
  test.each(['none', 'decimal', 'parts'] as const)(
    'in the scheme “%s” are those worked out by hand',
    (numbering) => {
      const places = placesOf(structured(book, { numbering }));
      const labels = [...places.values()]
        .filter(({ label }) => label !== '')
        .map(({ id, label }) => [id, label]);
      expect(Object.fromEntries(labels)).toEqual(EXPECTED[numbering]);
    },
  );

  test('of figures and tables are called so in the language of the book', () => {
    const german = structured({ ...book, language: 'de-CH' }, { numbering: 'parts' });
    expect(['chart', 'who', 'tides'].map((id) => placesOf(german).get(id)?.label)).toEqual([
      ...['Abbildung 1', 'Tabelle 2', 'Teil I'],
    ]);
  });

  test.each([
    [1, 'I'],
    [4, 'IV'],
    [9, 'IX'],
    [14, 'XIV'],
    [40, 'XL'],
    [1994, 'MCMXCIV'],
  ])('%d in Roman figures is %s', (count, figures) => expect(roman(count)).toBe(figures));
});
