import { languageTag } from './tag.js';

/**
 * The language tag that a file means: a tag as it should be written, one written as locales are (`en_US.UTF-8`), or the name of a
 * language in English or in itself (`English`, `Deutsch`). `null` for what names none.
 */
export function languageTold(told: string): string | null {
  const plain = told.trim().replace(/[.@].*$/s, '');
  const name = plain.replace(/\s*[([].*$/s, '').toLowerCase();
  return languageTag(plain) ?? byName().get(name) ?? null;
}

const ENGLISH = new Intl.DisplayNames('en', { type: 'language', fallback: 'none' });

let names: ReadonlyMap<string, string> | null = null;

/** The languages of ISO 639-1 by their names, in small letters; the names are those of Unicode's CLDR. */
function byName(): ReadonlyMap<string, string> {
  if (names) return names;
  const found = new Map<string, string>();
  const letters = Array.from('abcdefghijklmnopqrstuvwxyz');
  for (const one of letters)
    for (const other of letters) {
      const code = one + other;
      const english = ENGLISH.of(code);
      if (english === undefined || languageTag(code) !== code) continue;
      const own = new Intl.DisplayNames(code, { type: 'language', fallback: 'none' }).of(code);
      for (const name of [english, own])
        if (name && !found.has(name.toLowerCase())) found.set(name.toLowerCase(), code);
    }
  return (names = found);
}
