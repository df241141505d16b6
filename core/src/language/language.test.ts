import { describe, expect, test } from '@jest/globals';
import {
  endsInAbbreviation,
  fileWords,
  phrases,
  sentenceEnds,
  sizeWords,
  tellFile,
  typeWords,
} from './index.js';

const PDF = { type: 'application/pdf', name: 'x.pdf', size: 240_100 };

describe('a file in words', () => {
  test.each([
    ['application/pdf', 'x.pdf', 'PDF'],
    ['image/jpeg', 'x.jpg', 'JPEG picture'],
    ['audio/wav', '', 'WAV sound'],
    ['video/mp4', 'x.mp4', 'MP4 film'],
    ['font/woff2', '', 'WOFF2 font'],
    ['image/svg+xml', 'x.svg', 'SVG picture'],
    ['audio/x-flac', '', 'FLAC sound'],
    ['image/vnd.djvu', '', 'DJVU picture'],
    ['text/plain', 'notes', 'text file'],
    ['application/epub+zip', 'x.epub', 'e-book'],
    ['application/octet-stream', 'x.dat', 'DAT file'],
    ['application/octet-stream', 'x', 'file'],
    ['application/octet-stream', 'x.longer-than-five', 'file'],
  ])('%s called %j is a %s', (type, name, words) => expect(typeWords(type, name)).toBe(words));

  test.each([
    [0, '0 bytes'],
    [1, '1 byte'],
    [999, '999 bytes'],
    [1000, '1 kB'],
    [240_100, '240 kB'],
    [999_499, '999 kB'],
    [999_500, '1.0 MB'],
    [1_250_000, '1.3 MB'],
    [204_800_000, '204.8 MB'],
  ])('%d bytes are %s', (bytes, words) => expect(sizeWords(bytes)).toBe(words));

  test.each([
    ['de', 'PNG-Bild, 1,5 MB'],
    ['en-GB', 'PNG picture, 1.5 MB'],
    ['es', 'imagen PNG, 1,5 MB'],
    ['fr', 'image PNG, 1,5 Mo'],
    ['it', 'immagine PNG, 1,5 MB'],
    ['nl', 'PNG-afbeelding, 1,5 MB'],
    ['pt-BR', 'imagem PNG, 1,5 MB'],
    ['fi', 'PNG picture, 1,5 MB'],
    ['no language', 'PNG picture, 1.5 MB'],
  ])('are told in %s as %s', (language, words) =>
    expect(fileWords({ type: 'image/png', name: 'x.png', size: 1_500_000 }, language)).toBe(words),
  );

  test.each([
    ['tide table (PDF, 240 kB)', true],
    ['tide table (pdf, 240\u00a0KB)', true],
    ['tide table (PDF)', false],
    ['tide table, 240 kB', false],
  ])('%j tell both: %s', (words, both) => expect(tellFile(words, PDF, 'en')).toBe(both));
});

describe('the words of a language', () => {
  test('are those of its primary tag; English for others', () => {
    expect(phrases('de-AT').contents).toBe('Inhalt');
    expect(phrases('PT').contents).toBe('Índice');
    expect(phrases('fi')).toBe(phrases('en'));
  });

  test.each(['de', 'en', 'es', 'fr', 'it', 'nl', 'pt'])('of %s are all there', (language) => {
    const { withBook, accessibility, file, ...words } = phrases(language);
    for (const said of [
      ...Object.values(words),
      ...Object.values(accessibility),
      ...Object.values(file.kinds),
    ])
      expect(said).toMatch(/\S/);
    expect(withBook.otherBook('A. Uthor')).toContain('A. Uthor');
    expect(withBook.otherBook('')).toMatch(/^[^.]+\. [^.]+\.$/);
    for (const said of [withBook.beside('files/x.csv'), withBook.inside('files/x.csv')])
      expect(said).toContain('files/x.csv');
    for (const said of [withBook.apart, withBook.attached]) expect(said).toMatch(/\.$/);
  });
});

describe('sentences', () => {
  test('end at a full stop before white space and a capital letter or a figure', () => {
    const ends = (text: string) => sentenceEnds(text).map(({ index }) => index);
    expect(ends('One. Two! 3? Four… “Five.” Six')).toEqual([3, 8, 11, 17, 24]);
    expect(ends('e.g. this, or 3.5 m. and on')).toEqual([]);
  });

  test.each([
    ['Smith et al.', true],
    ['the U.S.', true],
    ['in vol.', true],
    ['the lamp.', false],
    ['an almanac.', false],
  ])('%j ends in a short form: %s', (text, short) => expect(endsInAbbreviation(text)).toBe(short));
});
