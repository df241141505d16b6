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

const SENTENCES = NOT_FOUND_SENTENCES.map(folded);
const STATES = Object.fromEntries(
  Object.entries(PAGE_STATES).map(([state, phrases]) => [state, phrases.map(folded)]),
) as Record<PageState, string[]>;

/** A title is often the name of a page and that of its site, with a sign between. */
const BETWEEN = /\s+[|–—·•»«/:-]+\s+|\s*[|»·•]\s*|::|:\s+|\s[-–—]\s/u;
/** Words around what is said that say nothing more, and the numbers of errors. */
const NUMBERS = new Set(['404', '410']);
const LEFT_OUT = new Set([
  ...NUMBERS,
  ...folded(
    `error errors erreur fehler fout errore erro błąd fel fejl feil virhe chyba ошибка помилка http https status code 400 oops ups
    sorry the this that a la le il el lo die der das de den det whoops uh oh hmm we dommage désolé désolée leider
    entschuldigung spiacenti sentimos desculpe przepraszamy beklager beklagar извините`,
  ).split(' '),
]);

/** What a name says, without what says nothing. */
const bare = (said: string): string =>
  said
    .split(' ')
    .filter((word) => !LEFT_OUT.has(word))
    .join(' ');

const NAMES = Object.values(NOT_FOUND)
  .flat()
  .map((phrase) => bare(folded(phrase)));
const EXACT = new Set(NAMES);

/** A phrase that says what is not found; “not found” alone may be said of birds. */
const SAYS_WHAT =
  /page|pagin|seite|stron|sidan|siden|\bside\b|sivu|stran|страниц|сторінк|файл|file|datei|fichier|archivo|arquivo|ficheiro|bestand|soubor|\burl\b|do[ck]ument|conten|inhalt|conteud|arti[ck]|item|product|resource|object|entry|post|record/;

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
    const rest = bare(said);
    if (EXACT.has(rest) || (rest === '' && said.split(' ').some((word) => NUMBERS.has(word))))
      return part.trim();
    const words = rest.split(' ').length;
    if (
      NAMES.some((phrase) =>
        phrase.includes(' ')
          ? SAYS_WHAT.test(phrase) && holds(rest, phrase) && words <= phrase.split(' ').length + MORE
          : hasNoSpaces(phrase) && rest.startsWith(phrase) && rest.length <= phrase.length + 8,
      )
    )
      return part.trim();
  }
  return null;
}

/** True for a name that says this and nothing else. */
export const isNotFound = (name: string): boolean => EXACT.has(bare(folded(name)));

/** The phrase by which a short text says to its reader that the page is not there. */
export const notFoundSentence = (text: string): string | null => firstHeld(text, SENTENCES);

/** The phrase by which words tell of a state that a page is in; see `PAGE_STATES`. `most` words may stand beside it. */
export function stateIn(state: PageState, text: string, most = Infinity): string | null {
  const phrase = firstHeld(text, STATES[state]);
  if (phrase === null || most === Infinity) return phrase;
  return folded(text).split(' ').length <= phrase.split(' ').length + most ? phrase : null;
}

function firstHeld(text: string, phrases: readonly string[]): string | null {
  const said = folded(text);
  return phrases.find((phrase) => holds(said, phrase)) ?? null;
}

/** Whole words, but in writing without spaces between them. */
const holds = (said: string, phrase: string): boolean =>
  hasNoSpaces(phrase) ? said.replaceAll(' ', '').includes(phrase) : ` ${said} `.includes(` ${phrase} `);

const hasNoSpaces = (phrase: string): boolean =>
  /^[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}ー]+$/u.test(phrase);
