import { contentWords } from './content-words.js';
import { linkWords } from './link-words/index.js';
import type { LinkWords } from './link-words/link-words.js';
import { areOneLanguage } from './tag.js';

/** The words of a language as sets, made once. */
interface Known {
  vague: ReadonlySet<string>;
  filling: ReadonlySet<string>;
  phrases: ReadonlySet<string>;
  picture: ReadonlySet<string>;
  pictureOf: readonly string[];
  newWindow: readonly string[];
  mail: ReadonlySet<string>;
  sources: ReadonlySet<string>;
  /** For languages that put no spaces: all vague and filling words, the longest first. */
  together: readonly string[];
  page: RegExp;
}

const known = new Map<LinkWords, Known>();

function knownOf(words: LinkWords): Known {
  const before = known.get(words);
  if (before) return before;
  const list = (text: string) => text.split(' ').map(fold).filter(Boolean);
  const [vague, filling] = [new Set(list(words.vague)), new Set(list(words.filling))];
  const made: Known = {
    vague,
    filling,
    phrases: new Set(words.phrases.map(fold)),
    picture: new Set(list(words.picture)),
    pictureOf: words.pictureOf.map((opening) => `${fold(opening)} `),
    newWindow: words.newWindow.map(fold),
    mail: new Set(list(words.mail)),
    sources: new Set(words.sources.map(fold)),
    together: [...vague, ...filling].sort((one, other) => other.length - one.length),
    page: new RegExp(
      `(?<![\\p{L}\\p{N}])(?:${words.page.map(pageSource).join('|')})(?![\\p{L}\\p{N}])`,
      'iu',
    ),
  };
  known.set(words, made);
  return made;
}

const pageSource = (pattern: string): string =>
  pattern
    .split('#')
    .map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/ /g, '\\s*'))
    .join('\\d{1,4}(?:\\s*[-–]\\s*\\d{1,4})?');

/** The rules ask for the same words one after the other. */
let last = { words: '', folded: '' };

/** Words as they are compared: in small letters, without signs but those within words. */
export function fold(words: string): string {
  if (last.words !== words) last = { words, folded: foldNow(words) };
  return last.folded;
}

const PLAIN = /^[a-z0-9]+(?: [a-z0-9]+)*$/;

function foldNow(words: string): string {
  const small = words.toLowerCase();
  if (PLAIN.test(small)) return small;
  return small
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[’`´]/g, "'")
    .replace(/(?<![\p{L}\p{N}])[-']+|[-']+(?![\p{L}\p{N}])|[^\p{L}\p{M}\p{N}'\- ]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Languages that put no spaces between words. */
const isTogether = (language: string): boolean => /^(?:ja|zh)(?:-|$)/i.test(language);

/**
 * True for a link text that says nothing of where it leads: vague words and what fills up between them, or signs without a
 * letter. WCAG F63 and F84 give the English examples.
 */
export function isVague(name: string, language: string): boolean {
  if (name === '') return false;
  if (!/[\p{L}\p{N}]/u.test(name)) return true;
  const words = linkWords(language);
  if (!words) return false;
  const folded = fold(name);
  const { vague, filling, phrases, together } = knownOf(words);
  if (phrases.has(folded)) return true;
  if (isTogether(language)) return isVagueTogether(folded.replace(/ /g, ''), vague, together);
  let says = false;
  // What is elided before a vowel is a word of its own: d’informations.
  for (const word of folded.split(/[ ']/)) {
    if (vague.has(word)) says = true;
    else if (!filling.has(word)) return false;
  }
  return says;
}

function isVagueTogether(name: string, vague: ReadonlySet<string>, together: readonly string[]): boolean {
  let says = false;
  let rest = name;
  while (rest !== '') {
    const next = together.find((word) => rest.startsWith(word));
    if (next === undefined) return false;
    says ||= vague.has(next);
    rest = rest.slice(next.length);
  }
  return says;
}

/** The words of a text that say something: neither vague, nor such as any sentence has. */
export function tellingWords(text: string, language: string): string[] {
  const words = linkWords(language);
  const list = words && knownOf(words);
  if (list && isTogether(language)) {
    let rest = fold(text).replace(/ /g, '');
    for (const word of list.together) rest = rest.replaceAll(word, ' ');
    return rest.split(' ').filter((part) => part.length > 1);
  }
  return contentWords(fold(text), language).filter(
    (word) => word.length > 2 && !list?.vague.has(word) && !list?.filling.has(word),
  );
}

/** Signs of the longest word for a picture, with a number. */
const LONGEST_PLACEHOLDER = 24;

/** True for words that stand for any picture, whatever it shows: "image", "photo 3". */
export function isPictureWord(name: string, language: string): boolean {
  if (name.length > LONGEST_PLACEHOLDER) return false;
  const folded = fold(name).replace(/\s*\d+$/, '');
  return languagesFor(language).some((words) => knownOf(words).picture.has(folded));
}

/** True for words that begin as a description of a picture does: "photo of the lamp". */
export function describesPicture(name: string, language: string): boolean {
  const words = linkWords(language);
  const folded = `${fold(name)} `;
  return words !== null && knownOf(words).pictureOf.some((opening) => folded.startsWith(opening));
}

/** True for words that say that an email is written: the word for it, or an address. */
export function saysMail(text: string, language: string): boolean {
  if (/\S@\S/.test(text)) return true;
  const folded = fold(text);
  const parts = new Set(folded.split(/[ ]/));
  return languagesFor(language).some((words) =>
    [...knownOf(words).mail].some((word) => (isTogether(language) ? folded.includes(word) : parts.has(word))),
  );
}

/** True for words that say that a window is opened. */
export function saysNewWindow(text: string, language: string): boolean {
  const folded = fold(text);
  return languagesFor(language).some((words) =>
    knownOf(words).newWindow.some((phrase) => folded.includes(phrase)),
  );
}

/** True for the heading of a list of sources. */
export function isSourcesHeading(heading: string, language: string): boolean {
  const folded = fold(heading).replace(/^[\d. ]+/, '');
  return languagesFor(language).some((words) => knownOf(words).sources.has(folded));
}

/** A page that words name by its number ("page 12"), as it stands there; `null` for none. */
export function pageNamedIn(text: string, language: string): string | null {
  const words = linkWords(language);
  return (words && knownOf(words).page.exec(text)?.[0]) ?? null;
}

/** English words stand in texts of any language. */
function languagesFor(language: string): readonly LinkWords[] {
  const before = languages.get(language);
  if (before) return before;
  const own = linkWords(language);
  const english = areOneLanguage(language, 'en') ? null : linkWords('en');
  const made = [own, english].filter((words) => words !== null);
  languages.set(language, made);
  return made;
}
const languages = new Map<string, readonly LinkWords[]>();

/** The name of a language in another one: "French", "Französisch"; `null` where it is not known. */
export function languageName(tag: string, language: string): string | null {
  try {
    const name = new Intl.DisplayNames([language, 'en'], { type: 'language', fallback: 'none' }).of(tag);
    return name ?? null;
  } catch {
    return null;
  }
}

/** True for words that name a language: in the language of the text, in its own, in English, or by its tag in brackets. */
export function saysLanguage(text: string, tag: string, language: string): boolean {
  const folded = ` ${fold(text)} `;
  if (new RegExp(`[([]\\s*${tag.split('-')[0]}\\s*[)\\]]`, 'i').test(text)) return true;
  const stem = (name: string) => (name.length > 6 ? name.slice(0, -2) : name);
  return [languageName(tag, language), languageName(tag, tag), languageName(tag, 'en')].some(
    (name) => name !== null && folded.includes(` ${stem(fold(name.replace(/\s*\(.*/, '')))}`),
  );
}
