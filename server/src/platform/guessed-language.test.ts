import { describe, expect, test } from '@jest/globals';
import { guessedLanguage } from './guessed-language.js';

// The first article of the Universal Declaration of Human Rights (United Nations, 1948), from memory.
const ARTICLE = {
  en: 'All human beings are born free and equal in dignity and rights.',
  de: 'Alle Menschen sind frei und gleich an Würde und Rechten geboren.',
  fr: 'Tous les êtres humains naissent libres et égaux en dignité et en droits.',
  es: 'Todos los seres humanos nacen libres e iguales en dignidad y derechos.',
  nl: 'Alle mensen worden vrij en gelijk in waardigheid en rechten geboren.',
  pl: 'Wszyscy ludzie rodzą się wolni i równi pod względem swej godności i swych praw.',
  ru: 'Все люди рождаются свободными и равными в своем достоинстве и правах.',
  ja: 'すべての人間は、生まれながらにして自由であり、かつ、尊厳と権利とについて平等である。',
  zh: '人人生而自由，在尊严和权利上一律平等。',
};

describe('the language of words', () => {
  test.each(Object.entries(ARTICLE))('is known: %s', (language, words) =>
    expect(guessedLanguage(words)).toBe(language),
  );

  test.each(['', 'x y z', 'Lamp', '12 34 56 78 90 12 34 56 78 90'])('of %j can’t be told', (words) =>
    expect(guessedLanguage(words)).toBeNull(),
  );
});
