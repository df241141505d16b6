import { describe, expect, test } from '@jest/globals';
import {
  endsInAbbreviation,
  fileWords,
  isVague,
  languageTold,
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
    const { withBook, accessibility, file, sources, ...words } = phrases(language);
    for (const said of [
      ...Object.values(words),
      ...Object.values(accessibility),
      ...Object.values(file.kinds),
      sources.title,
    ])
      expect(said).toMatch(/\S/);
    expect(withBook.otherBook('A. Uthor')).toContain('A. Uthor');
    expect(withBook.otherBook('')).toMatch(/^[^.]+\. [^.]+\.$/);
    for (const said of [withBook.beside('files/x.csv'), withBook.inside('files/x.csv')])
      expect(said).toContain('files/x.csv');
    expect(sources.seenOn('1 May')).toContain('1 May');
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

// F63 and F84 give the English ones; the others say the same, as native pages do (common practice, no source).
describe('words that say nothing of where a link leads', () => {
  test.each([
    [
      'en',
      [
        'click here',
        'Click here for more information',
        'read more here',
        'see this page',
        'Learn more »',
        'here',
        'More details…',
        'download the file',
        'this link',
        'Continue reading',
      ],
    ],
    [
      'de',
      [
        'hier',
        'Hier klicken',
        'Klicken Sie hier',
        'mehr',
        'Mehr erfahren',
        'Weiterlesen',
        'weitere Informationen',
        'mehr lesen',
        'auf dieser Seite',
        'zum Artikel',
      ],
    ],
    [
      'fr',
      [
        'ici',
        'Cliquez ici',
        'en savoir plus',
        'lire la suite',
        'plus d’informations',
        'cette page',
        'voir plus',
        'Télécharger le fichier',
      ],
    ],
    [
      'es',
      ['aquí', 'Haga clic aquí', 'leer más', 'más información', 'ver más', 'esta página', 'en este enlace'],
    ],
    [
      'it',
      [
        'qui',
        'clicca qui',
        'leggi di più',
        'maggiori informazioni',
        'per saperne di più',
        'questa pagina',
        'scopri di più',
      ],
    ],
    ['pt', ['aqui', 'clique aqui', 'leia mais', 'mais informações', 'saiba mais', 'esta página', 'ver mais']],
    [
      'nl',
      ['hier', 'klik hier', 'lees meer', 'meer informatie', 'deze pagina', 'lees verder', 'bekijk hier'],
    ],
    [
      'pl',
      [
        'tutaj',
        'kliknij tutaj',
        'czytaj więcej',
        'więcej informacji',
        'dowiedz się więcej',
        'na tej stronie',
      ],
    ],
    ['sv', ['här', 'klicka här', 'läs mer', 'mer information', 'denna sida', 'läs mer här']],
    ['da', ['her', 'klik her', 'læs mere', 'mere information', 'denne side', 'se mere her']],
    ['nb', ['her', 'klikk her', 'les mer', 'mer informasjon', 'denne siden', 'les meir her']],
    ['fi', ['tästä', 'klikkaa tästä', 'lue lisää', 'lisätietoja', 'tällä sivulla', 'lue lisää täältä']],
    ['cs', ['zde', 'klikněte zde', 'číst dále', 'více informací', 'na této stránce', 'čtěte více']],
    ['ru', ['здесь', 'нажмите здесь', 'читать далее', 'подробнее', 'больше информации', 'на этой странице']],
    ['uk', ['тут', 'натисніть тут', 'читати далі', 'докладніше', 'більше інформації', 'на цій сторінці']],
    ['ja', ['こちら', 'こちらをクリック', '詳しくはこちら', '続きを読む', 'こちらをクリックしてください']],
    ['zh', ['这里', '点击这里', '更多信息', '了解更多', '请点击此处', '點擊這裡', '閱讀更多']],
  ])('in %s', (language, phrases) =>
    expect(phrases.filter((phrase) => !isVague(phrase, language))).toEqual([]),
  );

  test('a language whose words are not known is left alone', () =>
    expect(isVague('klik di sini', 'id')).toBe(false));
});

describe('the language tag that a file means', () => {
  // Tags of BCP 47 (RFC 5646), locales as POSIX writes them, and names as Unicode's CLDR has them.
  test.each([
    ['en-GB', 'en-GB'],
    ['zh_cn', 'zh-CN'],
    ['en_US', 'en-US'],
    ['en_US.UTF-8', 'en-US'],
    ['de_DE@euro', 'de-DE'],
    ['ENG', 'en'],
    ['ger', 'de'],
    ['English', 'en'],
    ['english (UK)', 'en'],
    ['Deutsch', 'de'],
    ['Français', 'fr'],
    ['日本語', 'ja'],
    ['  pt-br ', 'pt-BR'],
    ['sr-latn', 'sr-Latn'],
    ['', null],
    ['Klingonish', null],
    ['x-own', null],
    ['12', null],
  ])('of %j is %j', (told, tag) => expect(languageTold(told)).toBe(tag));
});
