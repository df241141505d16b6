import { NOT_FOUND, NOT_FOUND_SENTENCES } from './page-words/not-found.js';
import { PAGE_STATES, type PageState } from './page-words/states.js';

export type { PageState } from './page-words/states.js';

/** The languages in which pages that are not there are told by their words, as primary subtags of BCP 47. */
export const NOT_FOUND_LANGUAGES: readonly string[] = Object.keys(NOT_FOUND);

/** Small letters without marks and signs, so that words can be compared. */
const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[‘’]/g, "'")
    .replace(/[^\p{L}\p{N}']+/gu, ' ')
    .trim();

const NAMES = Object.values(NOT_FOUND).flat().map(folded);
const EXACT = new Set(NAMES);
const SENTENCES = NOT_FOUND_SENTENCES.map(folded);
const STATES = Object.fromEntries(
  Object.entries(PAGE_STATES).map(([state, phrases]) => [state, phrases.map(folded)]),
) as Record<PageState, string[]>;

/** A title is often the name of a page and that of its site, with a sign between. */
const BETWEEN = /\s+[|–—·•»«/:-]+\s+|\s*[|»·•]\s*|::|:\s+|\s[-–—]\s/u;
/** Numbers of errors and words around them say nothing more. */
const LEFT_OUT =
  /(?<![\p{L}\p{N}])(?:error|errors|erreur|fehler|fout|errore|erro|błąd|blad|fel|fejl|feil|virhe|chyba|ошибка|помилка|エラー|错误|錯誤|http|https|status|code|oops|ups|sorry|40[04]|410|the|this|that|a|la|le|il|el|die|der|das|de|den|det|whoops|uh|oh|hmm|we|dommage|désolé|désolée|leider|entschuldigung|spiacenti|lo sentimos|desculpe|przepraszamy|beklager|beklagar|извините)(?![\p{L}\p{N}])/giu;

/** How many words more than the phrase itself a name of a page that is not there has at most. */
const MORE = 3;

/**
 * The part of a title or heading that says that the page is not there; `null` where none does. “Room 404”, “The story of
 * error 404” are names of pages that are.
 */
export function notFoundIn(name: string): string | null {
  for (const part of name.split(BETWEEN)) {
    const said = folded(part);
    if (said === '') continue;
    if (
      /^(?:(?:error|erreur|fehler|errore|erro|http|http error|http status|ошибка|помилка|chyba|virhe|fel|fejl|feil|fout|blad|błąd) )?4(?:04|10)(?: error)?$/u.test(
        said,
      )
    )
      return part.trim();
    const rest = folded(said.replace(LEFT_OUT, ' '));
    if (EXACT.has(said) || EXACT.has(rest)) return part.trim();
    const words = rest.split(' ').length;
    if (
      NAMES.some((phrase) =>
        phrase.includes(' ')
          ? holds(rest, phrase) && words <= phrase.split(' ').length + MORE
          : hasNoSpaces(phrase) && rest.startsWith(phrase) && rest.length <= phrase.length + 8,
      )
    )
      return part.trim();
  }
  return null;
}

/** The phrase by which a short text says to its reader that the page is not there. */
export const notFoundSentence = (text: string): string | null => firstHeld(text, SENTENCES);

/** The phrase by which words tell of a state that a page is in; see `PAGE_STATES`. */
export const stateIn = (state: PageState, text: string): string | null => firstHeld(text, STATES[state]);

function firstHeld(text: string, phrases: readonly string[]): string | null {
  const said = folded(text);
  return phrases.find((phrase) => holds(said, phrase)) ?? null;
}

/** Whole words, but in writing without spaces between them. */
const holds = (said: string, phrase: string): boolean =>
  hasNoSpaces(phrase) ? said.replaceAll(' ', '').includes(phrase) : ` ${said} `.includes(` ${phrase} `);

const hasNoSpaces = (phrase: string): boolean =>
  /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}ー]+$/u.test(phrase);
