import { describe, expect, test } from '@jest/globals';
import { addressAtEnd, addressesIn, hrefOf } from './index.js';

/**
 * Each line: what is typed, with the address that is meant between ⟦ and ⟧. Where brackets and quotation marks delimit an address speaks RFC 3986,
 * appendix C; how the address is read and written the WHATWG URL Standard; where sentences end is common practice.
 */
const LINES: readonly (readonly [typed: string, href: string])[] = [
  // Sentence signs after it stay outside.
  ['See ⟦https://lamp.example/tides⟧.', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧,', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧;', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧:', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧!', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧?', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧?!', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧…', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧...', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧—', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧—and more', 'https://lamp.example/tides'],
  ['See ⟦https://lamp.example/tides⟧–', 'https://lamp.example/tides'],
  ['看⟦https://lamp.example/tides⟧。', 'https://lamp.example/tides'],
  ['看⟦https://lamp.example/tides⟧。然后', 'https://lamp.example/tides'],
  ['見て⟦https://lamp.example/tides⟧、次', 'https://lamp.example/tides'],
  ['看⟦https://lamp.example/tides⟧，然后', 'https://lamp.example/tides'],
  ['看⟦https://lamp.example/tides⟧！', 'https://lamp.example/tides'],
  ['看（⟦https://lamp.example/tides⟧）', 'https://lamp.example/tides'],
  ['It is ⟦https://lamp.example/tides⟧’s page', 'https://lamp.example/tides'],
  ["It is ⟦https://lamp.example/tides⟧'s page", 'https://lamp.example/tides'],
  ['It is ⟦https://lamp.example/⟧’s.', 'https://lamp.example/'],
  ['*⟦https://lamp.example/tides⟧*', 'https://lamp.example/tides'],
  // Brackets around it stay outside, those in it inside (RFC 3986, appendix C; common practice).
  ['(⟦https://lamp.example/tides⟧)', 'https://lamp.example/tides'],
  ['(see ⟦https://lamp.example/tides⟧).', 'https://lamp.example/tides'],
  ['[⟦https://lamp.example/tides⟧]', 'https://lamp.example/tides'],
  ['{⟦https://lamp.example/tides⟧}', 'https://lamp.example/tides'],
  ['<⟦https://lamp.example/tides⟧>', 'https://lamp.example/tides'],
  ['<URL:⟦https://lamp.example/tides⟧>', 'https://lamp.example/tides'],
  ['⟦https://lamp.example/Fire_(lamp)⟧', 'https://lamp.example/Fire_(lamp)'],
  ['(⟦https://lamp.example/Fire_(lamp)⟧)', 'https://lamp.example/Fire_(lamp)'],
  ['(⟦https://lamp.example/Fire_(lamp)⟧).', 'https://lamp.example/Fire_(lamp)'],
  ['⟦https://lamp.example/a_(b)_(c)⟧', 'https://lamp.example/a_(b)_(c)'],
  ['(a, ⟦https://lamp.example/x⟧); b', 'https://lamp.example/x'],
  ['⟦https://lamp.example/?a[]=1⟧', 'https://lamp.example/?a[]=1'],
  ['⟦http://[2001:db8::1]/⟧.', 'http://[2001:db8::1]/'],
  // Quotation marks of every language.
  ['"⟦https://lamp.example/tides⟧"', 'https://lamp.example/tides'],
  ['“⟦https://lamp.example/tides⟧”', 'https://lamp.example/tides'],
  ['„⟦https://lamp.example/tides⟧“', 'https://lamp.example/tides'],
  ['„⟦https://lamp.example/tides⟧”', 'https://lamp.example/tides'],
  ['”⟦https://lamp.example/tides⟧”', 'https://lamp.example/tides'],
  ['«⟦https://lamp.example/tides⟧»', 'https://lamp.example/tides'],
  ['« ⟦https://lamp.example/tides⟧ »', 'https://lamp.example/tides'],
  ['»⟦https://lamp.example/tides⟧«', 'https://lamp.example/tides'],
  ['‹⟦https://lamp.example/tides⟧›', 'https://lamp.example/tides'],
  ['‘⟦https://lamp.example/tides⟧’', 'https://lamp.example/tides'],
  ['‚⟦https://lamp.example/tides⟧‘', 'https://lamp.example/tides'],
  ["'⟦https://lamp.example/tides⟧'", 'https://lamp.example/tides'],
  ['「⟦https://lamp.example/tides⟧」', 'https://lamp.example/tides'],
  ['『⟦https://lamp.example/tides⟧』を', 'https://lamp.example/tides'],
  ['《⟦https://lamp.example/tides⟧》', 'https://lamp.example/tides'],
  ['“See ⟦https://lamp.example/tides⟧.”', 'https://lamp.example/tides'],
  ['“See ⟦https://lamp.example/tides⟧”, she said', 'https://lamp.example/tides'],
  // Right after other signs.
  ['see:⟦https://lamp.example/tides⟧', 'https://lamp.example/tides'],
  ['see:⟦https://lamp.example/tides⟧.', 'https://lamp.example/tides'],
  ['source=⟦https://lamp.example/⟧', 'https://lamp.example/'],
  ['a/⟦https://lamp.example/⟧', 'https://lamp.example/'],
  ['там⟦https://lamp.example/⟧', 'https://lamp.example/'],
  ['→⟦https://lamp.example/⟧', 'https://lamp.example/'],
  ['⟦www.lamp.example⟧.', 'https://www.lamp.example/'],
  ['(⟦www.lamp.example/tides⟧)', 'https://www.lamp.example/tides'],
  ['«⟦www.lamp.example⟧»', 'https://www.lamp.example/'],
  ['⟦WWW.Lamp.Example/Tides⟧', 'https://www.lamp.example/Tides'],
  ['⟦HTTPS://Lamp.EXAMPLE/Tides⟧', 'https://lamp.example/Tides'],
  // What may stand in an address stays in it (WHATWG URL, 4.1 and 4.4).
  ['⟦https://lamp.example/a,b;c:d⟧', 'https://lamp.example/a,b;c:d'],
  ['⟦https://lamp.example/~keeper/⟧', 'https://lamp.example/~keeper/'],
  ['⟦https://lamp.example/a-b_c⟧', 'https://lamp.example/a-b_c'],
  ['⟦https://lamp.example/tides-⟧', 'https://lamp.example/tides-'],
  ['⟦https://lamp.example/?q=a+b&c=%20⟧', 'https://lamp.example/?q=a+b&c=%20'],
  ['⟦https://lamp.example/#!/tides⟧', 'https://lamp.example/#!/tides'],
  ['⟦https://lamp.example/O’Malley⟧', 'https://lamp.example/O%E2%80%99Malley'],
  ["⟦https://lamp.example/O'Malley⟧", "https://lamp.example/O'Malley"],
  ['⟦https://lamp.example:8443/x⟧.', 'https://lamp.example:8443/x'],
  ['⟦http://192.0.2.7/x⟧,', 'http://192.0.2.7/x'],
  ['⟦https://lamp.example/a//b⟧', 'https://lamp.example/a//b'],
  ['⟦https://lamp.example/Paris–Dakar⟧', 'https://lamp.example/Paris%E2%80%93Dakar'],
  // Names in other scripts (WHATWG URL, 3.3, domain to ASCII; a name that mixes look-alikes is found by the audit, UTS #39).
  ['⟦https://bücher.example/⟧.', 'https://xn--bcher-kva.example/'],
  ['⟦https://маяк.example/путь⟧.', 'https://xn--80aue1f.example/%D0%BF%D1%83%D1%82%D1%8C'],
  ['⟦https://例え.example/⟧。', 'https://xn--r8jz45g.example/'],
  // Email (RFC 5321, 4.1.2; RFC 6068).
  ['Write to ⟦ada@lamp.example⟧.', 'mailto:ada@lamp.example'],
  ['(⟦ada@lamp.example⟧)', 'mailto:ada@lamp.example'],
  ['<⟦ada@lamp.example⟧>', 'mailto:ada@lamp.example'],
  ['“⟦ada@lamp.example⟧”', 'mailto:ada@lamp.example'],
  ['«⟦ada@lamp.example⟧»', 'mailto:ada@lamp.example'],
  ['mail:⟦ada@lamp.example⟧!', 'mailto:ada@lamp.example'],
  ['⟦ada.b+tides@sub.lamp.example⟧,', 'mailto:ada.b+tides@sub.lamp.example'],
  ['⟦mailto:ada@lamp.example?subject=Tides⟧.', 'mailto:ada@lamp.example?subject=Tides'],
  ['Is it ⟦ada@lamp.example⟧’s?', 'mailto:ada@lamp.example'],
];

describe('an address in a text', () => {
  test.each(LINES)('%s', (line, href) => {
    const typed = line.replace(/[⟦⟧]/g, '');
    const start = line.indexOf('⟦');
    const end = line.indexOf('⟧') - 1;
    const found = addressesIn(typed).map((one) => [
      typed.slice(one.start, one.end),
      one.start,
      hrefOf(one.destination),
    ]);
    expect(found).toEqual([[typed.slice(start, end), start, href]]);
  });
  test('there are more than 80 lines', () => expect(LINES.length).toBeGreaterThan(80));

  test.each([
    'xhttps://lamp.example/',
    'no address: lamp.example',
    'a@b',
    '@keeper',
    'ftp://lamp.example/',
    'javascript:alert(1)',
    'https://',
    'www.',
    'www..',
    '10:30@noon',
  ])('is none: %s', (words) => expect(addressesIn(words)).toEqual([]));

  test('stands beside others', () =>
    expect(
      addressesIn('(https://a.example/), «www.b.example»; ada@c.example').map(({ destination }) =>
        hrefOf(destination),
      ),
    ).toEqual(['https://a.example/', 'https://www.b.example/', 'mailto:ada@c.example']));

  test('is finished where only signs of the sentence follow', () => {
    expect(addressAtEnd('see (https://lamp.example/tides).')).toMatchObject({ start: 5, end: 31 });
    expect(addressAtEnd('see “https://lamp.example/”')).toMatchObject({ start: 5 });
    expect(addressAtEnd('https://lamp.example/ and')).toBeNull();
    expect(addressAtEnd('https://lamp.example/。然后')).toBeNull();
  });

  test('of 100,000 signs without a space is looked through at once', () =>
    expect(addressesIn('a.'.repeat(50_000))).toEqual([]));
});
