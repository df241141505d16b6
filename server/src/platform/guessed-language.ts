import { eld } from 'eld/small';

/** Fewer letters than these tell no language: signs of Chinese and Japanese say more each. */
const LEAST = { letters: 40, signs: 12 };

/** The language of some words, by how often its groups of letters are met; `null` where that can't be told. */
export function guessedLanguage(words: string): string | null {
  const letters = words.match(/\p{L}/gu)?.length ?? 0;
  const signs = words.match(/[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}]/gu)?.length ?? 0;
  if (letters < LEAST.letters && signs < LEAST.signs) return null;
  const found = eld.detect(words);
  return found.isReliable() ? found.language : null;
}
