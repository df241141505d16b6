import { AUTHOR_LANGUAGE, fold, languageName, languageTold } from '@vennet/core/language';

/** Languages that are offered by name; every other one is written as its tag (BCP 47). */
const OFFERED =
  'en en-GB en-US de de-AT de-CH fr es it pt pt-BR nl da sv nb nn fi is et lv lt pl cs sk sl hr sr hu ro bg el tr ru uk ca eu gl cy ga he ar fa hi bn ta zh-Hans zh-Hant ja ko vi th id sw af eo la'.split(
    ' ',
  );

export const nameOfLanguage = (tag: string): string | null => languageName(tag, AUTHOR_LANGUAGE);

export const offeredLanguages = (): { tag: string; name: string }[] =>
  OFFERED.map((tag) => ({ tag, name: nameOfLanguage(tag) ?? tag })).sort((one, other) =>
    one.name.localeCompare(other.name),
  );

/** The tag of a language that is given by its tag or its name; `null` for what is neither. */
export function tagOf(words: string): string | null {
  const named = offeredLanguages().find(({ name }) => fold(name) === fold(words));
  if (named) return named.tag;
  const told = languageTold(words);
  return told !== null && nameOfLanguage(told) !== null ? told : null;
}
