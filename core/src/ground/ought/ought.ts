import type { Destination } from '../../destination/index.js';
import type { NavigationWords } from '../../language/index.js';
import type { Box, EntryAttrs, GroundPageAttrs } from '../../manuscript/index.js';
import type { PageText } from '../page-text.js';

/** What kind of words, or of picture, ought to lead somewhere. */
export const OUGHT_KINDS = [
  'address',
  'book',
  'overlaid',
  'contents',
  'page',
  'section',
  'figure',
  'table',
  'note',
  'back',
  'way',
] as const;
export type OughtKind = (typeof OUGHT_KINDS)[number];

/** How sure it is where words lead. */
export const SURENESS = ['sure', 'likely', 'look'] as const;
export type Sureness = (typeof SURENESS)[number];

/** A spot that is to be made, since links lead to it. */
export interface SpotToMake {
  /** From 1. */
  page: number;
  name: string;
  x: number;
  y: number;
}

/** Something of a page that leads nowhere yet, and where it would lead. */
export interface OughtToBeLink {
  /** The same each time that the same pages are read. */
  key: string;
  kind: OughtKind;
  /** From 1. */
  page: number;
  /** Further pages on which the same stands at the same spot. */
  also: number[];
  /** What stands there; empty where nothing is read. */
  words: string;
  lines: Box[];
  /** It is no words but a picture, which needs a name. */
  isPicture: boolean;
  /** `null` where a spot has to be made for it, or only the author knows. */
  destination: Destination | null;
  spot: SpotToMake | null;
  sureness: Sureness;
  /** Why it is taken for a link, in words. */
  why: string;
}

/** What a book of pages has, by which words are understood. */
export interface PagesRead {
  language: string;
  pages: readonly GroundPageAttrs[];
  texts: readonly PageText[];
  entries: readonly (Pick<EntryAttrs, 'id' | 'page' | 'y'> & { title: string })[];
}

/** The same, read once for all that look through it: the words of each line of each page. */
export interface Reading extends PagesRead {
  lines: readonly (readonly string[])[];
  words: NavigationWords;
  /** Pages by what they are called, in small letters. */
  byName: ReadonlyMap<string, GroundPageAttrs>;
}

/** What one of those who look found on a page: a stretch of a line, or a picture. */
export interface Found extends Pick<OughtToBeLink, 'kind' | 'words' | 'sureness' | 'why'> {
  /** From 1. */
  page: number;
  /** By the signs of the line; of a picture its box. */
  at: { line: number; from: number; to: number } | Box;
  also?: number[];
  destination: Destination | null;
  spot?: SpotToMake;
}

/** Letters and digits alone, by which words are compared. */
export const plain = (words: string): string =>
  words
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '');
