import type { ReadBook } from '../../manuscript/index.js';

/** A script of the world's, as Unicode names it (UAX #24), with the packages that have fonts for it: of Debian 12, and of npm. */
interface KnownScript {
  name: string;
  signs: RegExp;
  debian: string;
  npm: string;
}

const script = (name: string, codes: readonly string[], debian: string, npm: string): KnownScript => ({
  name,
  signs: new RegExp(`[${codes.map((code) => `\\p{sc=${code}}`).join('')}]`, 'u'),
  debian,
  npm,
});

const CORE = 'fonts-noto-core';
const NPM = '@expo-google-fonts/';

/** Those that books are met in, and one for what is none of them. */
const KNOWN: readonly KnownScript[] = [
  script('Latin', ['Latn'], CORE, `${NPM}noto-serif`),
  script('Greek', ['Grek'], CORE, `${NPM}noto-serif`),
  script('Cyrillic', ['Cyrl'], CORE, `${NPM}noto-serif`),
  script('Arabic', ['Arab'], CORE, `${NPM}amiri`),
  script('Hebrew', ['Hebr'], CORE, `${NPM}noto-serif-hebrew`),
  script('Devanagari', ['Deva'], CORE, `${NPM}noto-serif-devanagari`),
  script('Thai', ['Thai'], 'fonts-thai-tlwg', `${NPM}noto-sans-thai`),
  script('Malayalam', ['Mlym'], 'fonts-smc', `${NPM}noto-sans-malayalam`),
  script('Japanese', ['Hira', 'Kana'], 'fonts-noto-cjk', `${NPM}noto-serif-jp`),
  script('Korean', ['Hang'], 'fonts-noto-cjk', `${NPM}noto-serif-kr`),
  script('Chinese and Japanese', ['Han', 'Bopo'], 'fonts-noto-cjk', `${NPM}noto-serif-sc`),
  script('Armenian', ['Armn'], CORE, `${NPM}noto-serif-armenian`),
  script('Georgian', ['Geor'], CORE, `${NPM}noto-serif-georgian`),
  script('Bengali', ['Beng'], CORE, `${NPM}noto-serif-bengali`),
  script('Gujarati', ['Gujr'], CORE, `${NPM}noto-serif-gujarati`),
  script('Gurmukhi', ['Guru'], CORE, `${NPM}noto-serif-gurmukhi`),
  script('Tamil', ['Taml'], CORE, `${NPM}noto-serif-tamil`),
  script('Telugu', ['Telu'], CORE, `${NPM}noto-serif-telugu`),
  script('Kannada', ['Knda'], CORE, `${NPM}noto-serif-kannada`),
  script('Sinhala', ['Sinh'], CORE, `${NPM}noto-serif-sinhala`),
  script('Lao', ['Laoo'], CORE, `${NPM}noto-serif-lao`),
  script('Khmer', ['Khmr'], CORE, `${NPM}noto-serif-khmer`),
  script('Burmese', ['Mymr'], CORE, `${NPM}noto-serif-myanmar`),
  script('Tibetan', ['Tibt'], CORE, `${NPM}noto-serif-tibetan`),
  script('Ethiopic', ['Ethi'], CORE, `${NPM}noto-serif-ethiopic`),
];
const OTHER: KnownScript = { name: 'Other letters', signs: /\p{L}/u, debian: CORE, npm: '' };

const scriptsBySign = new Map<string, KnownScript | null>();

/** The script of a letter; `null` for figures, points and other signs that are of all scripts. */
export function scriptOf(sign: string): string | null {
  let known = scriptsBySign.get(sign);
  if (known === undefined) {
    known = KNOWN.find(({ signs }) => signs.test(sign)) ?? (OTHER.signs.test(sign) ? OTHER : null);
    scriptsBySign.set(sign, known);
  }
  return known?.name ?? null;
}

/** Packages that have fonts for a script, by its name. */
export const packagesFor = (name: string): { debian: string; npm: string } => {
  const { debian, npm } = KNOWN.find((one) => one.name === name) ?? OTHER;
  return { debian, npm };
};

/** Where a font comes from. */
export const FONT_SOURCES = ['shipped', 'shelf', 'machine'] as const;

/** A font by its family, and where it comes from. */
export interface ScriptFont {
  family: string;
  from: (typeof FONT_SOURCES)[number];
}

/** A script of a book with the fonts in which it is set, and what is missing. */
export interface ScriptFonts {
  script: string;
  /** The fonts by their families, the one that has most of the letters first. */
  fonts: ScriptFont[];
  /** How many different letters no font has a shape for. */
  missing: number;
  /** Packages that have a font for it, where letters are missing: of Debian, and of npm. */
  debian: string;
  npm: string;
}

/** What is known of the fonts of a book: each script, and why fonts of the Shelf are not used. */
export interface BookFonts {
  scripts: ScriptFonts[];
  refused: string[];
}

/**
 * Each script of a book with its fonts.
 *
 * @param book whose letters they are
 * @param used how many letters of each script stand in each font, by its name in a PDF
 * @param unseen signs without a shape
 * @param fontNamed the font of a name in a PDF
 */
export function scriptFonts(
  book: ReadBook,
  used: ReadonlyMap<string, ReadonlyMap<string, number>>,
  unseen: ReadonlySet<string>,
  fontNamed: (name: string) => ScriptFont,
): ScriptFonts[] {
  return [...lettersOf(book)].map(([name, all]) => {
    const missing = [...all].filter((sign) => unseen.has(sign)).length;
    const families = new Map<string, { font: ScriptFont; count: number }>();
    for (const [called, count] of used.get(name) ?? []) {
      const font = fontNamed(called);
      families.set(font.family, { font, count: count + (families.get(font.family)?.count ?? 0) });
    }
    const fonts = [...families.values()].sort((one, other) => other.count - one.count);
    return {
      script: name,
      // A box stands in some font, too.
      fonts: missing === all.size ? [] : fonts.map(({ font }) => font),
      missing,
      ...(missing > 0 ? packagesFor(name) : { debian: '', npm: '' }),
    };
  });
}

/** The different letters of a book by their scripts. */
function lettersOf({ title, subtitle, author, chapters }: ReadBook): Map<string, Set<string>> {
  const signs = new Set([title, subtitle, author].join(''));
  for (const { doc } of chapters) for (const sign of doc.textContent) signs.add(sign);
  const letters = new Map<string, Set<string>>();
  for (const sign of signs) {
    const name = scriptOf(sign);
    if (name) letters.set(name, (letters.get(name) ?? new Set()).add(sign));
  }
  return letters;
}
