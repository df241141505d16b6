import { primaryOf } from './tag.js';

/** The marks around what somebody says, and around what is quoted within that: each as it opens and closes. */
export interface Quotes {
  outer: readonly [open: string, close: string];
  inner: readonly [open: string, close: string];
}

/** A space that no line breaks at. */
const NBSP = '\u00a0';
const of = (outer: string, inner: string): Quotes => ({
  outer: [outer[0]!, outer[1]!],
  inner: [inner[0]!, inner[1]!],
});

/** As the Unicode CLDR has them (`delimiters`), from memory; French with the spaces of its printers (common practice). */
const QUOTES: Readonly<Record<string, Quotes>> = {
  bg: of('„“', '‘’'),
  ca: of('«»', '“”'),
  cs: of('„“', '‚‘'),
  de: of('„“', '‚‘'),
  'de-ch': of('«»', '‹›'),
  el: of('«»', '“”'),
  en: of('“”', '‘’'),
  es: of('«»', '“”'),
  et: of('„“', '‚‘'),
  fi: of('””', '’’'),
  fr: { outer: [`«${NBSP}`, `${NBSP}»`], inner: ['“', '”'] },
  'fr-ch': of('«»', '‹›'),
  hr: of('„”', '‚’'),
  hu: of('„”', '»«'),
  it: of('«»', '“”'),
  ja: of('「」', '『』'),
  lt: of('„“', '‚‘'),
  nb: of('«»', '‘’'),
  nn: of('«»', '‘’'),
  no: of('«»', '‘’'),
  pl: of('„”', '«»'),
  'pt-pt': of('«»', '“”'),
  ro: of('„”', '«»'),
  ru: of('«»', '„“'),
  sk: of('„“', '‚‘'),
  sl: of('„“', '‚‘'),
  sr: of('„“', '‘’'),
  sv: of('””', '’’'),
  uk: of('«»', '„“'),
};

/** The quotation marks of a language (a BCP 47 tag); those of English where they are not known. */
export const quotesOf = (tag: string): Quotes =>
  QUOTES[tag.toLowerCase()] ?? QUOTES[primaryOf(tag)] ?? QUOTES.en!;

/** The sign that stands for letters that are left out, in every language. */
export const APOSTROPHE = '’';
