import { expect, test } from '@jest/globals';
import { expectAsExample } from '../testing/expected.js';
import { primaryOf } from './tag.js';
import { counted, fileWords, isVague, message, nounFor, phrases, sentenceEnds, typeWords } from './index.js';

const TYPES = [
  'application/pdf',
  'application/epub+zip',
  'application/zip',
  'application/json',
  'application/gpx+xml',
  'application/xml',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  'application/vnd.oasis.opendocument.text',
  'application/vnd.oasis.opendocument.spreadsheet',
  'text/plain',
  'text/csv',
  'text/calendar',
  'text/html',
  'text/markdown',
  'image/png',
  'image/svg+xml',
  'image/x-icon',
  'audio/wav',
  'video/mp4',
  'font/woff2',
  'application/octet-stream',
  'application/x-odd',
];
const SIZES = [
  0, 1, 2, 999, 1000, 1499, 1500, 999_499, 1_000_000, 1_250_000, 9_949_999, 10_500_000, 2_000_000_000,
];

test('what is said of files, and what Vennet writes into a book, in every language', () => {
  for (const language of ['de', 'en', 'es', 'fr', 'it', 'nl', 'pt', 'ja'])
    expectAsExample(`language/${language}.json`, {
      types: TYPES.map((type) => [
        type,
        typeWords(type, 'name.abc', language),
        typeWords(type, 'name', language),
      ]),
      sizes: SIZES.map((size) => [
        size,
        fileWords({ type: 'application/pdf', name: 'x.pdf', size }, language),
      ]),
      words: JSON.parse(
        JSON.stringify(phrases(language), (_, value: unknown) =>
          typeof value === 'function' ? (value as (...given: string[]) => string)('A', 'B') : value,
        ),
      ) as unknown,
    });
  expect([primaryOf('pt-BR'), primaryOf('EN')]).toEqual(['pt', 'en']);
});

test('counts and their words', () => {
  expect([counted(1, 'link', 'links'), counted(2, 'link', 'links'), counted(1000, 'link', 'links')]).toEqual([
    '1 link',
    '2 links',
    '1,000 links',
  ]);
  expect([nounFor(1, 'link', 'links'), nounFor(0, 'link', 'links')]).toEqual(['link', 'links']);
  expect(message('{count, plural, one {one} other {# all}}', { count: 3 })).toBe('3 all');
});

test('names that say nothing, in any dress', () => {
  expect(
    ['Click here!', 'click  HERE', '→', '“more”', '…', 'read on'].map((name) => isVague(name, 'en-GB')),
  ).toEqual(Array.from({ length: 6 }, () => true));
  expect(['', 'more lamps', '12', 'hier'].map((name) => isVague(name, 'en'))).toEqual([
    false,
    false,
    false,
    false,
  ]);
  expect(isVague('click here', 'de')).toBe(false);
});

test('sentences end where they do', () => {
  const ends = (text: string) => sentenceEnds(text).map(({ index }) => index);
  expect(ends('One. Two! “Three?” Four… 5 and six. lower')).toEqual([3, 8, 16, 23]);
  expect(ends('3.5 is no end.But here')).toEqual([]);
});
