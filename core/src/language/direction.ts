export type Direction = 'ltr' | 'rtl';

/** The scripts that run from right to left (Unicode, DerivedBidiClass: R and AL), by their codes in ISO 15924. */
const LEFTWARD: ReadonlySet<string> = new Set([
  'Adlm',
  'Arab',
  'Aran',
  'Hebr',
  'Mand',
  'Nkoo',
  'Rohg',
  'Samr',
  'Syrc',
  'Thaa',
]);
const LEFTWARD_LETTER =
  /[\p{scx=Adlm}\p{scx=Arab}\p{scx=Hebr}\p{scx=Mand}\p{scx=Nkoo}\p{scx=Rohg}\p{scx=Samr}\p{scx=Syrc}\p{scx=Thaa}]/u;

/** Asked of each block of a book, and slow to find out. */
const known = new Map<string, Direction>();

/** How a language is written: by the script of its tag, else by the likely one (CLDR). */
export function directionOf(tag: string): Direction {
  let direction = known.get(tag);
  if (!direction) known.set(tag, (direction = LEFTWARD.has(scriptOf(tag)) ? 'rtl' : 'ltr'));
  return direction;
}

function scriptOf(tag: string): string {
  try {
    return new Intl.Locale(tag).maximize().script ?? '';
  } catch {
    return '';
  }
}

/** The direction of some words: that of their first letter (UAX #9, P2); `null` where they have none. */
export function directionOfWords(words: string): Direction | null {
  const letter = /\p{L}/u.exec(words)?.[0];
  return letter === undefined ? null : LEFTWARD_LETTER.test(letter) ? 'rtl' : 'ltr';
}
