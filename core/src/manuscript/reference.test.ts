import { describe, expect, test } from '@jest/globals';
import {
  bookmarked,
  bookOf,
  figure,
  heading,
  note,
  paragraph,
  reference,
  structured,
} from '../testing/books.js';
import {
  formsFor,
  linksOf,
  mapOf,
  placesOf,
  referenceWords,
  schema,
  TOP,
  type ReferenceForm,
} from './index.js';

const plain = bookOf(
  [heading(1, 'Tides', 'tides'), paragraph('x', note('n1', 'A remark')), heading(2, 'Springs', 'springs')],
  [
    heading(1, 'Lamps', 'lamps'),
    paragraph('Trim ', bookmarked('the wick', 'trim', 'Trimming'), ' first.'),
    figure('lamp', 'A lamp'),
    heading(2, 'Oil', 'oil'),
  ],
);
const book = structured(plain, { numbering: 'decimal' });
const { places } = mapOf(book);
const pages: Record<string, string> = { springs: '3', lamp: '41', trim: '40', oil: '42' };

/** Where the references stand: between the bookmark and the figure. */
const HERE = (places.get('lamp')?.order ?? 0) - 1;
const read = (place: string, form: ReferenceForm, own = '', withPages = true) => {
  const at = places.get(place);
  if (!at) throw new Error(`no place ${place}`);
  const pageOf = withPages ? (id: string) => pages[id] ?? '' : null;
  return referenceWords({ form, own }, at, HERE, { language: 'en', pageOf });
};

/** Worked out by hand: place, form, what it reads with pages, what it reads without. */
const TABLE: [string, ReferenceForm, string, string, string][] = [
  ['springs', 'words', '', 'Springs', 'Springs'],
  ['springs', 'number', '', '1.1', '1.1'],
  ['springs', 'number-words', '', '1.1 Springs', '1.1 Springs'],
  ['springs', 'page', '', 'page 3', '1.1'],
  ['springs', 'where', '', 'above', 'above'],
  ['oil', 'where', '', 'below', 'below'],
  ['lamp', 'words', '', 'A lamp', 'A lamp'],
  ['lamp', 'number', '', 'Figure 1', 'Figure 1'],
  ['lamp', 'number-words', '', 'Figure 1 A lamp', 'Figure 1 A lamp'],
  ['lamp', 'page', '', 'page 41', 'Figure 1'],
  ['trim', 'words', '', 'the wick', 'the wick'],
  ['trim', 'page', '', 'page 40', 'the wick'],
  // What means nothing there any more reads as the nearest that does.
  ['trim', 'number', '', 'the wick', 'the wick'],
  ['n1', 'number', '', 'note 1', 'note 1'],
  [
    'oil',
    'own',
    'see {number} ({words}), {page}, {where}',
    'see 2.1 (Oil), page 42, below',
    'see 2.1 (Oil), 2.1, below',
  ],
  ['oil', 'own', '{unknown} and {words}', '{unknown} and Oil', '{unknown} and Oil'],
];

describe('a reference', () => {
  test.each(TABLE)(
    'to “%s” as %s %s reads “%s”, and without pages “%s”',
    (place, form, own, paged, unpaged) => {
      expect(read(place, form, own)).toBe(paged);
      expect(read(place, form, own, false)).toBe(unpaged);
    },
  );

  test.each([
    ['springs', ['words', 'number', 'number-words', 'page', 'where', 'own']],
    ['lamp', ['words', 'number', 'number-words', 'page', 'where', 'own']],
    ['trim', ['words', 'page', 'where', 'own']],
    ['n1', ['number', 'page', 'where', 'own']],
    [TOP, ['own']],
  ])('to “%s” offers only the forms that mean something there', (place, forms) => {
    const at = places.get(place);
    expect(at && formsFor(at)).toEqual(forms);
  });

  test('reads where its place is when nothing else can be said of it', () => {
    const bare = bookOf([
      paragraph(schema.node('anchor', { id: 'bare' })),
      paragraph(reference('bare', 'words', 'r1')),
    ]);
    expect(linksOf(bare)).toMatchObject([{ id: 'r1', text: 'above' }]);
    const silent = bookOf([heading(1, 'Oil', 'oil'), paragraph(reference('oil', 'own', 'r1', ' '))]);
    expect(linksOf(silent)).toMatchObject([{ id: 'r1', text: 'Oil' }]);
  });

  test('offers no number where nothing is counted', () => {
    const at = placesOf(structured(plain, { numbering: 'none' })).get('springs');
    expect(at && formsFor(at)).toEqual(['words', 'page', 'where', 'own']);
  });

  test('is a link of the book, with the words that it reads now', () => {
    const withReferences = structured(
      bookOf(
        [
          heading(1, 'Tides', 'tides'),
          paragraph(
            'See ',
            reference('lamps', 'number-words', 'r1'),
            ', or ',
            reference('gone', 'words', 'r2'),
            '.',
          ),
        ],
        [heading(1, 'Lamps', 'lamps')],
      ),
      { numbering: 'decimal' },
    );
    expect(linksOf(withReferences)).toMatchObject([
      { id: 'r1', carrier: 'reference', kind: 'place', href: '#lamps', text: '2 Lamps', before: 'See ' },
      { id: 'r2', carrier: 'reference', href: '#gone', text: '' },
    ]);
  });
});
