import { describe, expect, test } from '@jest/globals';
import { hrefOf } from '../../destination/index.js';
import type { GroundPageAttrs, LinkArea } from '../../manuscript/index.js';
import { headingsIn, oughtToBeLinks, snapped, wordsIn, type PageText } from '../index.js';

/** A page of lines in one size; each word is a piece, a hundredth of the page for each sign. */
const pageOf = (lines: readonly string[], height = 0.02): PageText => ({
  pictures: [],
  lines: lines.map((line, row) => {
    let x = 0.1;
    return (line.match(/[\p{L}\p{N}]+\s*|[^\p{L}\p{N}\s]+\s*|\s+/gu) ?? []).map((text) => {
      const width = text.trimEnd().length * 0.01;
      const piece = { text, x, y: 0.05 + row * 0.03, width, height };
      x += text.length * 0.01;
      return piece;
    });
  }),
});

const sheet = (number: number, label = '', areas: readonly LinkArea[] = []): GroundPageAttrs => ({
  id: `page-${number}`,
  number,
  label,
  width: 595,
  height: 842,
  areas,
  spots: [],
});

const CONTENTS = [
  'Contents',
  'The harbour lamp ........ 1',
  'Oil and wick ............ 2',
  'Tides ................... 2',
];

const book = (areas: readonly LinkArea[] = []) => ({
  language: 'en',
  pages: [sheet(1, 'i', areas), sheet(2, '1'), sheet(3, '2')],
  texts: [
    pageOf(CONTENTS),
    pageOf([
      'The harbour lamp',
      'See page 2, chapter 3 and Fig. 7.',
      'Write to keeper@lamp.example or look at https://lamp.example/oil.',
    ]),
    pageOf(['Oil and wick', 'Figure 7. The wick', 'The ferry is at ferry.example/times, says page ii.']),
  ],
  entries: [{ id: 'entry-3', title: '3 Of oil', page: 'page-3', y: 0.2 }],
});

describe('words that ought to be links', () => {
  test('are addresses, lines of contents and references, each with where it leads and how sure that is', () => {
    const found = oughtToBeLinks(book()).map(({ kind, page, words, destination, sureness }) => [
      kind,
      page,
      words,
      hrefOf(destination!),
      sureness,
    ]);
    expect(found).toEqual([
      ['contents', 1, 'The harbour lamp', '#page-2', 'sure'],
      ['contents', 1, 'Oil and wick', '#page-3', 'sure'],
      ['contents', 1, 'Tides', '#page-3', 'likely'],
      ['page', 2, 'page 2', '#page-3', 'sure'],
      ['section', 2, 'chapter 3', '#entry-3', 'likely'],
      ['figure', 2, 'Fig. 7', '#page-3', 'likely'],
      ['address', 2, 'keeper@lamp.example', 'mailto:keeper@lamp.example', 'sure'],
      ['address', 2, 'https://lamp.example/oil', 'https://lamp.example/oil', 'sure'],
      ['address', 3, 'ferry.example/times', 'https://ferry.example/times', 'likely'],
    ]);
  });

  test('are told only where no link lies, and the same each time', () => {
    const [first] = oughtToBeLinks(book());
    const area: LinkArea = {
      id: 'there',
      ...first!.lines[0]!,
      name: '',
      destination: first!.destination!,
      hoverNote: '',
      frame: null,
    };
    const again = oughtToBeLinks(book([area]));
    expect(again.map(({ key }) => key)).toEqual(
      oughtToBeLinks(book())
        .slice(1)
        .map(({ key }) => key),
    );
  });

  test('are DOIs and numbers of books, whose check digit is right', () => {
    const lines = ['See doi:10.5555/lamp.7(2), ISBN 978-3-16-148410-0 or ISBN 978-3-16-148410-1.'];
    const found = oughtToBeLinks({ language: 'en', pages: [sheet(1)], texts: [pageOf(lines)], entries: [] });
    // The ISBN is the example of ISO 2108:2017; prefix 10.5555 is for examples (ISO 26324 practice).
    expect(found.map(({ kind, words, destination }) => [kind, words, hrefOf(destination!)])).toEqual([
      ['address', 'doi:10.5555/lamp.7(2)', 'https://doi.org/10.5555/lamp.7(2)'],
      ['book', 'ISBN 978-3-16-148410-0', 'https://n2t.net/isbn:9783161484100'],
    ]);
  });

  test('are ways that are written by hand, and small pictures at the same spot of many pages', () => {
    const button = { x: 0.9, y: 0.94, width: 0.03, height: 0.02 };
    const texts = [
      CONTENTS,
      ['The harbour lamp', '↑ Contents'],
      ['Oil', '→'],
      ['Back to top', '« so said he »'],
    ].map((lines) => ({ ...pageOf(lines), pictures: [button] }));
    const pages = [sheet(1, 'i'), sheet(2, '1'), sheet(3, '2'), sheet(4, '3')];
    const found = oughtToBeLinks({ language: 'en', pages, texts, entries: [] });
    expect(
      found
        .filter(({ kind }) => kind === 'way')
        .map(({ page, also, words, destination, sureness, isPicture }) => [
          page,
          also,
          words,
          hrefOf(destination!),
          sureness,
          isPicture,
        ]),
    ).toEqual([
      [2, [], '↑ Contents', '#page-1', 'likely', false],
      [2, [3, 4], '', '#page-1', 'look', true],
      [3, [], '→', '#page-4', 'look', false],
      [4, [], 'Back to top', '#page-1', 'look', false],
    ]);
  });

  test('stand on their own words', () => {
    const { texts } = book();
    for (const { page, lines, words, kind } of oughtToBeLinks(book()))
      if (kind !== 'contents')
        expect(wordsIn(texts[page - 1]!, lines).replace(/\s+/g, ' ')).toContain(words.replace(/[.]$/, ''));
  });
});

test('headings are lines in larger type, ranked by size; one over two lines is one', () => {
  const large = pageOf(['The lamps of', 'the Sound'], 0.04);
  const texts = [
    {
      pictures: [],
      lines: [...large.lines, ...pageOf(['', '', '', 'Many words in the size of the text itself']).lines],
    },
  ];
  expect(headingsIn(texts)).toEqual([{ title: 'The lamps of the Sound', level: 1, page: 1, y: 0.05 }]);
});

test('edges come onto those that are near, and what is moved keeps its size', () => {
  const other = { x: 0.2, y: 0.2, width: 0.3, height: 0.1 };
  const reach = { across: 0.01, down: 0.01 };
  const drawn = snapped({ x: 0.195, y: 0.4, width: 0.309, height: 0.2 }, [other], reach, false);
  expect(drawn.x).toBeCloseTo(0.2, 9);
  expect(drawn.x + drawn.width).toBeCloseTo(0.5, 9);
  expect(drawn.y).toBe(0.4);
  expect(drawn.height).toBeCloseTo(0.2, 9);
  const moved = snapped({ x: 0.505, y: 0.6, width: 0.2, height: 0.1 }, [other], reach, true);
  expect(moved).toMatchObject({ x: 0.5, width: 0.2, y: 0.6, height: 0.1 });
});
