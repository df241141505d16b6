import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  fileNamed,
  isAboutAccounts,
  isConsent,
  isErrorPage,
  isForOneVisit,
  isForPay,
  isFrontPage,
  isNoNews,
  isShortened,
  isSignIn,
} from './addresses.js';
import { isPersistent } from './persistent.js';

const url = (path: string) => new URL(path, 'https://lamp.example');

// Common practice (no source) but where one is named.
const JUDGED: [string, (address: URL) => unknown, string[], string[]][] = [
  [
    'a front page',
    isFrontPage,
    [
      '/',
      '/index.html',
      '/index.php',
      '/en/',
      '/de',
      '/pt-BR/',
      '/zh-Hant',
      '/en/index.html',
      '/?utm_source=x',
      '/home',
    ],
    ['/new', '/tides', '/?p=12', '/en/tides', '/blog/', '/map/index.html', '/index.html?p=1'],
  ],
  [
    'signing in',
    isSignIn,
    [
      '/login',
      '/account/sign-in?next=/x',
      '/wp-login.php',
      'https://login.lamp.example/x',
      'https://sso.lamp.example/',
      '/oauth2/authorize?client_id=1',
      '/x?SAMLRequest=abc',
      '/anmelden',
      'https://accounts.lamp.example/v3?continue=x',
    ],
    [
      '/authors',
      '/blog/login-tips',
      '/significant',
      'https://id.lamp.example/object/5',
      '/case',
      '/authority',
    ],
  ],
  ['accounts', isAboutAccounts, ['/register', '/sign-up', '/login'], ['/registered-post', '/tides']],
  [
    'consent',
    isConsent,
    ['/consent', 'https://consent.lamp.example/x', '/cookie-wall'],
    ['/cookies-recipe', '/privacy', '/consenting-adults'],
  ],
  ['paying', isForPay, ['/subscribe', '/abo', '/paywall'], ['/subscribers-of-1871', '/about']],
  [
    'an error',
    isErrorPage,
    ['/404', '/404.html', '/error/404', '/page-not-found', '/errors/notfound.aspx', '/oops', '/x?error=1'],
    ['/terrors', '/room-404-lamp', '/4040', '/trial-and-error-in-navigation'],
  ],
  [
    'one visit',
    isForOneVisit,
    ['/a;jsessionid=1F', '/a?PHPSESSID=x', '/a?sid=1', '/a?token=x'],
    ['/a?id=1', '/session-music', '/a?page=2'],
  ],
  [
    'a shortened one',
    isShortened,
    ['/3xYz9Q', '/aB3'.concat('x')],
    ['/tides', '/lamp-1871', '/A1/b', '/abc123'],
  ],
  // DOI: ISO 26324; ARK: RFC draft-kunze-ark; Handle: RFC 3650; URN: RFC 8141.
  [
    'a persistent identifier',
    isPersistent,
    [
      'https://doi.org/10.1000/182',
      'https://dx.doi.org/10.1000/182',
      'https://hdl.handle.net/1/2',
      'https://purl.org/x',
      'https://w3id.org/x',
      'https://n2t.net/ark:/12345/x',
      '/ark:/12345/x',
      '/urn:nbn:se:x',
    ],
    ['https://doicer.example/x', '/arkansas', '/urn', 'https://lamp.example/10.1000'],
  ],
];

describe.each(JUDGED)('%s', (...[, judge, those, others]) => {
  test.each(those)('%s', (path) => expect(Boolean(judge(url(path)))).toBe(true));
  test.each(others)('not %s', (path) => expect(Boolean(judge(url(path)))).toBe(false));
});

test.each([
  ['/Tides', '/tides', true],
  ['/tides', '/tides/', true],
  ['/', '/en/', true],
  ['/a%C3%A4', '/aä', true],
  ['/tides?a=1', '/tides?a=2', false],
  ['/tides', '/tide', false],
  ['http://lamp.example/tides', '/tides', false],
])('from %s to %s is no news: %s', (...[from, to, expected]) =>
  expect(isNoNews(url(from), url(to))).toBe(expected),
);

test.each([
  ['/lamp.pdf', 'pdf'],
  ['/a/lamp.JPG?x=1', 'jpg'],
  ['/wiki/File:Lamp.jpg', undefined],
  ['/keepers/blob/main/lamp.pdf', undefined],
  ['/lamp.html', undefined],
  ['/lamp', undefined],
  ['/v1.2', undefined],
])('%s names a file: %s', (...[path, extension]) => expect(fileNamed(url(path))?.extension).toBe(extension));

test('no address makes any of them throw', () =>
  fc.assert(
    fc.property(fc.webUrl({ withQueryParameters: true, withFragments: true }), fc.string(), (href, rest) => {
      const address = URL.canParse(href + rest) ? new URL(href + rest) : new URL(href);
      for (const [, judge] of JUDGED) judge(address);
      isNoNews(address, address);
      fileNamed(address);
    }),
  ));
