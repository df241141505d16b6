import { ces, dan, deu, eng, fin, fra, ita, nld, nob, pol, por, rus, spa, swe, ukr } from 'stopword';
import { primaryOf } from './tag.js';

/** Words that any sentence has, by language (the lists of the package `stopword`). */
const LISTS: Readonly<Record<string, readonly string[]>> = {
  ...{ cs: ces, da: dan, de: deu, en: eng, es: spa, fi: fin, fr: fra, it: ita, nb: nob, nn: nob, no: nob },
  ...{ nl: nld, pl: pol, pt: por, ru: rus, sv: swe, uk: ukr },
};
const sets = new Map<string, ReadonlySet<string>>();

function stopWords(language: string): ReadonlySet<string> {
  const primary = primaryOf(language);
  let set = sets.get(primary);
  if (!set) sets.set(primary, (set = new Set(LISTS[primary] ?? [])));
  return set;
}

/** The words of a text but those that any sentence has. The text is in small letters, with spaces between its words. */
export function contentWords(text: string, language: string): string[] {
  const stop = stopWords(language);
  return text.split(' ').filter((word) => word !== '' && !stop.has(word));
}
