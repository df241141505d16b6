import { describe, expect, test } from '@jest/globals';
import type { Link, Place, PlaceKind } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS, type ShelfFile } from '@vennet/core/shelf';
import { suggestionsFor, type Known } from './suggestions.js';

function place(id: string, kind: PlaceKind, words: string, more: Partial<Place> = {}): [string, Place] {
  const plain = {
    text: '',
    chapter: 'one',
    number: '',
    label: '',
    level: null,
    unwritten: false,
    section: 'one',
    order: 0,
  };
  return [id, { ...plain, id, kind, words, ...more }];
}

const places = new Map([
  place('one', 'chapter', 'The harbour', { order: 0 }),
  place('h', 'heading', 'The harbour', { level: 1, order: 1 }),
  place('light', 'heading', 'The light', { level: 2, number: '1.2', label: '1.2', order: 10 }),
  place('oil', 'heading', 'Light oil', { level: 3, number: '1.2.1', label: '1.2.1', order: 20 }),
  place('bench', 'bookmark', 'The bench by the light', { order: 30 }),
  place('spot', 'spot', 'a spot in the light', { order: 40 }),
  place('two', 'chapter', 'Éloge of lamps', { chapter: 'two', order: 100 }),
]);
const titles = new Map([
  ['one', 'The harbour'],
  ['two', 'Éloge of lamps'],
]);
const known = (more: Partial<Known['search']> = {}, beside: Partial<Omit<Known, 'search'>> = {}): Known => ({
  search: { places, titles, offered: 6, recent: [], order: 0, ...more },
  links: [],
  surroundings: NO_SURROUNDINGS,
  ...beside,
});
const offered = (typed: string, of = known(), isWords = false) =>
  suggestionsFor({ typed, isWords, onlyPlaces: false }, of).map(({ key }) => key);

describe('places', () => {
  test('that begin like the words come before those that have them; spots are not offered', () => {
    expect(offered('light')).toEqual(['place oil', 'place light', 'place bench']);
    // The last one by the title of its chapter, “The harbour”.
    expect(offered('the li')).toEqual(['place light', 'place bench', 'place oil']);
  });

  test('fit by number first, and by the words of their chapter last', () => {
    expect(offered('1.2')).toEqual(['place light', 'place oil']);
    expect(offered('light harb')).toEqual(['place light', 'place oil', 'place bench']);
  });

  test('fit without accents and capitals', () => {
    expect(offered('eloge')).toEqual(['place two']);
  });

  test('go down to the level that was chosen', () => {
    expect(offered('light', known({ offered: 2 }))).toEqual(['place light', 'place bench']);
  });

  test('of equal fit: those used lately first, then those that are near', () => {
    expect(offered('l', known({ order: 32 }))[0]).toBe('place oil');
    expect(offered('', known({ order: 32 })).slice(0, 2)).toEqual(['place bench', 'place oil']);
    expect(offered('', known({ order: 32, recent: ['two'] }))[0]).toBe('place two');
  });

  test('a chapter and its first heading are one', () => {
    expect(offered('harbour')[0]).toBe('place one');
    expect(offered('harbour')).not.toContain('place h');
  });
});

describe('what else can be led to', () => {
  const web = (href: string) => ({ kind: 'web', href, destination: { kind: 'web', href } }) as Link;
  const links = ['https://a.example/x', 'https://b.example/x', 'https://b.example/x'].map(web);
  const file: ShelfFile = {
    id: 'f',
    name: 'lamps.pdf',
    type: 'application/pdf',
    claims: null,
    size: 1,
    sha256: '',
    description: 'Every lamp of the coast',
    opensFor: 'everyone',
    travels: 'inside',
    address: null,
  };
  const book = { id: 'b', title: 'Lamps of old', author: 'A. Uthor', address: null, places: null };
  const surroundings = { files: new Map([['f', file]]), books: new Map([['b', book]]) };

  test('addresses in use, those used most first', () => {
    const found = suggestionsFor({ typed: '/x', isWords: false, onlyPlaces: false }, known({}, { links }));
    expect(found.map(({ words, about }) => [words, about])).toEqual([
      ['https://b.example/x', 'Used 2 times'],
      ['https://a.example/x', 'Used once'],
    ]);
  });

  test('files and books, from two letters on', () => {
    expect(offered('lamps', known({}, { surroundings }))).toEqual(['place two', 'file f', 'book b']);
    expect(offered('l', known({}, { surroundings }))).not.toContain('file f');
  });

  test('a chapter or a book that is to be started, where the words are no address and no book is called so', () => {
    const of = known({}, { surroundings });
    expect(offered('Charts', of, true)).toEqual(['chapter', 'companion', 'companion-go']);
    expect(offered('lamps of old', of, true)).toEqual(['book b']);
    expect(offered('Charts', of, false)).toEqual([]);
  });

  test('sentences of the book, from shortly before the words; items by their number', () => {
    const spot = { chapter: 'one', from: 5, to: 9, words: 'wick', item: '' };
    const sentence = 'In the evening somebody had to trim the wick of the lamp.';
    const spots = [
      { ...spot, sentence },
      { ...spot, from: 30, words: 'Trim it', sentence: 'Trim it', item: '4' },
    ];
    const found = suggestionsFor({ typed: 'wick', isWords: false, onlyPlaces: false }, known({}, { spots }));
    expect(found.map(({ words, about }) => [words, about])).toEqual([
      ['… had to trim the wick of the lamp.', 'In “The harbour”'],
      ['4. Trim it', 'Item 4 in “The harbour”'],
    ]);
  });

  test('nothing of that where a place alone is wanted', () => {
    const asked = { typed: 'lamps', isWords: true, onlyPlaces: true };
    expect(suggestionsFor(asked, known({}, { surroundings, links })).map(({ key }) => key)).toEqual([
      'place two',
    ]);
  });
});

describe('without a word typed', () => {
  const web = { kind: 'web', href: 'https://lamp.example/' } as const;
  const lately = [web, { kind: 'place', place: 'two' } as const, { kind: 'place', place: 'gone' } as const];
  const keys = (words: string) =>
    suggestionsFor(
      { typed: '', isWords: false, onlyPlaces: false, words },
      known({ order: 32 }, { lately }),
    ).map(({ key }) => key);
  test('the last destinations come first, then the places near, each once, and a chapter or a book of that name', () => {
    expect(keys('tide tables')).toEqual([
      'lately https://lamp.example/',
      'place two',
      'place bench',
      'place oil',
      'place light',
      'place one',
      'chapter',
      'companion',
    ]);
    expect(keys(' ')).not.toContain('companion');
  });
});

test('of equal fit headings and bookmarks come before pictures and notes, however near', () => {
  const all = new Map([
    place('note', 'note', 'The lamp', { order: 1 }),
    place('figure', 'figure', 'The lamp', { order: 2 }),
    place('heading', 'heading', 'The lamp', { level: 2, order: 90 }),
  ]);
  expect(offered('the lamp', known({ places: all }))).toEqual([
    'place heading',
    'place note',
    'place figure',
  ]);
});
