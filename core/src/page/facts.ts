import type { Refresh } from './refresh.js';

/** What a body was found to be. */
export const BODY_KINDS = ['html', 'pdf', 'json', 'text', 'empty', 'other'] as const;
export type BodyKind = (typeof BODY_KINDS)[number];

/** What stands in a page beside its words, as far as a verdict may need it. */
export const PAGE_MARKS = [
  /** A script that runs. */
  'script',
  /** The element that an application in the page draws itself into. */
  'application',
  /** A picture, film, sound, frame, drawing or form: something to see or do without words. */
  'media',
  /** A field for a password, and one in the main part of the page. */
  'password',
  'password-in-main',
  /** It says of itself that it is not for free (schema.org `isAccessibleForFree`). */
  'paid',
  /** A form that hands the reader over to a sign-in elsewhere (SAML, WS-Federation). */
  'handed-over',
  /** Several headings, none of them with an id: a script may give them some. */
  'bare-headings',
  /** A riddle by which people are told from programs. */
  'riddle',
] as const;
export type PageMark = (typeof PAGE_MARKS)[number];

/** How a fragment was found: an element, its text, or not; `unread` where the page was not read to its end. */
export const FRAGMENT_STATES = ['there', 'missing', 'text-missing', 'unread'] as const;
export type FragmentState = (typeof FRAGMENT_STATES)[number];

/** What was read of a body. Verdicts are derived from it; the body itself is never kept. */
export interface PageFacts {
  kind: BodyKind;
  /** The type as it was told, without parameters; `''` for none. */
  type: string;
  /** What it really is, where its first bytes are of another type than was told; else `''`. */
  found: string;
  /** Bytes that were read, after decompression. */
  bytes: number;
  /** It was read to its end. */
  whole: boolean;
  title: string;
  /** What the site calls itself (`og:site_name`). */
  site: string;
  /** The first heading of the highest level. */
  heading: string;
  /** The first words of the main text, without those of links and of what stands around it. */
  text: string;
  /** Words of the main text, and all that a reader sees. */
  words: number;
  allWords: number;
  /** Of the main text; see `Fingerprint`. */
  print: string;
  marks: PageMark[];
  refresh: Refresh | null;
  /** Where a script sends on, as it is written there. */
  sendsOn: string;
  /** An error that data tell of; `''` for none. */
  error: string;
  /** Of a PDF, where it was counted; else `null`. */
  pages: number | null;
  /** The language that the page says it is in (HTML `lang`), as it stands there; left out by earlier checks. */
  language?: string;
}

export const NO_FACTS: PageFacts = {
  kind: 'empty',
  type: '',
  found: '',
  bytes: 0,
  whole: true,
  title: '',
  site: '',
  heading: '',
  text: '',
  words: 0,
  allWords: 0,
  print: '',
  marks: [],
  refresh: null,
  sendsOn: '',
  error: '',
  pages: null,
  language: '',
};
