import { describe, expect, test } from '@jest/globals';
import { authorsOf, imprintOf, isbnIn, isIsbn, NO_PUBLICATION } from './index.js';

describe('authors', () => {
  const publication = { ...NO_PUBLICATION, authors: ['Ines Moor', 'Tam Rook'] };
  test('are told one by one where their names make the line', () => {
    expect(authorsOf({ author: 'Ines Moor, Tam Rook', publication })).toEqual(['Ines Moor', 'Tam Rook']);
  });
  test('are the line itself where it was changed since, or where nothing else is known', () => {
    expect(authorsOf({ author: 'I. Moor', publication })).toEqual(['I. Moor']);
    expect(authorsOf({ author: 'I. Moor' })).toEqual(['I. Moor']);
    expect(authorsOf({ author: '' })).toEqual([]);
  });
});

test('an imprint has a line for what is known', () => {
  expect(imprintOf()).toEqual([]);
  expect(
    imprintOf({
      ...NO_PUBLICATION,
      publisher: 'Small Press',
      published: '2026',
      identifiers: ['978-92-95055-12-4', 'urn:other'],
    }),
  ).toEqual(['Small Press, 2026', 'ISBN 978-92-95055-12-4']);
});

describe('an ISBN', () => {
  // The examples of the ISBN Users' Manual, 7th edition (International ISBN Agency): 978-92-95055-12-4; and a number of ISBN-10 by its formula.
  test.each(['978-92-95055-12-4', 'ISBN 978 92 95055 12 4', 'urn:isbn:9789295055124', '0-8044-2957-X'])(
    '%s is one',
    (words) => expect(isIsbn(isbnIn(words) ?? '')).toBe(true),
  );
  test('with a wrong digit is told', () => expect(isIsbn(isbnIn('978-92-95055-12-5') ?? '')).toBe(false));
  test.each(['doi:10.1000/182', 'Small Lights 3', '12345', 'urn:uuid:1234'])('%s is another name', (words) =>
    expect(isbnIn(words)).toBeNull(),
  );
});
