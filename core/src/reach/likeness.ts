import { likeness, type PageFacts } from '../page/index.js';
import type { Likened } from './answer.js';

type Page = Pick<PageFacts, 'title' | 'print' | 'words' | 'text'>;

/** What is kept of a page to compare others with it. */
export const likened = (
  { title, print, words, text }: Page,
  href: string,
  status: number,
  at: string,
): Likened => ({
  href,
  status,
  title,
  print,
  words,
  text: text.slice(0, 200),
  at,
});

/** Numbers and addresses are what a page that is made for every address says anew each time. */
const plain = (text: string): string =>
  text
    .replace(/\S*[/\d]\S*/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();

/** Two answers that are one page: the same title, and the same main text but for a few words. */
export function isOnePage(one: Page, other: Page): boolean {
  if (plain(one.title) !== plain(other.title)) return false;
  if (Math.abs(one.words - other.words) > 3 + 0.1 * Math.max(one.words, other.words)) return false;
  if (one.words < 12 || other.words < 12)
    return plain(one.text.slice(0, 200)) === plain(other.text.slice(0, 200));
  return likeness(one.print, other.print) >= 0.85;
}

/** A text that has less than this share of its pairs of words in common with what it was is another text. */
const ANOTHER_TEXT = 0.1;
/** A text of fewer words tells too little. */
const ENOUGH_WORDS = 20;

/** What became another of a page since it was `before`: its title or its main text. Small changes are no news. */
export function becameAnother(now: Page, before: Page): 'title' | 'text' | null {
  const sameText = likeness(now.print, before.print);
  if (now.words >= ENOUGH_WORDS && before.words >= ENOUGH_WORDS && sameText < ANOTHER_TEXT) return 'text';
  const [one, other] = [titleWords(now.title), titleWords(before.title)];
  if (one.size === 0 || other.size === 0 || sameText > 0.5) return null;
  return [...one].some((word) => other.has(word)) ? null : 'title';
}

const titleWords = (title: string): Set<string> =>
  new Set(
    title.toLowerCase().match(/[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}]|[\p{L}\p{N}]{2,}/gu) ??
      [],
  );
