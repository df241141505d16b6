import { describe, expect, test } from '@jest/globals';
import { notFoundIn, NOT_FOUND_LANGUAGES, notFoundSentence, stateIn } from './index.js';
import { NOT_FOUND } from './page-words/not-found.js';

test.each(NOT_FOUND_LANGUAGES)(
  'what says in “%s” that a page is not there, alone and with the name of its site',
  (language) => {
    for (const phrase of NOT_FOUND[language] ?? []) {
      expect([phrase, notFoundIn(phrase)]).toEqual([phrase, phrase]);
      expect([phrase, notFoundIn(`${phrase} | Lamp Trust`)]).toEqual([phrase, phrase]);
      expect([phrase, notFoundIn(`404 – ${phrase.toLocaleUpperCase()}`) === null]).toEqual([phrase, false]);
    }
  },
);

test.each([
  ['404', '404'],
  ['Error 404', 'Error 404'],
  ['HTTP 404', 'HTTP 404'],
  ['404 Not Found', '404 Not Found'],
  ['Oops! Page not found', 'Oops! Page not found'],
  ['Lamp Trust - Page Not Found', 'Page Not Found'],
  ['Sorry, we can’t find that page', 'Sorry, we can’t find that page'],
  ['Seite nicht gefunden (Fehler 404)', 'Seite nicht gefunden (Fehler 404)'],
])('“%s” says that a page is not there', (...[name, found]) => expect(notFoundIn(name)).toBe(found));

// Names of pages that are there.
test.each([
  'Room 404',
  '404 Lamp Street',
  'The story of error 404',
  'What does 404 mean?',
  'Lost and found',
  'How we found the lamp that was lost',
  'Missing persons of the sound',
  'Gone with the tide',
  'Nothing',
  'Birds not found on the island',
  'Arten, nicht gefunden auf der Insel',
  'Page 404 of the log',
  'Highway 410',
  '',
])('“%s” does not', (name) => expect(notFoundIn(name)).toBeNull());

test('a short text says it to its reader', () => {
  expect(notFoundSentence('Sorry, the page you’re looking for could not be found.')).not.toBeNull();
  expect(notFoundSentence('Die von Ihnen gesuchte Seite gibt es nicht.')).not.toBeNull();
  expect(notFoundSentence('申し訳ありません。お探しのページは見つかりませんでした。')).not.toBeNull();
  expect(notFoundSentence('A server answers 404 when nothing is at an address.')).toBeNull();
});

describe('states', () => {
  test.each([
    ['parked', 'This domain is for sale!'],
    ['parked', 'Diese Domain steht zum Verkauf.'],
    ['suspended', 'This Account has been suspended.'],
    ['unfurnished', 'Welcome to nginx!'],
    ['door', 'Just a moment...'],
    ['door', 'Я не робот'],
    ['signIn', 'Please log in to continue'],
    ['consent', 'Bevor Sie fortfahren'],
    ['paid', 'Réservé aux abonnés'],
    ['fault', 'Internal Server Error'],
  ] as const)('%s: “%s”', (...[state, text]) => expect(stateIn(state, text)).not.toBeNull());

  test.each([
    ['parked', 'A boat for sale, with sails'],
    ['unfurnished', 'How it works'],
    ['paid', 'Free for subscribers of the newsletter'],
    ['suspended', 'The bridge is suspended from two cables'],
    ['door', 'The moment just before the lamp was lit'],
    ['signIn', 'Log in the fire and sign over the door'],
    ['paid', 'The keeper read the full log'],
  ] as const)('not %s: “%s”', (...[state, text]) => expect(stateIn(state, text)).toBeNull());
});
